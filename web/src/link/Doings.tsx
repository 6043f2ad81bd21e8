import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { LinkTo } from './LinkTo';
import { choicesQuery, type Choice } from './queries';
import { useDoing } from './useDoing';
import { DOINGS } from './words';

interface Props {
  document: Schemas['DocumentRow'];
  onClose: () => void;
}

/** What can be done with a single record: each says first what it will do, or why it cannot be done. */
export function Doings({ document, onClose }: Props) {
  const choices = useQuery(choicesQuery(document.id));
  const [linking, setLinking] = useState(false);
  const doing = useDoing(document, onClose);
  const choose = ({ what, reason }: Choice) => {
    if (reason !== '' || doing.isPending) {
      return;
    }
    if (what === 'LINK') {
      setLinking(true);
    } else {
      doing.mutate(what);
    }
  };
  const keyed = choices.data ?? [];
  useHotkeys(
    'b, n, e, x',
    (_, pressed) => {
      const key = pressed.keys?.join('');
      const choice = keyed.find((each) => DOINGS[each.what].key === key);
      if (choice) {
        choose(choice);
      }
    },
    { enabled: !linking, preventDefault: true },
  );
  return (
    <section
      aria-label={`What can be done with ${document.number}`}
      className="border-base-300 bg-base-200 border-b px-4 py-2"
    >
      {choices.error && <Failure error={choices.error} />}
      {doing.error && <Failure error={doing.error} />}
      <ul className="flex flex-col gap-1.5">
        {keyed.map((choice) => (
          <li key={choice.what} data-choice={choice.what} className="flex items-baseline gap-3 text-[13.5px]">
            <button
              type="button"
              className="act w-[200px] shrink-0 text-left"
              disabled={choice.reason !== '' || doing.isPending}
              onClick={() => choose(choice)}
            >
              {DOINGS[choice.what].name} <Key>{DOINGS[choice.what].key}</Key>
            </button>
            <span className={choice.reason === '' ? '' : 'soft'}>{choice.reason || choice.sentence}</span>
          </li>
        ))}
      </ul>
      {linking && <LinkTo document={document} onDone={onClose} />}
    </section>
  );
}
