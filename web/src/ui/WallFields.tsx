import { parseDateTime, parseTime, type DateValue, type Time } from '@internationalized/date';
import { useState } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label, TimeField } from 'react-aria-components';
import { SEGMENT } from './choose/segment';
import { localeOfDays } from './format';

interface Props {
  label: string;
  /** As ISO 8601 writes it, to the minute, without a zone. */
  value: string;
  /** Undefined while it is only half typed. */
  onValue: (value: string | undefined) => void;
}

const toMinutes = (text: string) => text.split(':').slice(0, 2).join(':');

const Typed = ({ label }: { label: string }) => (
  <>
    <Label>{label}</Label>
    <DateInput className="field flex">
      {(segment) => <DateSegment segment={segment} className={SEGMENT} />}
    </DateInput>
  </>
);

const LOOK = { className: 'flex flex-col text-[13px]', granularity: 'minute', hourCycle: 24 } as const;

/** What is typed, and what it says once it is whole. */
function useTyped<T extends { toString: () => string }>(begins: T, onValue: Props['onValue']) {
  const [value, setValue] = useState<T | null>(begins);
  const onChange = (changed: T | null) => {
    setValue(changed);
    onValue(changed === null ? undefined : toMinutes(changed.toString()));
  };
  return { value, onChange };
}

/** A day and a time on the wall where the business is, typed as it writes them. */
export function WallMomentField({ label, value, onValue }: Props) {
  const typed = useTyped<DateValue>(parseDateTime(value), onValue);
  return (
    <I18nProvider locale={localeOfDays()}>
      <DateField {...LOOK} {...typed}>
        <Typed label={label} />
      </DateField>
    </I18nProvider>
  );
}

/** A time on the wall. */
export function WallTimeField({ label, value, onValue }: Props) {
  const typed = useTyped<Time>(parseTime(value), onValue);
  return (
    <I18nProvider locale={localeOfDays()}>
      <TimeField {...LOOK} {...typed}>
        <Typed label={label} />
      </TimeField>
    </I18nProvider>
  );
}
