import { parseDate, type DateValue } from '@internationalized/date';
import { useState } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { SEGMENT } from './choose/segment';
import { localeOfDays } from './format';

interface Props {
  label: string;
  /** What it is called where no label stands above it. */
  says?: string;
  /** As ISO 8601 writes it; undefined for none. */
  day: string | undefined;
  onDay: (day: string | undefined) => void;
}

const parsed = (day: string | undefined) => (day === undefined ? null : parseDate(day));

/** While a year is typed, it is one of the first millennium. */
const FIRST_YEAR = 1000;

/** One day, typed as the business writes them. */
export function DayField({ label, says, day, onDay }: Props) {
  const [at, setAt] = useState<DateValue | null>(parsed(day));
  const [shown, setShown] = useState(day);
  // It became another one elsewhere; what is half typed stays as long as it did not.
  if (day !== shown) {
    setShown(day);
    if (day !== at?.toString()) {
      setAt(parsed(day));
    }
  }
  return (
    <I18nProvider locale={localeOfDays()}>
      <DateField
        className="flex flex-col gap-1 text-[13px]"
        aria-label={says}
        value={at}
        onChange={(value) => {
          setAt(value);
          if (value === null || value.year >= FIRST_YEAR) {
            onDay(value?.toString());
          }
        }}
      >
        {label !== '' && <Label>{label}</Label>}
        <DateInput className="field flex w-40">
          {(segment) => <DateSegment segment={segment} className={SEGMENT} />}
        </DateInput>
      </DateField>
    </I18nProvider>
  );
}
