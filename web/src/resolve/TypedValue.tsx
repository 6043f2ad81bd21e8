import { useId, useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../ui/Key';
import { isAddress, joined, partsOf } from './masters';

interface Props {
  field: string;
  value: string;
  onValue: (value: string) => void;
  onDone: () => void;
  disabled: boolean;
}

const PARTS = ['Street', 'City', 'Post code', 'Country'];

/** Another value, typed in; of an address its parts. */
export function TypedValue({ field, value, onValue, onDone, disabled }: Props) {
  const id = useId();
  const first = useRef<HTMLInputElement>(null);
  useHotkeys('4', () => first.current?.select(), { preventDefault: true });
  const parts = isAddress(field) ? partsOf(value) : [value];
  const names = isAddress(field) ? PARTS : ['Another'];
  return (
    <form
      className="flex flex-col gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        onDone();
      }}
    >
      {parts.map((part, place) => (
        <label key={names[place]} htmlFor={`${id}${place}`} className="flex flex-col text-[12.5px]">
          <span className="soft flex justify-between">
            {names[place]} {place === 0 && <Key>4</Key>}
          </span>
          <input
            ref={place === 0 ? first : undefined}
            id={`${id}${place}`}
            className="field"
            value={part}
            maxLength={200}
            onChange={(event) => {
              const typed = parts.with(place, event.target.value.replaceAll('|', '/'));
              onValue(isAddress(field) ? joined(typed) : (typed[0] ?? ''));
            }}
          />
        </label>
      ))}
      <button type="submit" className="act justify-center" disabled={disabled}>
        Give both this
      </button>
    </form>
  );
}
