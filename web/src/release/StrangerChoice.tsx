import { useMutation } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';

/** Whether one of the parties is the business under another name: said once, it holds for all documents of that party. */
export function StrangerChoice({ strangers }: { strangers: Schemas['Stranger'][] }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const say = useMutation({
    mutationFn: ({ code, isBusiness }: { code: string; isBusiness: boolean }) =>
      answer(client.POST('/api/strangers', { body: { route: route.code, party: code, isBusiness } })),
    onSuccess: async (said) => {
      await refresh();
      notice({ tone: 'done', text: said.sentence });
    },
  });
  return (
    <div className="flex flex-wrap items-center gap-1.5 text-[13px]">
      {strangers.map((each) => (
        <button
          key={each.code}
          type="button"
          className="act"
          disabled={say.isPending}
          onClick={() => say.mutate({ code: each.code, isBusiness: !each.isBusiness })}
        >
          {each.isBusiness ? `${each.name} is not us after all` : `${each.name} is us`}
        </button>
      ))}
      {say.error && <Failure error={say.error} />}
    </div>
  );
}
