import { zodResolver } from '@hookform/resolvers/zod';
import { useMutation } from '@tanstack/react-query';
import { useForm, type DefaultValues, type FieldValues, type Path } from 'react-hook-form';
import type { ZodType } from 'zod';
import { ApiError } from '../../api/client';

interface Options<T extends FieldValues> {
  /** What may be sent; each refusal is the sentence that stands under its field. */
  schema: ZodType<T, T>;
  start: DefaultValues<T>;
  send: (values: T) => Promise<unknown>;
  onDone: (values: T) => void | Promise<void>;
  /** What the server calls a field otherwise than the form does. */
  named?: Record<string, Path<T>>;
}

/**
 * A form that is checked before it is sent. What the server refuses stands under the field that it is about; what is
 * about none is `failure`.
 */
export function useCheckedForm<T extends FieldValues>({
  schema,
  start,
  send,
  onDone,
  named = {},
}: Options<T>) {
  const form = useForm<T>({ resolver: zodResolver(schema), defaultValues: start, mode: 'onTouched' });
  const fieldOf = (said: string): Path<T> | undefined =>
    named[said] ?? (said in form.getValues() ? (said as Path<T>) : undefined);
  const sending = useMutation({
    mutationFn: send,
    onSuccess: async (_, values) => {
      await onDone(values);
      form.reset();
    },
    onError: (error) =>
      fieldsOf(error).forEach(([said, message]) => {
        const field = fieldOf(said);
        if (field) {
          form.setError(field, { type: 'server', message }, { shouldFocus: true });
        }
      }),
  });
  const elsewhere = sending.error && !fieldsOf(sending.error).some(([said]) => fieldOf(said));
  return {
    form,
    submit: form.handleSubmit((values) => sending.mutate(values)),
    isSending: sending.isPending,
    failure: elsewhere ? sending.error : null,
  };
}

const fieldsOf = (error: Error) => (error instanceof ApiError ? Object.entries(error.fields) : []);
