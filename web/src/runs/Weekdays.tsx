import { WEEK, type Weekday } from './words';

interface Props {
  days: Weekday[];
  onDays: (days: Weekday[]) => void;
}

/** The days of a week, each on or off. */
export const Weekdays = ({ days, onDays }: Props) => (
  <fieldset className="flex flex-wrap gap-1">
    <legend className="text-[13px]">On</legend>
    {WEEK.map((day) => (
      <label
        key={day}
        className="chip has-[:checked]:bg-neutral has-[:checked]:text-neutral-content has-[:focus-visible]:outline-secondary has-[:focus-visible]:outline-2"
      >
        <input
          type="checkbox"
          className="sr-only"
          name={day}
          checked={days.includes(day)}
          onChange={(event) =>
            onDays(event.target.checked ? [...days, day] : days.filter((each) => each !== day))
          }
        />
        {day.charAt(0) + day.slice(1, 3).toLowerCase()}
      </label>
    ))}
  </fieldset>
);
