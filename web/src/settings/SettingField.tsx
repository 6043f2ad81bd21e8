import { useQuery } from '@tanstack/react-query';
import { Suspense } from 'react';
import type { Schemas } from '../api/client';
import { Chooser } from '../map/LazyChooser';
import { choicesOf } from '../map/choices';
import { NOTHING } from '../map/meaning';
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

/** An account role takes the same accounts as a setting that names one. */
const SOUGHT = {
  'tax-code': { kind: 'TAX', purpose: 'COUNTERPART' },
  'bank-account': { kind: 'ROLE', code: 'BANK', purpose: 'ACCOUNT' },
} as const;

function FromLedger({ route, setting, value, onChange }: Props) {
  const sought = SOUGHT[setting.shape === 'tax-code' ? 'tax-code' : 'bank-account'];
  const search = choicesOf({ route: route.code, ...sought });
  const named = useQuery({ ...search(value), enabled: value !== '' }).data?.find(
    (each) => each.code === value,
  );
  const unnamed = { key: value, code: value, name: '', note: '', reason: '', meaning: NOTHING };
  return (
    <div className="flex flex-col text-[13px]">
      {route.ledger} has
      <span className="flex items-center gap-2">
        <Suspense fallback={<span className="soft">Looking up what there is…</span>}>
          <Chooser
            label={`${setting.title}: ${route.ledger} has`}
            placeholder="not set"
            width="w-[290px]"
            search={search}
            chosen={value === '' ? undefined : (named ?? unnamed)}
            // What is only half typed proposes nothing yet.
            onChoose={(choice, typed) => (choice || typed === '') && onChange(choice?.code ?? '')}
          />
        </Suspense>
        {value !== '' && (
          <button type="button" className="cursor-pointer underline" onClick={() => onChange('')}>
            not set
          </button>
        )}
      </span>
    </div>
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
