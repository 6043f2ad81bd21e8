import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { whyQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { RowEditor } from '../map/RowEditor';
import type { RowKind } from '../map/useChangeRow';
import { useTouched } from '../news/touched';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { amount, moment } from '../ui/format';
import type { Row } from './useRows';
import { Sentence } from './Sentence';
import { JournalSlip, TaxSlip } from './slips';
import { StrangerChoice } from './StrangerChoice';
import { question, WalkView, type WhyLine } from './WalkView';

export function WhyPanel({ row, onClose }: { row: Row | undefined; onClose: () => void }) {
  return (
    <aside aria-label="Why" className="sheet min-h-0 overflow-auto rounded-b-none border-b-0 p-3.5">
      {row ? (
        <Why key={row.id} row={row} onClose={onClose} />
      ) : (
        <p className="soft">Choose a document, and this page says why it stands as it does.</p>
      )}
    </aside>
  );
}

interface Editing {
  kind: RowKind;
  code: string;
}

function Why({ row, onClose }: { row: Row; onClose: () => void }) {
  const { me, route } = useCurrent();
  const why = useQuery(whyQuery(row.id));
  const touched = useTouched('RECORDS')(row.id);
  const [lineId, setLineId] = useState<string | null>(null);
  const [editing, setEditing] = useState<Editing | null>(null);
  const lines = why.data?.lines ?? [];
  const line =
    lines.find((each) => each.id === lineId) ?? lines.find((each) => each.account === '') ?? lines[0];
  const mayEdit = me.mayChange && line !== undefined && row.state !== 'Posted' && row.state !== 'Diverged';
  const bought = BOUGHT.has(row.kind);
  const changeRow = () => line && setEditing(rowOf(line, bought));
  const onlyThis = () => line && setEditing({ kind: 'LINE', code: overrideOf(line) });
  const keys = { enabled: mayEdit, preventDefault: true };
  useHotkeys('e', changeRow, keys);
  useHotkeys('o', onlyThis, keys);
  if (why.error) {
    return <Failure error={why.error} />;
  }
  if (!why.data) {
    return <p className="soft">Reading…</p>;
  }
  return (
    <div className="flex flex-col gap-3">
      <div>
        <div className="flex items-start gap-2">
          <h2 className="title flex-1 text-[16px] leading-tight">{question(row, line)}</h2>
          <button type="button" className="soft cursor-pointer text-[12px] underline" onClick={onClose}>
            Close
          </button>
        </div>
        <p className="soft text-[13px]">
          <Link className="underline" to={`/documents/${row.id}?route=${route.code}`}>
            {row.number}
          </Link>
          , {row.party}, {row.state}
          {touched && <b className="text-secondary">, {touched}</b>}
        </p>
        {why.data.postedUnder && (
          <p className="soft text-[12.5px]">
            Explained by the crosswalk as it was on {moment(why.data.postedUnder)}, when this was posted.
          </p>
        )}
      </div>
      {why.data.findings.map((finding) => (
        <p
          key={finding.sentence}
          className={`border-l-[3px] pl-2 text-[13px] ${
            finding.severity === 'blocks' ? 'border-accent text-accent' : 'border-base-content/40'
          }`}
        >
          <Sentence parts={finding.parts} />{' '}
          {finding.fix && me.mayChange && (
            <button
              type="button"
              className="text-base-content cursor-pointer underline"
              onClick={() => finding.fix && setEditing(finding.fix)}
            >
              Put it right
            </button>
          )}
        </p>
      ))}
      {me.mayChange && why.data.strangers.length > 0 && row.state !== 'Posted' && (
        <StrangerChoice strangers={why.data.strangers} />
      )}
      {line && (
        <>
          {lines.length > 1 && (
            <label className="flex items-center gap-2 text-[13px]">
              Line
              <select
                className="field min-w-0 flex-1"
                value={line.id}
                onChange={(event) => setLineId(event.target.value)}
              >
                {lines.map((each) => (
                  <option key={each.id} value={each.id}>
                    {each.id} {each.description} {amount(each.amount)}
                  </option>
                ))}
              </select>
            </label>
          )}
          <WalkView line={line} />
        </>
      )}
      {mayEdit && !editing && (
        <div className="flex flex-wrap gap-1.5">
          <button type="button" className="act" onClick={changeRow}>
            Change this row <Key>e</Key>
          </button>
          <button type="button" className="act" onClick={onlyThis}>
            Only this line <Key>o</Key>
          </button>
        </div>
      )}
      {editing && (
        <RowEditor
          {...editing}
          key={editing.code}
          bought={bought}
          onDone={() => setEditing(null)}
          action="Set it"
        />
      )}
      {why.data.journal && (
        <JournalSlip
          title={why.data.postedUnder ? 'Journal it was sent with' : 'Journal it will cause'}
          journal={why.data.journal}
          rate={why.data.journal.rate === '' ? undefined : why.data.journal}
        />
      )}
      {why.data.tax && <TaxSlip tax={why.data.tax} />}
    </div>
  );
}

const BOUGHT = new Set(['bill', 'supplier-credit']);

/** The name of a line, which the first step of its walk asked for. */
const overrideOf = (line: WhyLine) =>
  line.walk.find((step) => step.step === 'line-override')?.subject ?? line.id;

/** The row that decided, or the most general one of the line that could. */
function rowOf(line: WhyLine, bought: boolean): Editing {
  const hit = line.walk.find((step) => step.verdict === 'answered');
  const kinds: Record<string, RowKind> = {
    'line-override': 'LINE',
    item: 'ITEM',
    category: 'CATEGORY',
    project: 'PROJECT',
    party: bought ? 'SUPPLIER' : 'PARTY',
    'line-kind': 'LINE_KIND',
    role: 'ROLE',
  };
  if (hit) {
    return { kind: kinds[hit.step] ?? 'ITEM', code: hit.subject };
  }
  const party = line.walk.find((step) => step.step === 'party');
  if (bought && party) {
    return { kind: 'SUPPLIER', code: party.subject };
  }
  return line.category ? { kind: 'CATEGORY', code: line.category } : { kind: 'ITEM', code: line.item };
}
