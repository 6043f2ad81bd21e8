import { useState } from 'react';
import { z } from 'zod';
import { answer, client } from '../api/client';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { CheckedField } from '../ui/form/CheckedField';
import { useCheckedForm } from '../ui/form/useCheckedForm';
import { PURPOSES, type Purpose } from './purposes';

const DAYS = [1, 7, 30, 90, 366];

const TOKEN = z.object({
  name: z.string().trim().min(1, 'Say what it is for.').max(60, 'At most 60 characters.'),
  days: z.string(),
  route: z.string(),
  purposes: z.array(z.string()).min(1, 'It has to be allowed something.'),
});

/** What a new token is for, for how long, where and what it may. The token itself is shown once. */
export function NewToken({ onMade }: { onMade: () => unknown }) {
  const { routes } = useSession();
  const [made, setMade] = useState('');
  const { form, submit, isSending, failure } = useCheckedForm({
    schema: TOKEN,
    start: { name: '', days: '30', route: '', purposes: ['READ'] },
    send: async ({ name, days, route, purposes }) => {
      const body = {
        name,
        purposes: purposes as Purpose[],
        days: Number(days),
        route: route === '' ? undefined : route,
      };
      const { token } = await answer(client.POST('/api/session/tokens', { body }));
      setMade(token);
    },
    onDone: () => void onMade(),
  });
  const missing = form.getFieldState('purposes', form.formState).error;
  return (
    <form
      aria-label="Make a token"
      className="mt-3 flex max-w-[640px] flex-col gap-2 text-[13px]"
      onSubmit={(event) => void submit(event)}
    >
      {made !== '' && (
        <p role="status" className="border-accent border-l-[3px] pl-3">
          Copy it now, it is not shown again:{' '}
          <code className="font-semibold break-all select-all">{made}</code>
        </p>
      )}
      <div className="flex flex-wrap items-start gap-3">
        <CheckedField form={form} name="name" label="What it is for" />
        <label className="flex flex-col gap-1">
          Good for
          <select className="field" {...form.register('days')}>
            {DAYS.map((each) => (
              <option key={each} value={each}>
                {each === 1 ? '1 day' : `${each} days`}
              </option>
            ))}
          </select>
        </label>
        <label className="flex flex-col gap-1">
          On
          <select className="field" {...form.register('route')}>
            <option value="">all routes</option>
            {routes.map((each) => (
              <option key={each.code} value={each.code}>
                {each.code} only
              </option>
            ))}
          </select>
        </label>
      </div>
      <fieldset className="flex flex-wrap gap-x-4 gap-y-1">
        <legend className="soft">It may</legend>
        {PURPOSES.map(({ purpose, may }) => (
          <label key={purpose} className="flex items-center gap-2">
            <input type="checkbox" value={purpose} {...form.register('purposes')} />
            {may}
          </label>
        ))}
        {missing && (
          <span role="alert" className="text-error">
            {missing.message}
          </span>
        )}
      </fieldset>
      {failure && <Failure error={failure} />}
      <button type="submit" className="act self-start" disabled={isSending}>
        Make a token
      </button>
    </form>
  );
}
