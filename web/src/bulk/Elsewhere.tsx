import { useQuery } from '@tanstack/react-query';
import { routesQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { moment } from '../ui/format';
import { MomentField } from '../ui/MomentField';
import type { From } from './queries';

/** The rows of another route, or those of this one at a moment before. */
export function Elsewhere({ onTake }: { onTake: (from: From) => void }) {
  const { route } = useCurrent();
  const others = (useQuery(routesQuery).data ?? []).filter(
    (each) => each.code !== route.code && each.ledger !== '',
  );
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
      <MomentField
        label="As it was"
        onMoment={(then) => onTake({ says: `As it was on ${moment(then)}`, rows: { moment: then } })}
      />
    </div>
  );
}
