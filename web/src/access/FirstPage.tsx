import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Navigate, useNavigate } from 'react-router';
import { answer, client } from '../api/client';
import { firstQuery, meQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { Field } from '../ui/Field';

/** The first start: nobody is there yet, so the first administrator introduces herself. */
export function FirstPage() {
  const first = useQuery(firstQuery);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [secret, setSecret] = useState('');
  const [name, setName] = useState('');
  const [signIn, setSignIn] = useState('');
  const [password, setPassword] = useState('');
  const add = useMutation({
    mutationFn: () => answer(client.POST('/api/first', { body: { secret, name, signIn, password } })),
    onSuccess: async (me) => {
      await fetch('/api/session/csrf');
      queries.setQueryData(meQuery.queryKey, me);
      await navigate('/connect', { replace: true });
      queries.setQueryData(firstQuery.queryKey, { needed: false });
    },
  });
  if (first.data && !first.data.needed) {
    return <Navigate to="/sign-in" replace />;
  }
  return (
    <main className="grid h-full place-items-center">
      <form
        className="sheet flex w-[420px] flex-col gap-3 p-7"
        onSubmit={(event) => {
          event.preventDefault();
          add.mutate();
        }}
      >
        <h1 className="title text-[26px]">The book is empty</h1>
        <p className="soft">
          You are the first here, so you become administrator: you connect sources and ledgers, and let the
          others in.
        </p>
        <Field
          label="Secret that the start command printed"
          value={secret}
          onChange={setSecret}
          autoComplete="off"
        />
        <Field label="Your name" value={name} onChange={setName} autoComplete="name" />
        <Field label="Name to sign in with, in small letters" value={signIn} onChange={setSignIn} />
        <Field
          label="Password, at least twelve characters"
          type="password"
          value={password}
          onChange={setPassword}
          autoComplete="new-password"
        />
        {add.error && <Failure error={add.error} />}
        <button type="submit" className="act act-main justify-center" disabled={add.isPending}>
          Open the book
        </button>
      </form>
    </main>
  );
}
