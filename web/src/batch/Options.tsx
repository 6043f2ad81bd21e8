import { useQuery } from '@tanstack/react-query';
import { settingsQuery } from '../api/queries';
import { useCurrent } from '../app/current';

export type Decided = Record<string, string>;

interface Props {
  decided: Decided;
  onDecide: (decided: Decided) => void;
}

/** How the documents of this batch stand there, where that is to be otherwise than the route has it. */
export function Options({ decided, onDecide }: Props) {
  const { route } = useCurrent();
  const settings = useQuery(settingsQuery(route.code));
  const offered =
    settings.data?.filter((each) => each.section === 'DOCUMENT' && each.of === 'EVERYTHING') ?? [];
  const count = Object.keys(decided).length;
  const decide = (setting: string, value: string) => {
    const others = Object.entries(decided).filter(([name]) => name !== setting);
    onDecide(Object.fromEntries(value === '' ? others : [...others, [setting, value]]));
  };
  return (
    <details className="text-[13px]" open={count > 0 || undefined}>
      <summary className="cursor-pointer">
        Options of this batch
        <span className="soft">{count === 0 ? ', as the route has them' : `, ${count} otherwise`}</span>
      </summary>
      <div className="flex flex-col gap-2 pt-2">
        {offered.map((each) => (
          <label key={each.setting} className="flex flex-col gap-0.5">
            {each.title}
            <select
              className={`field ${decided[each.setting] === undefined ? '' : 'border-accent'}`}
              value={decided[each.setting] ?? ''}
              onChange={(event) => decide(each.setting, event.target.value)}
            >
              <option value="">as the route: {each.says}</option>
              {each.choices
                .filter((choice) => choice.value !== each.value)
                .map((choice) => (
                  <option key={choice.value} value={choice.value}>
                    {choice.says}
                  </option>
                ))}
            </select>
          </label>
        ))}
      </div>
    </details>
  );
}

/** What a batch decided otherwise than its route, in words. */
export function DecidedOtherwise({ decided }: { decided: Decided }) {
  const { route } = useCurrent();
  const settings = useQuery({
    ...settingsQuery(route.code),
    enabled: Object.keys(decided).length > 0,
  });
  const says = Object.entries(decided).map(([name, value]) => {
    const setting = settings.data?.find((each) => each.setting === name);
    const word = setting?.choices.find((choice) => choice.value === value)?.says ?? value;
    return `${setting?.title ?? name}: ${word}`;
  });
  return says.length === 0 ? null : <span>Otherwise than the route: {says.join('; ')}</span>;
}
