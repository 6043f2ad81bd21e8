import { parseDate, type DateValue } from '@internationalized/date';
import {
  Button,
  CalendarCell,
  CalendarGrid,
  DateInput,
  DateRangePicker,
  DateSegment,
  Group,
  Heading,
  I18nProvider,
  RangeCalendar,
} from 'react-aria-components';
import { localeOfDays, weekBegins } from '../format';
import { SEGMENT } from './segment';
import { spans } from './spans';

export interface Span {
  from: string | undefined;
  to: string | undefined;
}

interface Props {
  label: string;
  span: Span;
  onChoose: (span: Span) => void;
}

const ALL: Span = { from: undefined, to: undefined };

/** From one day to another: typed, taken from a calendar, or one of the spans that one works in. */
export default function DaySpan({ label, span, onChoose }: Props) {
  const value =
    span.from !== undefined && span.to !== undefined
      ? { start: parseDate(span.from), end: parseDate(span.to) }
      : null;
  const choose = (range: { start: DateValue; end: DateValue } | null) =>
    onChoose(range === null ? ALL : { from: range.start.toString(), to: range.end.toString() });
  return (
    <I18nProvider locale={localeOfDays()}>
      <div className="flex gap-3 p-2 text-[13px]">
        <div className="flex w-36 flex-col items-start gap-1">
          {[{ name: 'All days', ...ALL }, ...spans()].map(({ name, from, to }) => (
            <button
              key={name}
              type="button"
              className="hover:bg-base-200 w-full cursor-pointer rounded-sm px-2 py-1 text-left aria-pressed:font-semibold"
              aria-pressed={from === span.from && to === span.to}
              onClick={() => onChoose({ from, to })}
            >
              {name}
            </button>
          ))}
        </div>
        <DateRangePicker aria-label={label} value={value} onChange={choose}>
          <Group className="field mb-2 flex items-center gap-1">
            <DateInput slot="start" className="flex">
              {(part) => <DateSegment segment={part} className={SEGMENT} />}
            </DateInput>
            –
            <DateInput slot="end" className="flex">
              {(part) => <DateSegment segment={part} className={SEGMENT} />}
            </DateInput>
          </Group>
          <RangeCalendar value={value} onChange={choose} firstDayOfWeek={weekBegins()} aria-label={label}>
            <header className="mb-1 flex items-center justify-between">
              <Button slot="previous" className="act" aria-label="Month before">
                ‹
              </Button>
              <Heading className="title" />
              <Button slot="next" className="act" aria-label="Month after">
                ›
              </Button>
            </header>
            <CalendarGrid>
              {(date) => (
                <CalendarCell
                  date={date}
                  className="data-[selected]:bg-primary/20 data-[selection-end]:bg-primary data-[selection-end]:text-primary-content data-[selection-start]:bg-primary data-[selection-start]:text-primary-content data-[focus-visible]:outline-secondary flex h-7 w-8 cursor-pointer items-center justify-center outline-offset-1 data-[focus-visible]:outline-2 data-[outside-month]:invisible"
                />
              )}
            </CalendarGrid>
          </RangeCalendar>
        </DateRangePicker>
      </div>
    </I18nProvider>
  );
}
