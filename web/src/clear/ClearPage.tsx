import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { useLast } from '../batch/useLast';
import { Prints } from '../send/Prints';
import { Book } from '../ui/book/Book';
import { Failure } from '../ui/Failure';
import { amount, moneys, plural, sum } from '../ui/format';
import { Key } from '../ui/Key';
import { bankingColumns, pathOf } from './bankingColumns';
import { bankingsQuery, type Banking } from './queries';

const keyOf = (row: Banking) => String(row.id);

/** What waits to be taken to the bank, and what was. */
export function ClearPage() {
  const { me, route } = useCurrent();
  const view = useView();
  const navigate = useNavigate();
  const year = Number(view.get('year')) || 0;
  const bankings = useQuery(bankingsQuery(route.code, year));
  const shown = useLast(bankings.data, `${route.code} ${year}`);
  const rows = shown?.bankings ?? [];
  const [at, setAt] = useState<string>();
  const columns = useMemo(() => bankingColumns(route.code, route.currency), [route.code, route.currency]);
  const open = () => void navigate(`/clear/banking?route=${route.code}`);
  useHotkeys('b', open);
  if (!shown) {
    return bankings.error ? <Failure error={bankings.error} /> : <p className="soft">Gathering…</p>;
  }
  const standing = rows.filter((row) => row.withdrawn === '');
  return (
    <section aria-label="Clear" className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
      <div className="border-base-300 flex flex-wrap items-center gap-4 border-b px-4 py-3">
        <h1 className="title text-[18px]">
          {shown.toBank.count === 0
            ? 'Nothing waits to be taken to the bank'
            : `${plural(shown.toBank.count, 'receipt')}, ${moneys([shown.toBank])}, ${shown.toBank.count === 1 ? 'waits' : 'wait'} to be taken to the bank`}
        </h1>
        <button type="button" className="act act-main" onClick={open}>
          {me.mayChange && shown.toBank.count > 0 ? 'Bank what was received' : 'Open today’s banking'}{' '}
          <Key>b</Key>
        </button>
      </div>
      <div className="flex items-end gap-3 px-2 pt-3 pb-1">
        <h2 className="title text-[16px]">Taken to the bank in</h2>
        <select
          className="field w-auto text-[13px]"
          aria-label="Year"
          value={shown.year}
          onChange={(event) => view.set({ year: event.target.value })}
        >
          {shown.years.map((each) => (
            <option key={each} value={each}>
              {each}
            </option>
          ))}
        </select>
        {rows.length > 0 && (
          <Prints
            path={`/api/bankings/report?route=${route.code}&year=${shown.year}`}
            what={`the bankings of ${shown.year}`}
          />
        )}
      </div>
      {bankings.error && <Failure error={bankings.error} />}
      <Book
        name="bankings"
        label="Bankings"
        columns={columns}
        rows={rows}
        keyOf={keyOf}
        dataOf={(row) => ({ banking: row.number })}
        at={at ?? (rows[0] && keyOf(rows[0]))}
        onAt={setAt}
        onOpen={(row) => void navigate(pathOf(route.code, row))}
        {...(standing.length > 0
          ? {
              totals: {
                count: plural(standing.length, 'banking'),
                sums: { amount: amount(sum(standing.map((row) => row.amount))) },
              },
            }
          : {})}
        empty={<p className="px-4 py-2">Nothing was taken to the bank in {shown.year}.</p>}
      />
    </section>
  );
}
