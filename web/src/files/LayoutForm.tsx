import { as, isTable } from './draft';
import { CARRIES, DAYS, ENCODINGS, GROUPINGS, MEDIA, SEPARATORS, SIGNS } from './names';
import type { Layout } from './queries';
import { Select } from './Select';

interface Props {
  layout: Layout;
  disabled: boolean;
  onChange: (layout: Layout) => void;
}

const INVOICED = { SALES: CARRIES.SALES, PURCHASES: CARRIES.PURCHASES };

/** How the whole of it is written. */
export function LayoutForm({ layout, disabled, onChange }: Props) {
  const set = (change: Partial<Layout>) => onChange({ ...layout, ...change });
  const text = layout.medium === 'CSV';
  return (
    <fieldset disabled={disabled} aria-label="How it is written" className="flex flex-wrap items-end gap-3">
      <label className="flex flex-col gap-[2px] text-[12px]">
        <span className="soft">Name of the layout</span>
        <input
          className="field w-48"
          maxLength={60}
          value={layout.name}
          onChange={(event) => set({ name: event.target.value })}
        />
      </label>
      <Select
        label="For"
        value={layout.carries}
        names={isTable(layout) ? CARRIES : INVOICED}
        onChange={(carries) => set({ carries })}
      />
      <Select
        label="As"
        value={layout.medium}
        names={MEDIA}
        onChange={(medium) => onChange(as(layout, medium))}
      />
      {text && (
        <>
          <Select
            label="Encoding"
            value={layout.encoding}
            names={ENCODINGS}
            onChange={(encoding) => set({ encoding })}
          />
          <Select
            label="Between columns"
            value={layout.separator}
            names={SEPARATORS}
            onChange={(separator) => set({ separator })}
          />
          <Select label="Days" value={layout.days} names={DAYS} onChange={(days) => set({ days })} />
          <Select
            label="Before decimals"
            value={layout.decimalSign}
            names={SIGNS}
            onChange={(decimalSign) => set({ decimalSign })}
          />
          <Select
            label="Between thousands"
            value={layout.grouping}
            names={GROUPINGS}
            onChange={(grouping) => set({ grouping })}
          />
        </>
      )}
      {isTable(layout) ? (
        <label className="flex items-center gap-2 pb-1 text-[13px]">
          <input
            type="checkbox"
            checked={layout.creditsNegative}
            onChange={(event) => set({ creditsNegative: event.target.checked })}
          />
          What is given back has a minus
        </label>
      ) : (
        <WhoWeAre own={layout.own} onChange={(own) => set({ own })} />
      )}
    </fieldset>
  );
}

const OWN: [keyof Layout['own'], string, string, number][] = [
  ['name', 'Our name', 'w-48', 200],
  ['taxIdentifier', 'Our tax identifier', 'w-32', 50],
  ['street', 'Street', 'w-40', 200],
  ['city', 'City', 'w-32', 100],
  ['postalZone', 'Postal zone', 'w-24', 20],
  ['country', 'Country (two letters)', 'w-16', 2],
];

/** The seller of what is sold, the buyer of what is bought. */
function WhoWeAre({ own, onChange }: { own: Layout['own']; onChange: (own: Layout['own']) => void }) {
  return (
    <span className="flex w-full flex-wrap gap-3">
      {OWN.map(([part, label, width, longest]) => (
        <label key={part} className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">{label}</span>
          <input
            className={`field ${width}`}
            maxLength={longest}
            value={own[part]}
            onChange={(event) =>
              onChange({
                ...own,
                [part]: part === 'country' ? event.target.value.toUpperCase() : event.target.value,
              })
            }
          />
        </label>
      ))}
    </span>
  );
}
