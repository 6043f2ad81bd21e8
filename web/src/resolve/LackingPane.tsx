import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { moment } from '../ui/format';
import { LackingAnswers } from './LackingAnswers';
import { wordsOf, type LackingCause, type LackingHeld } from './lacking';
import { fieldName, linksOf, valueOf } from './masters';
import { PaneHead } from './PaneHead';

interface Props {
  cause: LackingCause;
  place: number;
  onPlace: (place: number) => void;
}

/** A party or an item that only the ledger has: beside the one that it resembles, or with why the source did not take it. */
export function LackingPane({ cause, place, onPlace }: Props) {
  const { me, route } = useCurrent();
  const held = cause.masters[place];
  if (!held) {
    return null;
  }
  const words = wordsOf(cause, route);
  return (
    <section
      aria-label="What is held"
      className="sheet flex min-h-0 flex-col overflow-auto rounded-b-none border-b-0"
    >
      <PaneHead
        name={held.name}
        says={`${held.counterpart} in ${route.ledger}`}
        glyph={words.glyph}
        state={words.state}
        place={place}
        count={cause.count}
        listed={cause.masters.length}
        onPlace={onPlace}
      />
      <p className="px-4 pt-2.5 pb-1">{words.says}</p>
      {held.reason !== '' && (
        <p className="px-4 pb-1">
          {route.source} said: “{held.reason}”
        </p>
      )}
      {held.standsFor !== '' && (
        <p className="px-4 pb-1">
          {held.resembles} stands for {held.standsFor} already, so that {route.ledger} may have one twice.
        </p>
      )}
      <Values held={held} />
      {me.mayChange && <LackingAnswers key={`${held.counterpart} ${held.seen}`} cause={cause} held={held} />}
      <p className="soft px-4 py-2.5 text-[13px]">
        Found {moment(held.since)}.{' '}
        <Link className="underline" to={`/map?kind=${linksOf(cause.kind)}&route=${route.code}`}>
          Link {held.name} to another one on Map
        </Link>
        {' · '}
        <Link className="underline" to={`/connect?view=crossing&kind=${cause.kind}&route=${route.code}`}>
          What becomes of those that {route.source} lacks
        </Link>
      </p>
    </section>
  );
}

function Values({ held }: { held: LackingHeld }) {
  const { route } = useCurrent();
  const known = held.resembles !== '';
  return (
    <table className="mt-1 w-full table-fixed border-collapse text-[13.5px]" aria-label="Both sides">
      <colgroup>
        <col style={{ width: '14%' }} />
        {known && <col style={{ width: '43%' }} />}
        <col />
      </colgroup>
      <thead>
        <tr className="border-base-content/40 border-b text-left">
          <th className="soft px-4 py-1.5 text-[12.5px] font-normal">Field</th>
          {known && (
            <th className="title text-primary px-2 text-[15px]">
              {held.resembles} in {route.source}
            </th>
          )}
          <th className="title text-secondary px-2 text-[15px]">
            {held.counterpart} in {route.ledger}
          </th>
        </tr>
      </thead>
      <tbody>
        {held.fields
          .filter((each) => each.source !== '' || each.ledger !== '')
          .map(({ field, source, ledger }) => (
            <tr key={field} data-field={field} className="border-base-300 h-[33px] border-b align-top">
              <td className="soft px-4 py-1.5">{fieldName(field)}</td>
              {known && (
                <td className="px-2 py-1.5">
                  <Value>{valueOf(field, source)}</Value>
                </td>
              )}
              <td className="px-2 py-1.5">
                <Value>{valueOf(field, ledger)}</Value>
              </td>
            </tr>
          ))}
      </tbody>
    </table>
  );
}

const Value = ({ children }: { children: string }) =>
  children === '' ? <span className="soft">nothing</span> : <span className="break-words">{children}</span>;
