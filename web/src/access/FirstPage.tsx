import { useQuery, useQueryClient } from '@tanstack/react-query';
import { Navigate, useNavigate } from 'react-router';
import { z } from 'zod';
import { answer, client } from '../api/client';
import { firstQuery, meQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { CheckedField } from '../ui/form/CheckedField';
import { named, password, signInName } from '../ui/form/rules';
import { useCheckedForm } from '../ui/form/useCheckedForm';

const FIRST = z.object({
  secret: z.string().min(1, 'Copy it from where Alcabala was started.'),
  name: named,
  signIn: signInName,
  password,
});

/** The first start: nobody is there yet, so the first administrator introduces herself. */
export function FirstPage() {
  const first = useQuery(firstQuery);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const { form, submit, isSending, failure } = useCheckedForm({
    schema: FIRST,
    start: { secret: '', name: '', signIn: '', password: '' },
    send: async (body) => {
      const me = await answer(client.POST('/api/first', { body }));
      await fetch('/api/session/csrf');
      queries.setQueryData(meQuery.queryKey, me);
    },
    onDone: async () => {
      await navigate('/connect', { replace: true });
      queries.setQueryData(firstQuery.queryKey, { needed: false });
    },
  });
  if (first.data && !first.data.needed) {
    // Nobody is asked to sign in who just did.
    return <Navigate to={queries.getQueryData(meQuery.queryKey) ? '/connect' : '/sign-in'} replace />;
  }
  return (
    <main className="grid h-full place-items-center">
      <form className="sheet flex w-[420px] flex-col gap-3 p-7" onSubmit={(event) => void submit(event)}>
        <h1 className="title text-[26px]">The book is empty</h1>
        <p className="soft">
          You are the first here, so you become administrator: you connect sources and ledgers, and let the
          others in.
        </p>
        <CheckedField form={form} name="secret" label="Secret that the start command printed" />
        <CheckedField form={form} name="name" label="Your name" autoComplete="name" />
        <CheckedField form={form} name="signIn" label="Name to sign in with, in small letters" />
        <CheckedField
          form={form}
          name="password"
          label="Password, at least twelve characters"
          type="password"
          autoComplete="new-password"
        />
        {failure && <Failure error={failure} />}
        <button type="submit" className="act act-main justify-center" disabled={isSending}>
          Open the book
        </button>
      </form>
    </main>
  );
}
