import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { tokensQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { day, moment } from '../ui/format';

/** Access tokens for machines: a name, what they may, and an end. A token is shown once. */
export function Tokens() {
  const tokens = useQuery(tokensQuery);
  const [name, setName] = useState('');
  const [days, setDays] = useState(30);
  const [readsOnly, setReadsOnly] = useState(true);
  const make = useMutation({
    mutationFn: () => answer(client.POST('/api/session/tokens', { body: { name, readsOnly, days } })),
    onSuccess: () => {
      setName('');
      return tokens.refetch();
    },
  });
  const takeBack = useMutation({
    mutationFn: (id: number) =>
      answer(client.DELETE('/api/session/tokens/{id}', { params: { path: { id } } })),
    onSettled: () => tokens.refetch(),
  });
  return (
    <section aria-label="Access tokens" className="mt-8">
      <h2 className="title mb-2">Access tokens for machines</h2>
      {make.data && (
        <p role="status" className="border-accent my-2 border-l-[3px] pl-3">
          Copy it now, it is not shown again:{' '}
          <code className="font-semibold select-all">{make.data.token}</code>
        </p>
      )}
      <table className="slip">
        <tbody>
          {tokens.data?.map((token) => (
            <tr key={token.id}>
              <td>{token.name}</td>
              <td>{token.readsOnly ? 'reads only' : 'may all that you may'}</td>
              <td className="soft">until {day(token.expiresAt)}</td>
              <td className="soft">
                {token.lastUsedAt ? `last used ${moment(token.lastUsedAt)}` : 'never used'}
              </td>
              <td className="text-right">
                <button
                  type="button"
                  className="cursor-pointer underline"
                  onClick={() => takeBack.mutate(token.id)}
                >
                  Take back
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {tokens.data?.length === 0 && <p className="soft">You have made none.</p>}
      <form
        className="mt-3 flex flex-wrap items-end gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          make.mutate();
        }}
      >
        <label className="flex flex-col text-[13px]">
          What it is for
          <input
            className="field w-56"
            required
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col text-[13px]">
          Good for
          <select className="field" value={days} onChange={(event) => setDays(Number(event.target.value))}>
            {[1, 7, 30, 90, 366].map((each) => (
              <option key={each} value={each}>
                {each === 1 ? '1 day' : `${each} days`}
              </option>
            ))}
          </select>
        </label>
        <label className="flex items-center gap-2 pb-1 text-[13px]">
          <input type="checkbox" checked={readsOnly} onChange={() => setReadsOnly(!readsOnly)} />
          may only read
        </label>
        <button type="submit" className="act" disabled={name.trim() === '' || make.isPending}>
          Make a token
        </button>
        {make.error && <Failure error={make.error} />}
      </form>
    </section>
  );
}
