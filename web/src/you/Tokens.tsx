import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client } from '../api/client';
import { tokensQuery } from '../api/queries';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { TokenTable } from './TokenTable';
import { PURPOSES, type Purpose } from './purposes';

const DAYS = [1, 7, 30, 90, 366];

/** Access tokens for machines: a name, what they may, where, and an end. A token is shown once. */
export function Tokens() {
  const tokens = useQuery(tokensQuery);
  const end = useMutation({
    mutationFn: (id: number) =>
      answer(client.DELETE('/api/session/tokens/{id}', { params: { path: { id } } })),
    onSettled: () => tokens.refetch(),
  });
  return (
    <section aria-label="Access tokens" className="mt-8">
      <h2 className="title mb-2">Access tokens for machines</h2>
      {tokens.data && <TokenTable tokens={tokens.data} onEnd={(id) => end.mutate(id)} />}
      {tokens.data?.length === 0 && <p className="soft">You have made none.</p>}
      <NewToken onMade={() => tokens.refetch()} />
      <p className="soft mt-2 max-w-[560px] text-[13px]">
        All of them end when your password changes. None makes tokens, or sees to people and sessions.
      </p>
    </section>
  );
}

function NewToken({ onMade }: { onMade: () => unknown }) {
  const { routes } = useSession();
  const [name, setName] = useState('');
  const [days, setDays] = useState(30);
  const [route, setRoute] = useState('');
  const [purposes, setPurposes] = useState<Purpose[]>(['READ']);
  const make = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/session/tokens', {
          body: { name, purposes, days, route: route === '' ? undefined : route },
        }),
      ),
    onSuccess: () => {
      setName('');
      return onMade();
    },
  });
  return (
    <form
      aria-label="Make a token"
      className="mt-3 flex max-w-[640px] flex-col gap-2 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        make.mutate();
      }}
    >
      {make.data && (
        <p role="status" className="border-accent border-l-[3px] pl-3">
          Copy it now, it is not shown again:{' '}
          <code className="font-semibold break-all select-all">{make.data.token}</code>
        </p>
      )}
      <div className="flex flex-wrap items-end gap-3">
        <label className="flex flex-col">
          What it is for
          <input
            className="field w-56"
            required
            maxLength={60}
            value={name}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
        <label className="flex flex-col">
          Good for
          <select className="field" value={days} onChange={(event) => setDays(Number(event.target.value))}>
            {DAYS.map((each) => (
              <option key={each} value={each}>
                {each === 1 ? '1 day' : `${each} days`}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col">
          On
          <select className="field" value={route} onChange={(event) => setRoute(event.target.value)}>
            <option value="">all routes</option>
            {routes.map((each) => (
              <option key={each.code} value={each.code}>
                {each.code} only
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
        <legend className="soft">It may</legend>
        {PURPOSES.map(({ purpose, may }) => (
          <label key={purpose} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={purposes.includes(purpose)}
              onChange={() =>
                setPurposes((now) =>
                  now.includes(purpose) ? now.filter((each) => each !== purpose) : [...now, purpose],
                )
              }
            />
            {may}
          </label>
        ))}
      </fieldset>
      {make.error && <Failure error={make.error} />}
      <button
        type="submit"
        className="act self-start"
        disabled={name.trim() === '' || purposes.length === 0 || make.isPending}
      >
        Make a token
      </button>
    </form>
  );
}
