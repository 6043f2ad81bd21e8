import { useId, type Ref } from 'react';
import type { Option } from './options';

interface Props {
  ref?: Ref<HTMLInputElement>;
  label: string;
  options: Option[];
  value: string;
  onChange: (value: string) => void;
  wide?: boolean;
}

/** One thing of the ledger's, found by typing any of its code or name. */
export function Chooser({ ref, label, options, value, onChange, wide = false }: Props) {
  const list = useId();
  return (
    <>
      <input
        ref={ref}
        className={`field text-base-content max-w-full ${wide ? 'w-[290px]' : 'w-[190px]'}`}
        aria-label={label}
        placeholder={wide ? label : undefined}
        list={list}
        value={value}
        onChange={(event) => onChange(event.target.value)}
      />
      <datalist id={list}>
        {options.map((each) => (
          <option key={each.label} value={each.label} />
        ))}
      </datalist>
    </>
  );
}
