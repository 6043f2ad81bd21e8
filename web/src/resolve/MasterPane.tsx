import { Fragment } from 'react';
import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { Changed } from '../ui/Changed';
import { moment } from '../ui/format';
import {
  fieldName,
  linksOf,
  valueOf,
  wordsOf,
  type MasterCause,
  type MasterHeld,
  type MasterValues,
} from './masters';
import { MasterAnswer } from './MasterAnswer';
import { PaneHead } from './PaneHead';

interface Props {
  cause: MasterCause;
  place: number;
  onPlace: (place: number) => void;
}

/** A party or an item whose sides differ: each field as both have it and as they last agreed, with the answers where it is asked. */
export function MasterPane({ cause, place, onPlace }: Props) {
  const { route } = useCurrent();
  const held = cause.masters[place];
  if (!held) {
    return null;
  }
  return (
    <section
      aria-label="What is held"
      className="sheet flex min-h-0 flex-col overflow-auto rounded-b-none border-b-0"
    >
      <PaneHead
        name={held.name}
        says={`${held.code} in ${route.source}, ${held.counterpart} in ${route.ledger}`}
        glyph="Diverged"
        state={wordsOf(cause, route).state}
        place={place}
        count={cause.count}
        listed={cause.masters.length}
        onPlace={onPlace}
      />
      <Fields cause={cause} held={held} />
      <p className="soft px-4 py-2.5 text-[13px]">
        Asked about since {moment(held.since)}.{' '}
        <Link
          className="underline"
          to={`/map?kind=${linksOf(cause.kind)}&route=${route.code}&row=${held.code}`}
        >
          Link {held.name} to another, or to none
        </Link>
        {' · '}
        <Link className="underline" to={`/connect?view=crossing&kind=${cause.kind}&route=${route.code}`}>
          Which way {cause.kind === 'ITEMS' ? 'items' : 'parties'} cross, and whose fields are
        </Link>
      </p>
    </section>
  );
}

function Fields({ cause, held }: { cause: MasterCause; held: MasterHeld }) {
  const { me, route } = useCurrent();
  return (
    <table className="w-full table-fixed border-collapse text-[13.5px]" aria-label="Both sides">
      <colgroup>
        <col style={{ width: '13%' }} />
        <col style={{ width: '26%' }} />
        <col style={{ width: '22%' }} />
        <col style={{ width: '26%' }} />
        <col style={{ width: '13%' }} />
      </colgroup>
      <thead>
        <tr className="border-base-content/40 border-b text-left">
          <th className="soft px-4 py-1.5 text-[12.5px] font-normal">Field</th>
          <th className="title text-primary px-2 text-[15px]">{route.source} now</th>
          <th className="title bg-base-200 px-2 text-center text-[15px]">last agreed</th>
          <th className="title text-secondary px-2 text-[15px]">{route.ledger} now</th>
          <th className="soft px-2 text-[12.5px] font-normal">Stands</th>
        </tr>
      </thead>
      <tbody>
        {held.fields.map((values) => {
          const asked = values.field === cause.field;
          return (
            <Fragment key={values.field}>
              <Row values={values} asked={asked} />
              {asked && (
                <tr className="border-base-300 border-b">
                  <td colSpan={5} className="border-l-accent bg-base-200 border-l-[3px] px-4 py-2.5">
                    <p className="mb-2">{held.sentence}</p>
                    {me.mayChange && (
                      <MasterAnswer
                        key={`${held.code} ${held.seen}`}
                        cause={cause}
                        held={held}
                        values={values}
                      />
                    )}
                  </td>
                </tr>
              )}
            </Fragment>
          );
        })}
      </tbody>
    </table>
  );
}

function Row({ values, asked }: { values: MasterValues; asked: boolean }) {
  const said = (value: string) => valueOf(values.field, value);
  const moved = {
    source: values.source !== values.sourceAgreed,
    ledger: values.ledger !== values.ledgerAgreed,
  };
  return (
    <tr
      data-field={values.field}
      data-asked={asked}
      className={`h-[33px] align-top ${asked ? 'border-l-accent bg-base-200 border-l-[3px]' : 'border-base-300 border-b'}`}
    >
      <td className={`px-4 py-1.5 ${asked ? 'font-bold' : 'soft'}`}>{fieldName(values.field)}</td>
      <td className={`px-2 py-1.5 ${values.agreed && moved.source ? 'text-primary font-bold' : ''}`}>
        <Value>{said(values.source)}</Value>
        <Changed change={values.sourceChanged} />
      </td>
      <td className="bg-base-200 px-2 py-1.5 text-center">
        {!values.agreed ? (
          <span className="soft">never</span>
        ) : values.sourceAgreed === values.ledgerAgreed ? (
          <Value>{said(values.sourceAgreed)}</Value>
        ) : (
          <span className="soft" title={`${said(values.sourceAgreed)} and ${said(values.ledgerAgreed)}`}>
            to differ
          </span>
        )}
      </td>
      <td className={`px-2 py-1.5 ${values.agreed && moved.ledger ? 'text-secondary font-bold' : ''}`}>
        <Value>{said(values.ledger)}</Value>
        <Changed change={values.ledgerChanged} />
      </td>
      <td className="px-2 py-1.5 text-[12.5px]">
        {values.question !== '' ? (
          <span className="text-accent">asked about</span>
        ) : (
          <span className="soft">{values.differs ? 'apart' : 'agreed'}</span>
        )}
      </td>
    </tr>
  );
}

const Value = ({ children }: { children: string }) =>
  children === '' ? <span className="soft">nothing</span> : <span className="break-words">{children}</span>;
