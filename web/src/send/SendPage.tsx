import { useQuery } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { batchesQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, moment } from '../ui/format';
import { standing, type Batch } from './outcomes';
import { Waits } from './Waits';

export function SendPage() {
  const { route } = useCurrent();
  const navigate = useNavigate();
  const batches = useQuery(batchesQuery(route.code));
  const [at, setAt] = useState(0);
  const rows = batches.data ?? [];
  useHotkeys('j,down', () => setAt((now) => Math.min(now + 1, rows.length - 1)), { preventDefault: true });
  useHotkeys('k,up', () => setAt((now) => Math.max(now - 1, 0)), { preventDefault: true });
  useHotkeys('enter', () => rows[at] && void navigate(`/send/${rows[at].id}?route=${route.code}`), {
    ignoreEventWhen: (event) => event.target instanceof HTMLElement && event.target !== document.body,
  });
  return (
    <section aria-label="Send" className="sheet min-h-0 flex-1 overflow-auto rounded-b-none border-b-0">
      <Waits />
      <h2 className="title px-2 pt-5 pb-1 text-[16px]">Batches of this route</h2>
      {batches.error && <Failure error={batches.error} />}
      {batches.isSuccess && rows.length === 0 ? (
        <p className="px-4 py-2">
          No batch has been sent yet. On{' '}
          <Link className="underline" to={`/release?route=${route.code}&state=Ready`}>
            Release
          </Link>{' '}
          choose what is ready and make one.
        </p>
      ) : (
        <table className="book" aria-label="Batches">
          <colgroup>
            <col style={{ width: 80 }} />
            <col style={{ width: 150 }} />
            <col style={{ width: 110 }} />
            <col style={{ width: 90 }} />
            <col style={{ width: 110 }} />
            <col style={{ width: 110 }} />
            <col style={{ width: 110 }} />
            <col style={{ width: 110 }} />
            <col />
          </colgroup>
          <thead className="soft">
            <tr>
              <th>Batch</th>
              <th>Made</th>
              <th>By</th>
              <th className="amount">Documents</th>
              <th className="amount">Net</th>
              <th className="amount">Tax</th>
              <th className="amount">Gross, {route.currency}</th>
              <th className="amount">Own list</th>
              <th>Outcome</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((batch, index) => (
              <Line key={batch.id} batch={batch} selected={index === at} onSelect={() => setAt(index)} />
            ))}
          </tbody>
        </table>
      )}
    </section>
  );
}

function Line({ batch, selected, onSelect }: { batch: Batch; selected: boolean; onSelect: () => void }) {
  const { route } = useCurrent();
  const differs = batch.independentTotal !== '' && batch.independentTotal !== batch.gross;
  return (
    <tr className={selected ? 'row-chosen' : ''} onClick={onSelect}>
      <td>
        <Link className="underline" to={`/send/${batch.id}?route=${route.code}`} onFocus={onSelect}>
          {batch.id}
        </Link>
      </td>
      <td className="soft">{moment(batch.createdAt)}</td>
      <td>{batch.createdBy}</td>
      <td className="amount">{batch.count}</td>
      <td className="amount">{amount(batch.net)}</td>
      <td className="amount">{amount(batch.tax)}</td>
      <td className="amount">{amount(batch.gross)}</td>
      <td className={`amount ${differs ? 'text-accent' : ''}`} title={batch.reason}>
        {batch.independentTotal && amount(batch.independentTotal)}
      </td>
      <td className={batch.refused + batch.unreached > 0 ? 'text-error' : ''}>
        {standing(batch)}
        {batch.origin === 'ledger' && `, back to ${route.source}`}
      </td>
    </tr>
  );
}
