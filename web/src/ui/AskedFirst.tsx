import type { ReactNode } from 'react';
import { DoOrLeave } from './DoOrLeave';
import { Failure } from './Failure';
import { Key } from './Key';

interface Props {
  /** What is pressed, and its key where it has one. */
  button: string;
  hotkey?: string;
  asked: boolean;
  onAsked: (asked: boolean) => void;
  /** What does it, and what leaves it. */
  says: string;
  otherwise?: string;
  ready?: boolean;
  doing: { isPending: boolean; error: Error | null };
  onDo: () => void;
  /** What it does, said before it is done. */
  children: ReactNode;
}

/** Something that is done only once it was said what it does. */
export function AskedFirst({ button, hotkey, asked, onAsked, doing, onDo, children, ...words }: Props) {
  if (!asked) {
    return (
      <button type="button" className="act" onClick={() => onAsked(true)}>
        {button} {hotkey && <Key>{hotkey}</Key>}
      </button>
    );
  }
  return (
    <form
      className="border-accent flex flex-wrap items-center gap-3 border-l-[3px] px-3"
      onSubmit={(event) => {
        event.preventDefault();
        onDo();
      }}
    >
      <span>{children}</span>
      <DoOrLeave {...words} disabled={doing.isPending} onLeave={() => onAsked(false)} />
      {doing.error && <Failure error={doing.error} />}
    </form>
  );
}
