import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas } from '../api/client';
import { kindName } from '../api/recordKinds';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, day } from '../ui/format';
import { useNotice } from '../ui/notices';
import type { There } from './queries';

interface Props {
  document: Schemas['DocumentRow'];
  onDone: () => void;
}

/** Looks up by its number there what a record is to stand for, shows both side by side, and links them. */
export function LinkTo({ document, onDone }: Props) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const [number, setNumber] = useState('');
  const path = { id: document.id };
  const find = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/documents/{id}/link/there', { params: { path }, body: { number } })),
  });
  const link = useMutation({
    mutationFn: ({ ref, version }: There) =>
      workDone(client.PUT('/api/documents/{id}/link', { params: { path }, body: { ref, version } })),
    onSuccess: async (said) => {
      await refresh();
      notice({ tone: 'done', text: said.sentence });
      onDone();
    },
    onError: () => find.mutate(),
  });
  const found = find.data?.there;
  return (
    <div className="mt-1 flex flex-col gap-2">
      <form
        aria-label={`What ${document.number} is to stand for`}
        className="flex flex-wrap items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          link.reset();
          find.mutate();
        }}
      >
        <label className="flex items-center gap-2">
          Its number in {route.ledger}
          <input
            className="field w-44"
            value={number}
            maxLength={100}
            autoFocus
            onChange={(event) => setNumber(event.target.value)}
          />
        </label>
        <button type="submit" className="act act-main" disabled={number.trim() === '' || find.isPending}>
          {find.isPending ? 'Looking it up…' : 'Look it up'}
        </button>
        <button type="button" className="act" onClick={onDone}>
          Leave it
        </button>
      </form>
      {find.error && <Failure error={find.error} />}
      {link.error && <Failure error={link.error} />}
      {found?.length === 0 && (
        <p className="text-accent text-[13px]">
          Nothing in {route.ledger} has that number. Numbers are compared letter by letter.
        </p>
      )}
      {found && found.length > 0 && (
        <table className="slip w-full text-[13.5px]" aria-label="What was found there">
          <thead>
            <tr className="soft text-left text-[12.5px]">
              <th>Number</th>
              <th>Party</th>
              <th>Date</th>
              <th className="amount">Gross</th>
              <th className="w-[34%] pl-4" />
            </tr>
          </thead>
          <tbody>
            <tr className="soft">
              <td>{document.number}</td>
              <td>{document.party}</td>
              <td className="whitespace-nowrap">{day(document.issueDate)}</td>
              <td className="amount">{amount(document.gross)}</td>
              <td className="pl-4">as {route.source} has it</td>
            </tr>
            {found.map((each) => (
              <tr key={each.ref} data-there={each.ref}>
                <td>{each.number}</td>
                <td>{each.party}</td>
                <td
                  className={`whitespace-nowrap ${each.date === document.issueDate ? '' : 'text-accent font-semibold'}`}
                >
                  {day(each.date)}
                </td>
                <td
                  className={`amount ${Number(each.gross) === Number(document.gross) ? '' : 'text-accent font-semibold'}`}
                >
                  {amount(each.gross)}
                </td>
                <td className="pl-4">
                  {each.reason === '' ? (
                    <button
                      type="button"
                      className="act act-main"
                      autoFocus
                      disabled={link.isPending}
                      onClick={() => link.mutate(each)}
                    >
                      Link {document.number} to it
                    </button>
                  ) : (
                    <span className="soft">
                      {each.kind === document.kind ? '' : `${kindName(each.kind)}: `}
                      {each.reason}
                    </span>
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </div>
  );
}
