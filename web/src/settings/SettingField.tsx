import { useQuery } from '@tanstack/react-query';
import type { Schemas } from '../api/client';
import { choicesQuery } from '../api/queries';
import type { SettingJson } from './values';

interface Props {
  route: Schemas['RouteJson'];
  setting: SettingJson;
  value: string;
  onChange: (value: string) => void;
}

/** The control that fits what a setting takes. */
export function SettingField(props: Props) {
  switch (props.setting.shape) {
    case 'choice':
      return <Words {...props} />;
    case 'tax-code':
    case 'bank-account':
      return <FromLedger {...props} />;
    default:
      return <Typed {...props} />;
  }
}

const Words = ({ setting, value, onChange }: Props) => (
  <fieldset className="flex flex-wrap gap-1.5">
    <legend className="sr-only">{setting.title}</legend>
    {setting.choices.map((choice) => (
      <label
        key={choice.value}
        className="chip has-[:checked]:bg-neutral has-[:checked]:text-neutral-content has-[:focus-visible]:outline-secondary has-[:focus-visible]:outline-2"
      >
        <input
          type="radio"
          className="sr-only"
          name={setting.setting}
          value={choice.value}
          checked={choice.value === value}
          onChange={() => onChange(choice.value)}
        />
        {choice.says}
      </label>
    ))}
  </fieldset>
);

function FromLedger({ route, setting, value, onChange }: Props) {
  const choices = useQuery(choicesQuery(route.code));
  const options =
    setting.shape === 'tax-code'
      ? (choices.data?.taxCodes ?? [])
      : (choices.data?.accounts ?? []).filter((account) => account.note === 'bank');
  return (
    <label className="flex flex-col text-[13px]">
      {route.ledger} has
      <select className="field" value={value} onChange={(event) => onChange(event.target.value)}>
        <option value="">not set</option>
        {options.map((each) => (
          <option key={each.code} value={each.code}>
            {each.code} {each.name}
          </option>
        ))}
      </select>
    </label>
  );
}

const TYPES: Record<string, string> = { day: 'date', count: 'number', prefix: 'text' };

const Typed = ({ setting, value, onChange }: Props) => (
  <label className="flex flex-col text-[13px]">
    {setting.title}
    <input
      className="field w-44"
      type={TYPES[setting.shape]}
      min={setting.shape === 'count' ? 1 : undefined}
      maxLength={12}
      value={value}
      onChange={(event) => onChange(event.target.value)}
    />
  </label>
);
