import { toCalendarDateTime, type DateValue } from '@internationalized/date';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { DateField, DateInput, DateSegment, I18nProvider, Label } from 'react-aria-components';
import { routesQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { SEGMENT } from '../ui/choose/segment';
import { localeOfDays, moment, zone } from '../ui/format';
import type { From } from './queries';

/** The rows of another route, or those of this one at a moment before. */
export function Elsewhere({ onTake }: { onTake: (from: From) => void }) {
  const { route } = useCurrent();
  const others = (useQuery(routesQuery).data ?? []).filter(
    (each) => each.code !== route.code && each.ledger !== '',
  );
  const [at, setAt] = useState<DateValue | null>(null);
  const then = at === null ? undefined : toCalendarDateTime(at).toDate(zone()).toISOString();
  return (
    <div className="flex flex-col gap-2">
      <div>
        <h3 className="title text-[15px]">Or take it from elsewhere</h3>
        <p className="soft">
          Compared with what stands in the same way; nothing is changed before you say so.
        </p>
      </div>
      <label className="flex items-center gap-2">
        Another route
        <select
          className="field min-w-0 flex-1"
          value=""
          disabled={others.length === 0}
          onChange={(event) => {
            const from = others.find((each) => each.code === event.target.value);
            if (from) {
              onTake({ says: `From ${from.source} to ${from.ledger}`, rows: { from: from.code } });
            }
          }}
        >
          <option value="">{others.length === 0 ? 'there is none' : 'choose one'}</option>
          {others.map((each) => (
            <option key={each.code} value={each.code}>
              {each.source} {each.site} to {each.ledger}
            </option>
          ))}
        </select>
      </label>
      <form
        className="flex items-center gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (then) {
            onTake({
              says: `As it was on ${moment(then)}`,
              rows: { moment: then },
            });
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
            <Label>As it was</Label>
            <DateInput className="field flex min-w-0 flex-1">
              {(part) => <DateSegment segment={part} className={SEGMENT} />}
            </DateInput>
          </DateField>
        </I18nProvider>
        <button type="submit" className="act" disabled={!then}>
          Compare
        </button>
      </form>
    </div>
  );
}
