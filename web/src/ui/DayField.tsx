import { parseDate, type DateValue } from '@internationalized/date';
import { useState } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { SEGMENT } from './choose/segment';
import { localeOfDays } from './format';

interface Props {
  label: string;
  /** As ISO 8601 writes it, to begin with; undefined for none. */
  day: string | undefined;
  onDay: (day: string | undefined) => void;
}

/** While a year is typed, it is one of the first millennium. */
const FIRST_YEAR = 1000;

/** One day, typed as the business writes them. */
export function DayField({ label, day, onDay }: Props) {
  const [at, setAt] = useState<DateValue | null>(day === undefined ? null : parseDate(day));
  return (
    <I18nProvider locale={localeOfDays()}>
      <DateField
        className="flex flex-col gap-1 text-[13px]"
        value={at}
        onChange={(value) => {
          setAt(value);
          if (value === null || value.year >= FIRST_YEAR) {
            onDay(value?.toString());
          }
        }}
      >
        <Label>{label}</Label>
        <DateInput className="field flex w-40">
          {(segment) => <DateSegment segment={segment} className={SEGMENT} />}
        </DateInput>
      </DateField>
    </I18nProvider>
  );
}
