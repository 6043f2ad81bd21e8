import { useQuery } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { BesideMap, Parts } from '../map/BesideMap';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { AlikeNames } from './AlikeNames';
import { namesQuery } from './queries';
import { RewriteAll } from './RewriteAll';

type View = 'names' | 'rewriting';

const PARTS: { part: View; name: string }[] = [
  { part: 'names', name: 'Names of new items' },
  { part: 'rewriting', name: 'All items anew' },
];

/** How items are named on the ledger: those to be created, and all that stand there. */
export function NamesPage() {
  const { route } = useCurrent();
  const view = useView();
  const at: View = view.get('view') === 'rewriting' ? 'rewriting' : 'names';
  const names = useQuery(namesQuery(route.code));
  const found = names.data;
  return (
    <BesideMap
      label="Items on the ledger"
      title={`Items on ${route.ledger}`}
      back={{ to: `/map?route=${route.code}&kind=item`, name: 'Back to the items' }}
      head={
        <>
          <Parts parts={PARTS} at={at} onPart={(part) => view.set({ view: part })} />
          {found && at === 'names' && (
            <span className="soft">
              {plural(found.items, 'item')} would be created there on first use. Its names have {found.limit}{' '}
              characters at most{found.forbidden && ` and no “${found.forbidden}”`};{' '}
              {found.fitted === 0 ? 'all of them fit' : `${found.fitted} of them are made to fit`}.
            </span>
          )}
        </>
      }
    >
      {names.error && <Failure error={names.error} />}
      {at === 'rewriting' ? <RewriteAll /> : found && <AlikeNames found={found} />}
    </BesideMap>
  );
}
