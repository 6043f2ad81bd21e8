import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useNavigate } from 'react-router';
import { z } from 'zod';
import { answer, client } from '../api/client';
import { sessionsQuery } from '../api/queries';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { CheckedField } from '../ui/form/CheckedField';
import { password } from '../ui/form/rules';
import { useCheckedForm } from '../ui/form/useCheckedForm';
import { moment } from '../ui/format';
import { useNotice } from '../ui/notices';
import { Tokens } from './Tokens';
import { ConventionsForm } from './ConventionsForm';
import { browserOf } from './browsers';

/** One's own password, sessions and access tokens. */
export function YouPage() {
  const { me } = useSession();
  return (
    <section aria-label="You" className="sheet min-h-0 flex-1 overflow-auto rounded-b-none border-b-0 p-5">
      <h1 className="title text-[19px]">
        {me.name} <span className="soft font-sans text-[14px]">signs in as {me.signIn}</span>
      </h1>
      <div className="mt-4 grid grid-cols-[320px_1fr] gap-10">
        <div className="flex flex-col gap-6">
          <Password />
          <ConventionsForm />
        </div>
        <div>
          <SessionList />
          <Tokens />
        </div>
      </div>
    </section>
  );
}

const PASSWORDS = z.object({ present: z.string().min(1, 'Say the present one first.'), next: password });

function Password() {
  const notice = useNotice();
  const { form, submit, isSending, failure } = useCheckedForm({
    schema: PASSWORDS,
    start: { present: '', next: '' },
    named: { password: 'next' },
    send: (body) => answer(client.PUT('/api/session/password', { body })),
    onDone: () =>
      notice({ tone: 'done', text: 'The password is changed; you are signed out everywhere else' }),
  });
  return (
    <form
      aria-label="Password"
      className="flex flex-col items-stretch gap-3"
      onSubmit={(event) => void submit(event)}
    >
      <h2 className="title">Password</h2>
      <CheckedField
        form={form}
        name="present"
        label="Present password"
        type="password"
        autoComplete="current-password"
      />
      <CheckedField
        form={form}
        name="next"
        label="New password, at least twelve characters"
        type="password"
        autoComplete="new-password"
      />
      {failure && <Failure error={failure} />}
      <button type="submit" className="act act-main self-start" disabled={isSending}>
        Change the password
      </button>
    </form>
  );
}

function SessionList() {
  const sessions = useQuery(sessionsQuery);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const end = useMutation({
    mutationFn: (id: string) => answer(client.DELETE('/api/session/all/{id}', { params: { path: { id } } })),
    onSettled: () => sessions.refetch(),
  });
  const endAll = useMutation({
    mutationFn: () => answer(client.DELETE('/api/session/all')),
    onSettled: async () => {
      queries.clear();
      await navigate('/sign-in');
    },
  });
  return (
    <section aria-label="Sessions">
      <h2 className="title mb-2 flex items-center">
        Where you are signed in
        <button type="button" className="act ml-auto font-sans text-[13px]" onClick={() => endAll.mutate()}>
          Sign out everywhere
        </button>
      </h2>
      <table className="slip">
        <tbody>
          {sessions.data?.map((session) => (
            <tr key={session.id}>
              <td title={session.browser}>{browserOf(session.browser)}</td>
              <td className="soft">since {moment(session.since)}</td>
              <td className="soft">last seen {moment(session.lastSeen)}</td>
              <td className="text-right">
                {session.present ? (
                  'this one'
                ) : (
                  <button
                    type="button"
                    className="cursor-pointer underline"
                    onClick={() => end.mutate(session.id)}
                  >
                    Sign out
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}
