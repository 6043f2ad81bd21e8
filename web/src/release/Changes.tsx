import type { Schemas } from '../api/client';
import { fieldName, TONES, valueSaid } from './changes';

interface Props {
  changes: Schemas['FieldChange'][];
  source: string;
  ledger: string;
}

/** What either side changed since both last agreed, field by field, and what becomes of it. */
export function Changes({ changes, source, ledger }: Props) {
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
          <th>In {source}</th>
          <th>In {ledger}</th>
          <th>What becomes of it</th>
        </tr>
      </thead>
      <tbody>
        {changes.map((change) => (
          <tr key={change.field} data-becomes={change.becomes} data-row={change.row}>
            <td className="soft">{fieldName(change.field)}</td>
            <td>
              <Change
                before={valueSaid(change.field, change.sourceBefore)}
                now={valueSaid(change.field, change.source)}
              />
            </td>
            <td>
              <Change
                before={valueSaid(change.field, change.ledgerBefore)}
                now={valueSaid(change.field, change.ledger)}
              />
            </td>
            <td className={`!whitespace-normal ${TONES[change.becomes]}`}>{change.sentence}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** What a side had when both agreed, struck out where it has something else now. */
function Change({ before, now }: { before: string; now: string }) {
  if (before === now) {
    return <span title={now}>{now}</span>;
  }
  return (
    <span title={`${before} became ${now}`}>
      <del className="soft">{before}</del> <b>{now}</b>
    </span>
  );
}
