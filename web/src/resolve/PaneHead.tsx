import { type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';

interface Props {
  name: string;
  /** Beside its name. */
  says: ReactNode;
  glyph: string;
  state: string;
  place: number;
  /** How many there are with this cause; of some only the first are listed. */
  count: number;
  listed: number;
  onPlace: (place: number) => void;
}

/** What one looks at of a cause, and the way to the one before and after it. */
export function PaneHead({ name, says, glyph, state, place, count, listed, onPlace }: Props) {
  const step = (by: number) => {
    const to = place + by;
    if (to >= 0 && to < listed) {
      onPlace(to);
    }
  };
  useHotkeys('bracketleft', () => step(-1));
  useHotkeys('bracketright', () => step(1));
  return (
    <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
      <h2 className="title text-[18px]">
        {name} <span className="font-sans text-[14px] font-normal">{says}</span>
      </h2>
      <span className="flex items-center gap-1.5">
        <Glyph state={glyph} size={22} /> {state}
      </span>
      <span className="ml-auto flex items-center gap-2">
        <span className="soft">
          {place + 1} of {count} with this cause
        </span>
        <button type="button" className="act" disabled={place === 0} onClick={() => step(-1)}>
          Before <Key>[</Key>
        </button>
        <button type="button" className="act" disabled={place + 1 >= listed} onClick={() => step(1)}>
          After <Key>]</Key>
        </button>
      </span>
    </div>
  );
}
