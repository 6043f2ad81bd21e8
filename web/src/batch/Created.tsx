import { Link } from 'react-router';
import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { plural } from '../ui/format';

/** Parties that resemble one that the batch creates: their documents stay until somebody has said who they are. */
export function AlikeParties({ alike }: { alike: Schemas['Alike'][] }) {
  const { route } = useCurrent();
  return alike.map((each) => (
    <p key={each.code} className="text-accent text-[13px]">
      {each.name} may be {each.like}, whom this batch creates; {plural(each.documents, 'document')}{' '}
      {each.documents === 1 ? 'stays' : 'stay'} here.{' '}
      <Link
        className="underline"
        to={`/map?kind=party&route=${route.code}&text=${encodeURIComponent(each.name)}`}
      >
        Say who it is on Map
      </Link>
    </p>
  ));
}

export function Creations({ title, rows }: { title: string; rows: Schemas['Creation'][] }) {
  if (rows.length === 0) {
    return null;
  }
  return (
    <details className="text-[13px]">
      <summary className="cursor-pointer">
        {title}: <b>{rows.length}</b>
      </summary>
      <ul className="mt-1 ml-4">
        {rows.map((row) => (
          <li key={row.code}>
            {row.code} {row.name}
          </li>
        ))}
      </ul>
    </details>
  );
}
