import { isGivenBack, isSettlement, kindName, shortKind } from '../api/recordKinds';
import { useCurrent } from '../app/current';
import { Glyph } from '../ui/Glyph';
import { amount, day, money } from '../ui/format';
import { became } from './became';
import type { Optional } from './columns';
import type { Row } from './useRows';

interface Props {
  row: Row;
  columns: Set<Optional>;
  selected: boolean;
  chosen: boolean;
  onSelect: () => void;
  onToggle: () => void;
  onOpen: () => void;
}

const TROUBLE = new Set(['Blocked', 'Refused', 'Unconfirmed', 'Diverged']);

export function DocumentLine({ row, columns, selected, chosen, onSelect, onToggle, onOpen }: Props) {
  const { me, route } = useCurrent();
  const credit = isGivenBack(row.kind);
  const signed = credit ? `-${row.gross}` : row.gross;
  const foreign = row.currency !== route.currency;
  const settles = isSettlement(row.kind);
  const trouble = TROUBLE.has(row.state) && row.sentence !== '';
  return (
    <tr
      data-document={row.id}
      data-state={row.state}
      className={`cursor-pointer ${selected ? 'row-chosen' : ''}`}
      onClick={onSelect}
      onDoubleClick={onOpen}
    >
      <td className="!pr-0">
        <input type="checkbox" aria-label={`Choose ${row.number}`} checked={chosen} onChange={onToggle} />
      </td>
      <td>
        <button
          type="button"
          className="cursor-pointer"
          aria-current={selected}
          onFocus={onSelect}
          onClick={onSelect}
          onKeyDown={(event) => event.key === 'Enter' && onOpen()}
        >
          {row.number}
        </button>
      </td>
      <td title={settles ? `${row.party}, ${kindName(row.kind)}` : row.party}>
        {settles && <span className="soft">{shortKind(row.kind)} </span>}
        {row.party}
      </td>
      <td className="soft" title={row.issueDate}>
        {day(row.issueDate)}
      </td>
      {columns.has('Due') && (
        <td className="soft" title={row.dueDate}>
          {day(row.dueDate)}
        </td>
      )}
      {columns.has('Net') && <td className="amount">{amount(row.net)}</td>}
      {columns.has('Tax') && <td className="amount">{amount(row.tax)}</td>}
      <td className="amount">
        {/* Only what is not in the books' own currency says in which it is. */}
        {foreign ? money(signed, row.currency) : amount(signed)}
      </td>
      <td className="gutter">
        <Glyph state={row.state} />
      </td>
      {columns.has('Number there') && <td>{row.ledgerNumber}</td>}
      {me.seesBooks ? (
        <>
          <td title={trouble ? row.sentence : row.landsIn} className={tone(row)}>
            {row.state === 'Refused'
              ? row.sentence
              : row.landsIn || <Nowhere row={row} source={route.source} />}
          </td>
          <td className={row.taxCodes ? 'soft' : 'text-accent'}>{row.taxCodes || (settles ? '' : 'none')}</td>
        </>
      ) : (
        <td title={became(row, route.source)} className={trouble ? 'text-accent' : ''}>
          {became(row, route.source)}
        </td>
      )}
      {columns.has('Payment') && (
        <td className={row.payment === 'overdue' ? 'text-accent' : 'soft'}>{row.payment}</td>
      )}
      <td className="amount">{right(row, credit)}</td>
    </tr>
  );
}

/** What was entered on the ledger goes back; what is to cross has no account yet. */
const Nowhere = ({ row, source }: { row: Row; source: string }) =>
  row.origin === 'ledger' ? (
    <span className="soft" title={`It was entered on the ledger, and goes to ${source}`}>
      entered there
    </span>
  ) : (
    <span className="text-accent">nowhere yet</span>
  );

const tone = (row: Row) => (row.state === 'Refused' ? 'text-error' : '');

function right(row: Row, credit: boolean): string {
  const there =
    row.ledgerGross !== ''
      ? row.ledgerGross
      : row.state === 'Ready' || row.state === 'Queued'
        ? row.gross
        : '';
  return there === '' ? '–' : credit ? `-${amount(there)}` : amount(there);
}
