import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate, useSearchParams } from 'react-router';
import { answer, client } from '../api/client';
import { firstQuery, meQuery } from '../api/queries';
import { Failure } from '../ui/Failure';

/** Only paths of our own are gone back to. */
const safe = (back: string | null) => (back?.startsWith('/') && !back.startsWith('//') ? back : '/release');

export function SignIn() {
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const queries = useQueryClient();
  const first = useQuery(firstQuery);
  const attempt = useMutation({
    mutationFn: () => answer(client.POST('/api/session', { body: { signIn, password } })),
    onSuccess: async (me) => {
      await fetch('/api/session/csrf');
      queries.setQueryData(meQuery.queryKey, me);
      await navigate(safe(params.get('back')), { replace: true });
    },
  });
  if (first.data?.needed) {
    return <Navigate to="/first" replace />;
  }
  return (
    <main className="grid h-full place-items-center">
      <form
        className="sheet grid w-[640px] grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          attempt.mutate();
        }}
      >
        <div className="border-base-300 border-r p-7">
          <h1 className="title text-[30px]">Alcabala</h1>
          <p className="soft mt-2">
            What was done on the left, what the books say on the right, and everything between them explained.
          </p>
        </div>
        <div className="flex flex-col gap-3 p-7">
          <label className="flex flex-col gap-1">
            Name
            <input
              className="field"
              autoComplete="username"
              required
              value={signIn}
              onChange={(event) => setSignIn(event.target.value)}
            />
          </label>
          <label className="flex flex-col gap-1">
            Password
            <input
              className="field"
              type="password"
              autoComplete="current-password"
              required
              value={password}
              onChange={(event) => setPassword(event.target.value)}
            />
          </label>
          {attempt.error && <Failure error={attempt.error} />}
          <button type="submit" className="act act-main justify-center" disabled={attempt.isPending}>
            Sign in
          </button>
        </div>
      </form>
    </main>
  );
}
