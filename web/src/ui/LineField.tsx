interface Props {
  label: string;
  value: string;
  onChange: (text: string) => void;
  width?: string;
  maxLength?: number;
  placeholder?: string;
  autoFocus?: boolean;
}

/** A field with its label before it, on one line. */
export const LineField = ({ label, value, onChange, width = 'w-52', maxLength = 60, ...rest }: Props) => (
  <label className="flex items-center gap-2">
    {label}
    <input
      className={`field ${width}`}
      value={value}
      maxLength={maxLength}
      onChange={(event) => onChange(event.target.value)}
      {...rest}
    />
  </label>
);
