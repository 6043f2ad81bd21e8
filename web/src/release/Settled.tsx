import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { kindName } from '../api/recordKinds';
import { useCurrent } from '../app/current';
import { amount } from '../ui/format';
import { Glyph } from '../ui/Glyph';

interface Props {
  sides: Schemas['BothSides'];
  source: string;
  ledger: string;
  /** Whether it was taken to the bank, and settles nothing. */
  banking: boolean;
}

/** What a settlement settles, on both sides. */
export function Settled({ sides, source, ledger, banking }: Props) {
  return (
    <table className="book mt-4" aria-label="What it settles on both sides">
      <colgroup>
        <col style={{ width: '22%' }} />
        <col style={{ width: '18%' }} />
        <col style={{ width: '10%' }} />
        <col style={{ width: '6%' }} />
        <col style={{ width: '18%' }} />
        <col style={{ width: '16%' }} />
        <col style={{ width: '10%' }} />
      </colgroup>
      <thead className="soft">
        <tr>
          <th>{banking ? 'Received' : `Settles in ${source}`}</th>
          <th>{!banking && 'Without money'}</th>
          <th className="amount">Money</th>
          <th className="gutter" />
          <th>{banking ? `Booked in ${ledger}` : `Settles in ${ledger}`}</th>
          <th>{banking ? 'Dimension' : 'Without money'}</th>
          <th className="amount">Money</th>
        </tr>
      </thead>
      <tbody>
        {sides.lines.map((line, index) => (
          <tr key={index}>
            <td>{line.text}</td>
            <td className="soft" title={line.item}>
              {line.item}
            </td>
            <td className="amount">{line.amount && amount(line.amount)}</td>
            <td className="gutter" />
            <td>{line.ledgerText}</td>
            <td className="soft" title={line.ledgerItem}>
              {line.ledgerItem}
            </td>
            <td className="amount">{line.ledgerAmount && amount(line.ledgerAmount)}</td>
          </tr>
        ))}
        {sides.lines.length === 0 && (
          <tr>
            <td colSpan={7} className="soft">
              It settles no document: it is on account.
            </td>
          </tr>
        )}
      </tbody>
    </table>
  );
}

/** The money that settles a document, each with where it stands. */
export function SettledBy({ settlements }: { settlements: Schemas['SettledBy'][] }) {
  const { route } = useCurrent();
  if (settlements.length === 0) {
    return null;
  }
  return (
    <table className="book mt-4" aria-label="What settles it">
      <thead className="soft">
        <tr>
          <th>
            {settlements.every((each) => each.kind === 'banking') ? 'Taken to the bank with' : 'Settled by'}
          </th>
          <th>Kind</th>
          <th>State</th>
          <th className="amount">Of it</th>
        </tr>
      </thead>
      <tbody>
        {settlements.map((each) => (
          <tr key={each.id}>
            <td>
              <Link className="underline" to={`/documents/${each.id}?route=${route.code}`}>
                {each.number}
              </Link>
            </td>
            <td>{kindName(each.kind)}</td>
            <td>
              <Glyph state={each.state} /> {each.state}
            </td>
            <td className="amount">{amount(each.amount)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
