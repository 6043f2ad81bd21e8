import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams } from 'react-router';
import type { Schemas } from '../api/client';
import { documentQuery } from '../api/queries';
import { isSettlement, kindName } from '../api/recordKinds';
import { useCurrent } from '../app/current';
import { Doings } from '../link/Doings';
import { useLook } from '../link/useLook';
import { Failure } from '../ui/Failure';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';
import { factSaid } from '../ui/facts';
import { amount, sum } from '../ui/format';
import { Changes } from './Changes';
import { Diverged } from './Diverged';
import { LeftAlone } from './LeftAlone';
import { SendAgain } from './SendAgain';
import { JournalSlip } from './slips';
import { Settled, SettledBy } from './Settled';
import { TrailList } from './TrailList';
import { Sentence } from './Sentence';

export function BothSidesPage() {
  const id = Number(useParams().id);
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const detail = useQuery(documentQuery(id));
  const [doing, setDoing] = useState(false);
  const look = useLook(route.code);
  const back = () => void navigate(-1);
  useHotkeys('esc', () => (doing ? setDoing(false) : back()));
  useHotkeys('d', () => setDoing(!doing), { enabled: me.mayChange, preventDefault: true });
  useHotkeys('s', () => look.mutate([id]), {
    enabled: me.mayChange && !look.isPending,
    preventDefault: true,
  });
  if (detail.error) {
    return <Failure error={detail.error} />;
  }
  if (!detail.data) {
    return <p className="soft">Opening…</p>;
  }
  const { document, sides } = detail.data;
  const isBanking = document.kind === 'banking';
  return (
    <div className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_330px] gap-3.5 max-[1100px]:grid-cols-[minmax(0,1fr)_250px] max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:overflow-auto min-[1700px]:grid-cols-[minmax(0,1fr)_460px]">
      <section className="sheet min-h-0 overflow-auto rounded-b-none border-b-0">
        <div className="border-base-300 flex items-center gap-3 border-b px-4 py-2">
          <button type="button" className="act" onClick={back}>
            Back <Key>Esc</Key>
          </button>
          <h1 className="title text-[18px]">
            {document.number}{' '}
            <span className="font-sans text-[14px] font-normal">
              {document.party}
              {isSettlement(document.kind) && <span className="soft">, {kindName(document.kind)}</span>}
            </span>
          </h1>
          <span className="ml-auto flex items-center gap-2">
            <Glyph state={document.state} /> <b>{document.state}</b>
            {document.payment && <span className="soft">{document.payment}</span>}
          </span>
          {!detail.data.leftAlone && <SendAgain document={document} since={sides.since} />}
          {me.mayChange && (
            <button type="button" className="act" aria-expanded={doing} onClick={() => setDoing(!doing)}>
              {look.isPending ? 'Looking…' : 'What can be done'} <Key>d</Key>
            </button>
          )}
        </div>
        {doing && <Doings document={document} onClose={() => setDoing(false)} />}
        {document.sentence && (
          <p
            className={`px-4 py-2 text-[13px] ${document.state === 'Blocked' ? 'text-accent' : 'text-error'}`}
          >
            <Sentence parts={detail.data.parts} />
          </p>
        )}
        {detail.data.leftAlone && <LeftAlone document={document} said={detail.data.leftAlone} />}
        {document.state === 'Diverged' && !detail.data.leftAlone ? (
          <Diverged key={sides.since.ledgerVersion} document={document} sides={sides} />
        ) : (
          <Changes changes={sides.changes} source={route.source} ledger={route.ledger} />
        )}
        {isBanking && (
          <p className="px-4 py-2 text-[13px]">
            <Link className="underline" to={bankingOf(route.code, document)}>
              Open the banking
            </Link>
          </p>
        )}
        <Fields sides={sides} source={isBanking ? 'Alcabala' : route.source} ledger={route.ledger} />
        {isSettlement(document.kind) ? (
          <Settled sides={sides} source={route.source} ledger={route.ledger} banking={isBanking} />
        ) : (
          <Lines sides={sides} source={route.source} ledger={route.ledger} />
        )}
        <SettledBy settlements={detail.data.settledBy} />
      </section>
      <aside
        aria-label={me.seesBooks ? 'Journal and trail' : 'Trail'}
        className="sheet flex min-h-0 flex-col gap-4 overflow-auto rounded-b-none border-b-0 p-3.5"
      >
        {!me.seesBooks ? null : sides.journal.length > 0 ? (
          <JournalSlip
            title={
              (sides.posted ? `Journal in ${route.ledger}` : 'Journal it will cause') +
              (document.currency === route.currency ? '' : `, in ${route.currency}`)
            }
            journal={{
              lines: sides.journal,
              debit: sum(sides.journal.map((line) => line.debit || '0.00')),
              credit: sum(sides.journal.map((line) => line.credit || '0.00')),
            }}
          />
        ) : (
          <p className="soft text-[13px]">{noJournal(document)}</p>
        )}
        <section>
          <h2 className="soft mb-1 text-[12.5px] font-semibold">Trail</h2>
          <TrailList id={id} />
        </section>
      </aside>
    </div>
  );
}

/** It lands on the account of its bank. */
const bankingOf = (route: string, document: Schemas['DocumentRow']) =>
  `/clear/banking?route=${route}&account=${encodeURIComponent(document.landsIn)}&day=${document.issueDate}`;

/** Why nothing is booked. */
const noJournal = (document: Schemas['DocumentRow']) =>
  document.state === 'Voided'
    ? 'It was voided: nothing of it is booked.'
    : 'There is no journal while something blocks it.';

type Sides = Schemas['BothSides'];
interface SidesProps {
  sides: Sides;
  source: string;
  ledger: string;
}

const shown = (name: string, value: string) => (value === '' ? '–' : factSaid(name, value));

function Fields({ sides, source, ledger }: SidesProps) {
  return (
    <table className="book" aria-label="Fields on both sides">
      <colgroup>
        <col style={{ width: '13%' }} />
        <col style={{ width: '34%' }} />
        <col style={{ width: '6%' }} />
        <col style={{ width: '47%' }} />
      </colgroup>
      <thead>
        <tr>
          <th />
          <th className="title text-primary !text-[13px]">
            In {source}{' '}
            {sides.sourceDesk && (
              <a
                className="font-sans text-[12px] underline"
                href={sides.sourceDesk}
                target="_blank"
                rel="noreferrer"
              >
                open its desk
              </a>
            )}
          </th>
          <th className="gutter" />
          <th className="title text-secondary !text-[13px]">
            {sides.posted ? `On the books of ${ledger}` : `Would stand in ${ledger}`}{' '}
            {sides.ledgerDesk && (
              <a
                className="font-sans text-[12px] underline"
                href={sides.ledgerDesk}
                target="_blank"
                rel="noreferrer"
              >
                open its desk
              </a>
            )}
          </th>
        </tr>
      </thead>
      <tbody>
        {sides.fields.map((field) => (
          <tr key={field.name} data-differs={field.differs}>
            <td className="soft !whitespace-normal">{field.name}</td>
            <td title={field.source}>{shown(field.name, field.source)}</td>
            <td className="gutter">{field.differs && <b className="text-accent text-[12px]">differs</b>}</td>
            <td title={field.ledger} className={field.differs ? 'text-accent font-semibold' : ''}>
              {shown(field.name, field.ledger)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function Lines({ sides, source, ledger }: SidesProps) {
  const { me } = useCurrent();
  return (
    <table className="book mt-4" aria-label="Lines on both sides">
      <colgroup>
        <col style={{ width: '22%' }} />
        <col style={{ width: '8%' }} />
        <col style={{ width: '7%' }} />
        <col style={{ width: '10%' }} />
        <col style={{ width: '6%' }} />
        <col style={{ width: me.seesBooks ? '22%' : '37%' }} />
        {me.seesBooks && <col style={{ width: '8%' }} />}
        {me.seesBooks && <col style={{ width: '7%' }} />}
        <col style={{ width: '10%' }} />
      </colgroup>
      <thead className="soft">
        <tr>
          <th>Line in {source}</th>
          <th className="amount">Quantity</th>
          <th>Tax</th>
          <th className="amount">Amount</th>
          <th className="gutter" />
          <th>Line in {ledger}</th>
          {me.seesBooks && <th>Account</th>}
          {me.seesBooks && <th>Code</th>}
          <th className="amount">Amount</th>
        </tr>
      </thead>
      <tbody>
        {sides.lines.map((line, index) => (
          <tr key={index} data-differs={line.differs}>
            <td title={`${line.item} ${line.text}`}>{line.text}</td>
            <td className="amount">{line.quantity}</td>
            <td className="soft">{line.tax}</td>
            <td className="amount">{line.amount && amount(line.amount)}</td>
            <td className="gutter">{line.differs && <b className="text-accent text-[12px]">differs</b>}</td>
            <td title={`${line.ledgerItem} ${line.ledgerText}`}>{line.ledgerText}</td>
            {me.seesBooks && <td>{line.ledgerAccount}</td>}
            {me.seesBooks && <td className="soft">{line.ledgerTaxCode}</td>}
            <td className={`amount ${line.differs ? 'text-accent font-semibold' : ''}`}>
              {line.ledgerAmount && amount(line.ledgerAmount)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
