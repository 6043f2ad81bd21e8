import { useCurrent } from '../app/current';
import type { MapRow } from '../map/MapPage';
import { Key } from '../ui/Key';
import { money, plural } from '../ui/format';

const NAMED = 3;

/** Who comes after this one, the dearest first. */
export function Pile({ others, onLater }: { others: MapRow[]; onLater: () => void }) {
  const { route } = useCurrent();
  const [next, ...rest] = others;
  if (!next) {
    return (
      <p className="border-base-300 soft border-t px-4 py-1.5 text-[13px]">Nobody else has to be decided.</p>
    );
  }
  const named = rest.slice(0, NAMED).map((each) => each.name);
  const more = rest.length - named.length;
  return (
    <div className="border-base-300 flex items-center gap-3 border-t px-4 py-1.5 text-[13px]">
      <span className="soft">Next</span>
      <b>{next.name}</b>
      {next.blockedDocuments > 0 && (
        <span>
          holds up {plural(next.blockedDocuments, 'document')}, {money(next.blockedAmount, route.currency)}
        </span>
      )}
      {named.length > 0 && (
        <span className="soft truncate">
          then {named.join(', ')}
          {more > 0 && ` and ${more} more`}
        </span>
      )}
      <button type="button" className="act ml-auto shrink-0" onClick={onLater}>
        This one later <Key>l</Key>
      </button>
    </div>
  );
}
