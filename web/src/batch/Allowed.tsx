import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { Link } from 'react-router';
import { plural } from '../ui/format';

interface Props {
  parties: Schemas['Creation'][];
  allowed: Set<string>;
  onAllow: (allowed: Set<string>) => void;
}

/** Whom a ledger of files would create without a word: each is mapped, or allowed by name. */
export function Allowed({ parties, allowed, onAllow }: Props) {
  const { route } = useCurrent();
  if (parties.length === 0) {
    return null;
  }
  const allow = (code: string, yes: boolean) => {
    const next = new Set(allowed);
    if (yes) {
      next.add(code);
    } else {
      next.delete(code);
    }
    onAllow(next);
  };
  return (
    <fieldset aria-label="Created silently" className="text-[13px]">
      <p className="text-accent">
        {route.ledger} does not know {parties.length === 1 ? 'this party' : `these ${parties.length} parties`}{' '}
        and creates {parties.length === 1 ? 'it' : 'them'} without asking.
      </p>
      {parties.map((party) => (
        <div key={party.code} className="flex items-baseline gap-2">
          <label className="flex min-w-0 flex-1 items-baseline gap-2">
            <input
              type="checkbox"
              checked={allowed.has(party.code)}
              onChange={(event) => allow(party.code, event.target.checked)}
            />
            <span className="truncate" title={party.name}>
              {party.code} {party.name}
            </span>
          </label>
          <Link
            className="underline"
            to={`/map/parties/${encodeURIComponent(party.code)}?route=${route.code}`}
          >
            Map
          </Link>
        </div>
      ))}
      {parties.length > 1 && (
        <button
          type="button"
          className="cursor-pointer underline"
          onClick={() =>
            onAllow(new Set(allowed.size < parties.length ? parties.map((each) => each.code) : []))
          }
        >
          {allowed.size < parties.length ? `Allow all ${parties.length}` : 'Allow none'}
        </button>
      )}
      {allowed.size < parties.length && (
        <p>{plural(parties.filter((each) => !allowed.has(each.code)).length, 'party')} to be allowed yet.</p>
      )}
    </fieldset>
  );
}
