import { useState } from 'react';
import { useCurrent } from '../app/current';
import { DayField } from '../ui/DayField';
import { Prints } from './Prints';

export interface Period {
  from: string;
  to: string;
}

const iso = (date: Date) =>
  `${date.getFullYear()}-${String(date.getMonth() + 1).padStart(2, '0')}-${String(date.getDate()).padStart(2, '0')}`;

/** The register of what came to stand on the ledger from one day to another. */
export function SentInPeriod({ onMail }: { onMail: (period: Period) => void }) {
  const { route } = useCurrent();
  const [now] = useState(() => new Date());
  const [from, setFrom] = useState<string | undefined>(iso(new Date(now.getFullYear(), now.getMonth(), 1)));
  const [to, setTo] = useState<string | undefined>(iso(now));
  return (
    <div className="ml-auto flex items-end gap-3 font-sans font-normal">
      <DayField label="Sent from" day={from} onDay={setFrom} />
      <DayField label="to" day={to} onDay={setTo} />
      {from !== undefined && to !== undefined && from <= to ? (
        <>
          <button type="button" className="act" onClick={() => onMail({ from, to })}>
            E-mail…
          </button>
          <Prints
            path={`/api/register?route=${encodeURIComponent(route.code)}&from=${from}&to=${to}`}
            what="what was sent"
          />
        </>
      ) : (
        <span className="soft pb-1 text-[13px]">The last day is not before the first.</span>
      )}
    </div>
  );
}
