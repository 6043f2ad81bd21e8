import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { batchesQuery, waitingQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { MailOf } from '../mail/MailOf';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { Failure } from '../ui/Failure';
import { amount, moment } from '../ui/format';
import { Beyond } from './Beyond';
import { Failures } from './Failures';
import { numberOf, standing, type Batch } from './outcomes';
import { SentInPeriod, type Period } from './SentInPeriod';
import { Waits } from './Waits';

const keyOf = (batch: Batch) => String(batch.id);

export function SendPage() {
  const { route } = useCurrent();
  const navigate = useNavigate();
  const waiting = useQuery(waitingQuery);
  const waits = waiting.data ?? [];
  const batches = useQuery(batchesQuery(route.code));
  const rows = useMemo(() => batches.data ?? [], [batches.data]);
  const [at, setAt] = useState<string>();
  const [mailed, setMailed] = useState<Period>();
  const columns = useMemo(() => batchColumns(route), [route]);
  return (
    <section aria-label="Send" className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
      {waiting.error && <Failure error={waiting.error} />}
      <Waits waiting={waits} />
      {waits.map((each) => (
        <Beyond key={each.route} of={each} />
      ))}
      <Failures waiting={waits} />
      <div className="flex items-end gap-3 px-2 pt-4 pb-1">
        <h2 className="title text-[16px]">Batches of this route</h2>
        <Link className="soft pb-[2px] text-[13px] underline" to={`/send/load?route=${route.code}`}>
          Everything since a day…
        </Link>
        <Link className="soft pb-[2px] text-[13px] underline" to={`/send/log?route=${route.code}`}>
          All that crossed…
        </Link>
        {rows.length > 0 && <SentInPeriod onMail={setMailed} />}
      </div>
      {mailed && (
        <MailOf
          subject={{ about: 'register', route: route.code, ...mailed }}
          onClose={() => setMailed(undefined)}
        />
      )}
      {batches.error && <Failure error={batches.error} />}
      <Book
        name="batches"
        label="Batches"
        columns={columns}
        rows={rows}
        keyOf={keyOf}
        at={at ?? (rows[0] && keyOf(rows[0]))}
        onAt={setAt}
        onOpen={(batch) => void navigate(`/send/${batch.id}?route=${route.code}`)}
        empty={
          batches.isSuccess && (
            <p className="px-4 py-2">
              No batch has been sent yet. On{' '}
              <Link className="underline" to={`/release?route=${route.code}&state=Ready`}>
                Release
              </Link>{' '}
              choose what is ready and make one.
            </p>
          )
        }
      />
    </section>
  );
}

function beside(batch: Batch, source: string): string {
  if (batch.undoes !== undefined) {
    return `, takes back ${batch.undoes}`;
  }
  if (batch.undoneBy !== undefined) {
    return `, taken back by ${batch.undoneBy}`;
  }
  return batch.origin === 'ledger' ? `, back to ${source}` : '';
}

const differs = (batch: Batch) => batch.independentTotal !== '' && batch.independentTotal !== batch.gross;

const batchColumns = (route: { code: string; source: string }): Column<Batch>[] => [
  {
    id: 'batch',
    name: 'Batch',
    width: 80,
    value: numberOf,
    rank: (batch) => batch.id,
    cell: (batch) => (
      <Link className="underline" to={`/send/${batch.id}?route=${route.code}`}>
        {numberOf(batch)}
      </Link>
    ),
  },
  {
    id: 'made',
    name: 'Made',
    width: 150,
    tone: () => 'soft',
    value: (batch) => batch.createdAt,
    title: (batch) => batch.createdAt,
    cell: (batch) => moment(batch.createdAt),
  },
  { id: 'by', name: 'By', width: 110, value: (batch) => batch.createdBy, cell: (batch) => batch.createdBy },
  {
    id: 'count',
    name: 'Records',
    width: 84,
    amount: true,
    value: (batch) => batch.count,
    cell: (batch) => batch.count,
  },
  figure('net', 'Net', (batch) => batch.net),
  figure('tax', 'Tax', (batch) => batch.tax),
  figure('gross', 'Gross', (batch) => batch.gross),
  {
    id: 'currency',
    name: 'In',
    width: 50,
    value: (batch) => batch.currency,
    cell: (batch) => batch.currency,
  },
  {
    ...figure('own', 'Own list', (batch) => batch.independentTotal),
    title: (batch) => batch.reason,
    tone: (batch) => (differs(batch) ? 'text-accent' : undefined),
  },
  {
    id: 'outcome',
    name: 'Outcome',
    value: standing,
    tone: (batch) => (batch.refused + batch.unreached > 0 ? 'text-error' : undefined),
    cell: (batch) => `${standing(batch)}${beside(batch, route.source)}`,
  },
];

function figure(id: string, name: string, of: (batch: Batch) => string): Column<Batch> {
  return {
    id,
    name,
    width: 104,
    amount: true,
    value: of,
    rank: (batch) => Number(of(batch)),
    cell: (batch) => of(batch) && amount(of(batch)),
  };
}
