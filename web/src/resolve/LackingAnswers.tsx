import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { does, isNotTaken, type LackingAnswer, type LackingCause, type LackingHeld } from './lacking';
import { oneOf } from './masters';

interface Props {
  cause: LackingCause;
  held: LackingHeld;
}

/** What can be said of one that the source lacks, or of all of the cause. */
export function LackingAnswers({ cause, held }: Props) {
  const { route } = useCurrent();
  const [all, setAll] = useState(false);
  const say = useSay(cause, held, all);
  const can = (answered: LackingAnswer) =>
    !say.isPending && does(answered, held, route) !== '' && !(all && answered === 'SAME');
  const give = (answered: LackingAnswer) => can(answered) && say.mutate(answered);
  useHotkeys('1', () => give('SAME'));
  useHotkeys('2', () => give('CREATE'));
  useHotkeys('3', () => give('LEAVE'));
  const act = (answered: LackingAnswer, name: string, pressed: string) =>
    does(answered, held, route) !== '' && (
      <li className="flex flex-wrap items-center gap-2.5">
        <button
          type="button"
          className="act min-w-[210px] justify-between"
          disabled={!can(answered)}
          onClick={() => give(answered)}
        >
          {name} <Key>{pressed}</Key>
        </button>
        <span className="soft text-[12.5px]">
          {all && answered === 'SAME' ? 'only of one at a time' : does(answered, held, route)}
        </span>
      </li>
    );
  return (
    <div className="border-l-accent bg-base-200 flex flex-col gap-2 border-l-[3px] px-4 py-2.5">
      <ul className="flex flex-col gap-1.5">
        {act('SAME', 'They are one', '1')}
        {act('CREATE', isNotTaken(cause) ? 'Try again' : 'They are two: create it', '2')}
        {act('LEAVE', 'Leave it where it is', '3')}
      </ul>
      {cause.masters.length > 1 && (
        <label className="flex items-center gap-2 text-[13px]">
          <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
          the same for all {cause.masters.length} that are listed
        </label>
      )}
      {say.isPending && <p className="soft">Telling {route.source}…</p>}
      {say.error && <Failure error={say.error} />}
    </div>
  );
}

function useSay(cause: LackingCause, held: LackingHeld, all: boolean) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  return useMutation({
    mutationFn: (answered: LackingAnswer) =>
      workDone(
        client.POST('/api/resolve/lacking', {
          body: {
            route: route.code,
            kind: cause.kind,
            answer: answered,
            masters: (all ? cause.masters : [held]).map(({ counterpart, seen }) => ({ counterpart, seen })),
          },
        }),
      ),
    onSuccess: ({ answered, left }) =>
      notice({
        tone: left > 0 ? 'failed' : 'done',
        text: `${plural(answered, oneOf(cause.kind))} answered for${
          left > 0 ? `; ${left} changed meanwhile and ${left === 1 ? 'was' : 'were'} left` : ''
        }`,
      }),
    onSettled: refresh,
  });
}
