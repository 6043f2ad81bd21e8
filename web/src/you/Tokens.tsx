import { useMutation, useQuery } from '@tanstack/react-query';
import { answer, client } from '../api/client';
import { tokensQuery } from '../api/queries';
import { NewToken } from './NewToken';
import { TokenTable } from './TokenTable';

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
