import type { Schemas } from '../api/client';
import { Changed } from '../ui/Changed';
import { Key } from '../ui/Key';
import { fieldName, NOTHING, TONES, valueSaid } from './changes';
import { undecided, type Decided } from './decided';

interface Props {
  changes: Schemas['FieldChange'][];
  source: string;
  ledger: string;
  /** Who last changed it on either side, as far as they tell. */
  who?: Schemas['WhoChangedJson'];
  /** What is decided of the fields that both changed; with onDecide. */
  decided?: Decided;
  onDecide?: (field: string, whose: 'SOURCE' | 'LEDGER') => void;
}

/** What either side changed since both last agreed, field by field, and what becomes of it. */
export function Changes({ changes, source, ledger, who, decided = {}, onDecide }: Props) {
  const next = undecided(changes, decided)[0];
  if (changes.length === 0) {
    return null;
  }
  return (
    <table className="book mb-3" aria-label="Changed since both agreed">
      <colgroup>
        <col style={{ width: '10%' }} />
        <col style={{ width: '27%' }} />
        <col style={{ width: '27%' }} />
        <col style={{ width: '36%' }} />
      </colgroup>
      <thead className="soft">
        <tr>
          <th>Changed</th>
          <th>
            In {source} <Changed change={who?.source} />
          </th>
          <th>
            In {ledger} <Changed change={who?.ledger} />
          </th>
          <th>What becomes of it</th>
        </tr>
      </thead>
      <tbody>
        {changes.map((change) => (
          <tr key={change.field} data-becomes={change.becomes} data-row={change.row}>
            <td className="soft">{fieldName(change.field)}</td>
            <td className="!py-1 break-words !whitespace-normal">
              <Change
                before={valueSaid(change.field, change.sourceBefore)}
                now={valueSaid(change.field, change.source)}
              />
            </td>
            <td className="!py-1 break-words !whitespace-normal">
              <Change
                before={valueSaid(change.field, change.ledgerBefore)}
                now={valueSaid(change.field, change.ledger)}
              />
            </td>
            <td className={`!py-1 !whitespace-normal ${TONES[change.becomes]}`}>
              {onDecide && change.becomes === 'CONFLICT' ? (
                <Whose
                  names={{ SOURCE: source, LEDGER: ledger }}
                  whose={decided[change.field]}
                  isNext={change.field === next}
                  onChoose={(whose) => onDecide(change.field, whose)}
                />
              ) : (
                change.sentence
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

interface WhoseProps {
  names: Record<'SOURCE' | 'LEDGER', string>;
  whose: 'SOURCE' | 'LEDGER' | undefined;
  /** Whether the keys are about this one. */
  isNext: boolean;
  onChoose: (whose: 'SOURCE' | 'LEDGER') => void;
}

/** Whose stands of a field that both changed. */
function Whose({ names, whose, isNext, onChoose }: WhoseProps) {
  return (
    <span className="flex flex-wrap items-center gap-2 font-normal" role="group" aria-label="Whose stands">
      {(['SOURCE', 'LEDGER'] as const).map((each) => (
        <button
          key={each}
          type="button"
          className={`act ${whose === each ? 'act-main' : ''}`}
          aria-pressed={whose === each}
          onClick={() => onChoose(each)}
        >
          {names[each]}’s {isNext && <Key>{each === 'SOURCE' ? '1' : '2'}</Key>}
        </button>
      ))}
    </span>
  );
}

/** What a side had when both agreed, struck out where it has something else now. */
function Change({ before, now }: { before: string; now: string }) {
  if (before === now) {
    return <span title={now}>{now}</span>;
  }
  return (
    <span title={`${before} became ${now}`}>
      {before !== NOTHING && <del className="soft">{before}</del>} <b>{now}</b>
    </span>
  );
}
