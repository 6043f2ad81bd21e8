import type { Schemas } from '../api/client';
import { amount, day, plural } from '../ui/format';

type Journal = Schemas['JournalDraft'];

/** Correcting journals, each with the day that it would be entered on. */
export const Drafts = ({ journals }: { journals: Journal[] }) => (
  <div className="flex flex-col gap-2">
    {journals.map((journal) => (
      <table
        key={journal.day}
        aria-label={`Journal of ${day(journal.day)}`}
        className="slip border-secondary w-full border border-dashed"
      >
        <thead>
          <tr className="bg-base-200 text-left text-[12.5px]">
            <th colSpan={3} className="px-2 py-[3px] font-normal">
              <b>{day(journal.day)}</b> {plural(journal.records, 'document')}
              {journal.late > 0 && `, ${journal.late} of them from a locked month`}
            </th>
          </tr>
        </thead>
        <tbody>
          {journal.lines.map((line) => (
            <tr key={`${line.account} ${JSON.stringify(line.dimensions)}`}>
              <td className={line.debit === '' ? 'pl-5' : 'pl-2'}>
                {line.account} {line.name}{' '}
                <span className="soft text-[12px]">{Object.values(line.dimensions).join(', ')}</span>
              </td>
              <td className="amount w-[105px]">{line.debit && amount(line.debit)}</td>
              <td className="amount w-[105px] pr-2">{line.credit && amount(line.credit)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    ))}
  </div>
);
