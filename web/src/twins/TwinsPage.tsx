import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, answer } from '../api/client';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { BesideMap, Parts } from '../map/BesideMap';
import { Book } from '../ui/book/Book';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { columnsOf } from './columns';
import { twinsQuery, type Side, type TwinPair } from './queries';
import { useLinkTwin } from './useLinkTwin';

/** Parties that one side has twice, as far as can be seen: linked to one there, or said to be two. */
export function TwinsPage() {
  const { me, route } = useCurrent();
  const view = useView();
  const side: Side = view.get('side') === 'ledger' ? 'LEDGER' : 'SOURCE';
  const [all, setAll] = useState(false);
  const twins = useQuery(twinsQuery(route.code, side));
  const link = useLinkTwin();
  const say = useMutation({
    mutationFn: ({ one, other, apart }: TwinPair) =>
      answer(
        client.POST('/api/map/twins/apart', {
          body: { route: route.code, side, one: one.code, other: other.party.code, apart: !apart },
        }),
      ),
    onSettled: () => twins.refetch(),
  });
  const pairs = twins.data?.pairs ?? [];
  const shown = pairs.filter((pair) => all || !pair.apart);
  const said = pairs.length - pairs.filter((pair) => !pair.apart).length;
  return (
    <BesideMap
      label="Parties that are there twice"
      title="There twice"
      back={{ to: `/map?route=${route.code}&kind=party`, name: 'Back to the parties' }}
      head={
        <>
          <Parts
            parts={[
              { part: 'SOURCE', name: `In ${route.source}` },
              { part: 'LEDGER', name: `On ${route.ledger}` },
            ]}
            at={side}
            onPart={(part) => view.set({ side: part.toLowerCase() })}
          />
          {twins.data && (
            <span className="soft">
              {plural(twins.data.parties, 'party')} compared with each other,{' '}
              {plural(twins.data.found - said, 'pair')} may be one
              {twins.data.found > pairs.length && ', the likeliest 500 are listed'}.
            </span>
          )}
          {said > 0 && (
            <label className="ml-auto flex items-center gap-1.5">
              <input type="checkbox" checked={all} onChange={(event) => setAll(event.target.checked)} />
              also {said} said to be two
            </label>
          )}
        </>
      }
    >
      {[twins.error, say.error, link.error].map(
        (error, index) => error && <Failure key={index} error={error} />,
      )}
      <Book
        name={`twins-${side.toLowerCase()}`}
        label="Parties that may be one"
        columns={columnsOf(route, side, {
          may: me.mayChange && !say.isPending && !link.isPending,
          onApart: (pair) => say.mutate(pair),
          onLink: (pair) => link.mutate(pair, { onSettled: () => twins.refetch() }),
        })}
        rows={shown}
        keyOf={(pair) => `${pair.one.code} ${pair.other.party.code}`}
        empty={
          <p className="soft p-4">
            {twins.isPending ? 'Comparing all of them with each other…' : 'Nobody seems to be there twice.'}
          </p>
        }
      />
    </BesideMap>
  );
}
