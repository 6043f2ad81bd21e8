import { toCalendarDateTime, type DateValue } from '@internationalized/date';
import { useState } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { SEGMENT } from './choose/segment';
import { localeOfDays, zone } from './format';

/** A day and a time of day in the business's zone, typed as the business writes them. */
export function MomentField({ label, onMoment }: { label: string; onMoment: (moment: string) => void }) {
  const [at, setAt] = useState<DateValue | null>(null);
  const moment = at === null ? undefined : toCalendarDateTime(at).toDate(zone()).toISOString();
  return (
    <form
      className="flex items-center gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (moment) {
          onMoment(moment);
        }
      }}
    >
      <I18nProvider locale={localeOfDays()}>
        <DateField
          className="flex min-w-0 flex-1 items-center gap-2"
          granularity="minute"
          hourCycle={24}
          hideTimeZone
          value={at}
          onChange={setAt}
        >
          <Label>{label}</Label>
          <DateInput className="field flex min-w-0 flex-1">
            {(part) => <DateSegment segment={part} className={SEGMENT} />}
          </DateInput>
        </DateField>
      </I18nProvider>
      <button type="submit" className="act" disabled={!moment}>
        Compare
      </button>
    </form>
  );
}
