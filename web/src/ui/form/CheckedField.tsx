import { useId } from 'react';
import type { FieldPath, FieldValues, UseFormReturn } from 'react-hook-form';

interface Props<T extends FieldValues> {
  form: UseFormReturn<T>;
  name: FieldPath<T>;
  label: string;
  type?: string;
  autoComplete?: string;
}

/** A labelled field; what is wrong with it stands under it. */
export function CheckedField<T extends FieldValues>({
  form,
  name,
  label,
  type = 'text',
  autoComplete = 'off',
}: Props<T>) {
  const says = useId();
  const { error } = form.getFieldState(name, form.formState);
  return (
    <label className="flex flex-col gap-1">
      {label}
      <input
        className={`field ${error ? 'border-error' : ''}`}
        type={type}
        autoComplete={autoComplete}
        aria-invalid={error !== undefined}
        aria-describedby={error ? says : undefined}
        {...form.register(name)}
      />
      {error && (
        <span id={says} role="alert" className="text-error text-[13px]">
          {error.message}
        </span>
      )}
    </label>
  );
}
