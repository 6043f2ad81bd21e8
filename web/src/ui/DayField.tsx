import { parseDate } from '@internationalized/date';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { SEGMENT } from './choose/segment';
import { localeOfDays } from './format';

interface Props {
  label: string;
  /** As ISO 8601 writes it; undefined for none. */
  day: string | undefined;
  onDay: (day: string | undefined) => void;
}

/** One day, typed as the business writes them. */
export const DayField = ({ label, day, onDay }: Props) => (
  <I18nProvider locale={localeOfDays()}>
    <DateField
      className="flex flex-col gap-1 text-[13px]"
      value={day === undefined ? null : parseDate(day)}
      onChange={(value) => onDay(value?.toString())}
    >
      <Label>{label}</Label>
      <DateInput className="field flex w-40">
        {(segment) => <DateSegment segment={segment} className={SEGMENT} />}
      </DateInput>
    </DateField>
  </I18nProvider>
);
