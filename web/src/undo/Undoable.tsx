import { useEffect } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useSession } from '../app/current';
import { Opener } from '../ui/choose/Opener';
import { moment } from '../ui/format';
import { Key } from '../ui/Key';
import { deedsOf, useDeeds } from './store';
import { useTakeBack } from './useTakeBack';

/** What one did lately and can still take back, the newest first. */
export function Undoable() {
  const { me } = useSession();
  const deeds = useDeeds();
  const back = useTakeBack();
  useEffect(() => deedsOf(me.signIn, me.name), [me.signIn, me.name]);
  const last = deeds[0];
  useHotkeys('u', () => last && back.mutate(last), { enabled: last !== undefined && !back.isPending });
  return (
    last && (
      <Opener
        label="What can be taken back"
        className="cursor-pointer underline"
        says={
          <>
            <Key>u</Key> undo
            {deeds.length > 1 && ` (${deeds.length})`}
          </>
        }
      >
        {(close) => (
          <ol className="max-h-[50vh] w-[460px] overflow-auto p-2 text-[13px]">
            {deeds.map((deed) => (
              <li
                key={deed.id}
                className="border-base-300 flex items-center gap-3 border-b py-1 last:border-0"
              >
                <span className="flex-1">
                  {deed.says} <span className="soft whitespace-nowrap">{moment(deed.at)}</span>
                </span>
                <button
                  type="button"
                  className="cursor-pointer underline"
                  disabled={back.isPending}
                  onClick={() => {
                    close();
                    back.mutate(deed);
                  }}
                >
                  Undo
                </button>
              </li>
            ))}
          </ol>
        )}
      </Opener>
    )
  );
}
