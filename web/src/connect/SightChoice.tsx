import { useQuery } from '@tanstack/react-query';
import { connectQuery } from '../api/queries';
import { choices, isSeen, toggled, type Seen } from './sight';

/** Whose documents an operations person sees. */
export function SightChoice({ sees, onChange }: { sees: Seen[]; onChange: (sees: Seen[]) => void }) {
  const sources = useQuery(connectQuery).data?.sources ?? [];
  const name = (id: number) => sources.find((source) => source.id === id)?.name;
  return (
    <fieldset className="flex flex-col gap-1">
      <legend>Sees the documents of</legend>
      {sources.length === 0 && <p className="soft">No source is connected yet.</p>}
      {choices(sources).map((each) => {
        const withAll = each.site !== '' && isSeen(sees, { ...each, site: '' });
        return (
          <label
            key={`${each.source} ${each.site}`}
            className={`flex items-baseline gap-2 ${each.site === '' ? '' : 'ml-6'}`}
          >
            <input
              type="checkbox"
              checked={isSeen(sees, each)}
              disabled={withAll}
              onChange={() => onChange(toggled(sees, each))}
            />
            {each.site === '' ? <b>{name(each.source)}</b> : each.site}
          </label>
        );
      })}
    </fieldset>
  );
}
