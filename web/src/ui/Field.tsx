interface Props {
  label: string;
  value: string;
  onChange: (text: string) => void;
  type?: string;
  autoComplete?: string;
}

/** A labelled field that has to be filled in. */
export const Field = ({ label, value, onChange, type = 'text', autoComplete = 'off' }: Props) => (
  <label className="flex flex-col gap-1">
    {label}
    <input
      className="field"
      type={type}
      autoComplete={autoComplete}
      required
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  </label>
);
