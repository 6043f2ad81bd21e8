interface Props<K extends string> {
  label: string;
  value: K;
  names: Partial<Record<K, string>>;
  disabled?: boolean;
  onChange: (value: K) => void;
}

/** One of a few, by name; one that is not among them stays as it is. */
export function Select<K extends string>({ label, value, names, disabled = false, onChange }: Props<K>) {
  const known = value in names;
  return (
    <label className="flex flex-col gap-[2px] text-[12px]">
      <span className="soft">{label}</span>
      <select
        className="field"
        value={value}
        disabled={disabled}
        onChange={(event) => onChange(event.target.value as K)}
      >
        {!known && <option value={value}>{value}</option>}
        {(Object.entries(names) as [K, string][]).map(([each, name]) => (
          <option key={each} value={each}>
            {name}
          </option>
        ))}
      </select>
    </label>
  );
}
