import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { movePlanQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { plural, totals } from '../ui/format';
import { useNotice } from '../ui/notices';
import { rowOf } from './codes';
import { useConnectRefresh } from './useConnectRefresh';

interface Props {
  route: Schemas['ConnectedRoute'];
  ledgers: Schemas['LedgerJson'][];
  onDone: () => void;
}

/** Walks through what carries over and what does not, before anything changes. */
export function MoveRoute({ route, ledgers, onDone }: Props) {
  const others = ledgers.filter((each) => each.id !== route.ledgerId && each.state !== 'disconnected');
  const [to, setTo] = useState(others[0]?.id ?? 0);
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const plan = useQuery({ ...movePlanQuery(route.code, to), enabled: to > 0 });
  const move = useMutation({
    mutationFn: () => workDone(client.POST('/api/map/move', { body: { route: route.code, toLedger: to } })),
    onSuccess: async (moved) => {
      await refresh();
      notice({ tone: 'done', text: moved.sentence });
      onDone();
    },
  });
  if (others.length === 0) {
    return <p className="my-2">There is no other connected ledger. Connect its company first.</p>;
  }
  return (
    <section aria-label="Move the route" className="border-accent my-3 border-l-[3px] pl-4">
      <label className="flex items-center gap-2">
        Move {route.source} to
        <select className="field" value={to} onChange={(event) => setTo(Number(event.target.value))}>
          {others.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </select>
      </label>
      {plan.error && <Failure error={plan.error} />}
      {plan.data && (
        <>
          <p className="my-2">
            <b>{plural(plan.data.carried, 'row')}</b> of the crosswalk carry over, since the same code of the
            same type stands there. <b>{plural(plan.data.left.length, 'row')}</b> do not.{' '}
            {plural(plan.data.waiting, 'document')} that have not crossed will go to {plan.data.to};{' '}
            {plan.data.posted} that have stay with {plan.data.from}.
          </p>
          {plan.data.left.length > 0 && (
            <table className="slip" aria-label="What does not carry over">
              <thead>
                <tr className="soft">
                  <th>Row</th>
                  <th>Points to</th>
                  <th>Why not</th>
                  <th className="amount">Documents</th>
                  <th className="amount">Gross, {plan.data.currency}</th>
                </tr>
              </thead>
              <tbody>
                {plan.data.left.map((row) => (
                  <tr key={`${row.kind} ${row.code}`}>
                    <td>{rowOf(row.kind, row.code)}</td>
                    <td>{row.pointsTo}</td>
                    <td>{row.reason}</td>
                    <td className="amount">{row.documents}</td>
                    <td className="amount">{totals(row.gross, plan.data.currency)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          )}
          {move.error && <Failure error={move.error} />}
          <div className="my-3 flex gap-2">
            <button
              type="button"
              className="act act-main"
              disabled={move.isPending}
              onClick={() => move.mutate()}
            >
              {move.isPending
                ? 'Compiling again…'
                : `Move to ${plan.data.to}, leave ${plural(plan.data.left.length, 'row')} behind`}
            </button>
            <button type="button" className="act" onClick={onDone}>
              Leave it
            </button>
          </div>
        </>
      )}
    </section>
  );
}
