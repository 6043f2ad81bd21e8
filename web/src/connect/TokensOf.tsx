import { useMutation, useQuery } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { peopleQuery, tokensOfQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { TokenTable } from '../you/TokenTable';

/** What machines use in somebody's name; an administrator ends it. */
export function TokensOf({ signIn }: { signIn: string }) {
  const tokens = useQuery(tokensOfQuery(signIn));
  const people = useQuery(peopleQuery);
  const end = useMutation({
    mutationFn: (id: number) =>
      answer(client.DELETE('/api/people/{signIn}/tokens/{id}', { params: { path: { signIn, id } } })),
    onSettled: () => Promise.all([tokens.refetch(), people.refetch()]),
  });
  const error = tokens.error ?? end.error;
  return (
    <section aria-label="Access tokens" className="mt-4 w-full">
      <h3 className="font-semibold">Access tokens</h3>
      {error && <Failure error={error} />}
      {tokens.data?.length === 0 && <p className="soft">None.</p>}
      {tokens.data && <TokenTable tokens={tokens.data} onEnd={(id) => end.mutate(id)} />}
    </section>
  );
}
