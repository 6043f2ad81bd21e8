import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { AlikeNames } from './AlikeNames';
import { namesQuery } from './queries';
import { RewriteAll } from './RewriteAll';

const VIEWS = [
  { view: 'names', name: 'Names of new items' },
  { view: 'rewriting', name: 'All items anew' },
];

/** How items are named on the ledger: those to be created, and all that stand there. */
export function NamesPage() {
  const { route } = useCurrent();
  const view = useView();
  const shown = view.get('view') === 'rewriting' ? 'rewriting' : 'names';
  const names = useQuery(namesQuery(route.code));
  const found = names.data;
  return (
    <section
      aria-label="Items on the ledger"
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-1.5 text-[13px]">
        <Link className="underline" to={`/map?route=${route.code}&kind=item`}>
          Back to the items
        </Link>
        <h2 className="title text-[16px]">Items on {route.ledger}</h2>
        {VIEWS.map((each) => (
          <button
            key={each.view}
            type="button"
            aria-pressed={shown === each.view}
            className={shown === each.view ? 'act act-main' : 'act'}
            onClick={() => view.set({ view: each.view })}
          >
            {each.name}
          </button>
        ))}
        {found && shown === 'names' && (
          <span className="soft">
            {plural(found.items, 'item')} would be created there on first use. Its names have {found.limit}{' '}
            characters at most{found.forbidden && ` and no “${found.forbidden}”`};{' '}
            {found.fitted === 0 ? 'all of them fit' : `${found.fitted} of them are made to fit`}.
          </span>
        )}
      </div>
      {names.error && <Failure error={names.error} />}
      {shown === 'rewriting' ? <RewriteAll /> : found && <AlikeNames found={found} />}
    </section>
  );
}
