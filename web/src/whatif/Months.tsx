import { Link } from 'react-router';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { Figure } from '../help/Figure';
import { amount, day, monthOf, plural, sum } from '../ui/format';

type Month = Schemas['MonthMoved'];

interface Props {
  months: Month[];
  head: string;
  posted?: boolean;
}

const LISTED = 100;

/** What moves, month by month, each with its documents. */
export function Months({ months, head, posted = false }: Props) {
  const { route } = useCurrent();
  const [open, setOpen] = useState<string | null>(null);
  const most = Math.max(...months.map((each) => Number(each.moved)), 0.01);
  const documents = months.reduce((all, each) => all + each.documents, 0);
  return (
    <table className="slip w-full">
      <thead>
        <tr className="soft text-left text-[12px]">
          <th className="font-semibold">{head}</th>
          <th className="amount font-semibold">Documents</th>
          {posted && <th className="pl-3 font-semibold">Corrected on</th>}
          {!posted && (
            <th className="pl-3">
              <span className="sr-only">As a bar</span>
            </th>
          )}
          <th className="amount font-semibold">
            <Figure rule="moves" name="Moves">
              Moves, {route.currency}
            </Figure>
          </th>
        </tr>
      </thead>
      <tbody>
        {months.map((each) => (
          <MonthRows
            key={each.month}
            month={each}
            posted={posted}
            share={Number(each.moved) / most}
            open={open === each.month}
            onOpen={() => setOpen(open === each.month ? null : each.month)}
          />
        ))}
        <tr className="total">
          <td>All</td>
          <td className="amount">{documents}</td>
          <td />
          <td className="amount">{amount(sum(months.map((each) => each.moved)))}</td>
        </tr>
      </tbody>
    </table>
  );
}

interface RowProps {
  month: Month;
  posted: boolean;
  share: number;
  open: boolean;
  onOpen: () => void;
}

function MonthRows({ month, posted, share, open, onOpen }: RowProps) {
  const { route } = useCurrent();
  return (
    <>
      <tr>
        <td>
          <button type="button" className="cursor-pointer underline" aria-expanded={open} onClick={onOpen}>
            {monthOf(month.month)}
          </button>
          {month.locked && <span className="text-accent ml-2 text-[12px]">locked</span>}
        </td>
        <td className="amount">{month.documents}</td>
        {posted && (
          <td className="pl-3">
            {day(month.correctOn)}
            {month.locked && <span className="soft text-[12px]"> first open month</span>}
          </td>
        )}
        {!posted && (
          <td className="w-[34%] pl-3">
            <span className="bg-secondary block h-[10px]" style={{ width: `${share * 100}%` }} />
          </td>
        )}
        <td className="amount">{amount(month.moved)}</td>
      </tr>
      {open &&
        month.records.map((each) => (
          <tr key={each.id} className="text-[12.5px]">
            <td colSpan={3} className="pl-4">
              <Link className="underline" to={`/documents/${each.id}?route=${route.code}`}>
                {each.number}
              </Link>{' '}
              {each.party}
            </td>
            <td className="amount">{amount(each.moved)}</td>
          </tr>
        ))}
      {open && month.documents > LISTED && (
        <tr className="soft text-[12.5px]">
          <td colSpan={4} className="pl-4">
            and {plural(month.documents - LISTED, 'more document')}
          </td>
        </tr>
      )}
    </>
  );
}
