import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { type Schemas } from '../api/client';
import { useSession } from '../app/current';
import { Book } from '../ui/book/Book';
import { Failure } from '../ui/Failure';
import { day as dayOf, moment, plural } from '../ui/format';
import { Balances } from './Balances';
import { ByAsking, ByFile } from './Comparing';
import { COLUMNS, keyOf } from './columns';
import { cutOverQuery, type CutOver, type CutOverRow, type Standing } from './queries';
import { usePairing } from './usePairing';
import { chosenPair, STANDINGS } from './words';

type Route = Schemas['RouteJson'];

/** The day on which a route begins: both sides side by side before anything crosses. */
export function CutOverPage({ route }: { route: Route }) {
  const last = useQuery(cutOverQuery(route.code));
  const Comparing = route.toFiles ? ByFile : ByAsking;
  return (
    <section aria-label="Cut-over" className="flex min-h-0 flex-1 flex-col">
      {last.isSuccess && <Comparing route={route} last={last.data} said={said(route, last.data)} />}
      {last.error && <Failure error={last.error} />}
      {last.data && last.data.odd.length > 0 && (
        <ul className="soft border-base-300 max-h-20 overflow-auto border-b px-4 py-1 text-[13px]">
          {last.data.odd.map((each) => (
            <li key={each}>{each}</li>
          ))}
          {last.data.setAside > last.data.odd.length && (
            <li>and {last.data.setAside - last.data.odd.length} more</li>
          )}
        </ul>
      )}
      {last.data && <Compared route={route} sheet={last.data} />}
    </section>
  );
}

function said(route: Route, last: CutOver | null): string {
  if (!last) {
    return `What both sides had open on the day before ${route.source} and ${route.ledger} begin to work together. Comparing changes nothing on either side.`;
  }
  const how = route.toFiles ? 'taken in' : 'asked';
  const aside =
    last.setAside > 0 ? ` ${plural(last.setAside, 'document')} of it could not be understood.` : '';
  return `As ${route.ledger} had it on ${dayOf(last.day)}; ${how} by ${last.by}, ${moment(last.at)}.${aside}`;
}

function Compared({ route, sheet }: { route: Route; sheet: CutOver }) {
  const { me } = useSession();
  const [standing, setStanding] = useState<Standing | null>(null);
  const [chosen, setChosen] = useState<Set<string>>(new Set());
  const { pair, apart } = usePairing(route.code, () => setChosen(new Set()));
  const rows = useMemo(
    () => sheet.rows.filter((row) => standing === null || row.standing === standing),
    [sheet.rows, standing],
  );
  const picked = sheet.rows.filter((row) => chosen.has(keyOf(row)));
  const busy = pair.isPending || apart.isPending;
  return (
    <>
      <div className="border-base-300 max-h-[40%] overflow-auto border-b px-4 py-2">
        <Balances route={route} sheet={sheet} />
      </div>
      <div className="flex flex-wrap items-center gap-1.5 px-4 py-1.5">
        {(Object.keys(STANDINGS) as Standing[]).map((each) => (
          <button
            key={each}
            type="button"
            className="chip"
            title={STANDINGS[each].says}
            aria-pressed={standing === each}
            onClick={() => {
              setStanding(standing === each ? null : each);
              setChosen(new Set());
            }}
          >
            {STANDINGS[each].name} <b>{sheet.counts[STANDINGS[each].count]}</b>
          </button>
        ))}
        {me.mayChange && (
          <span className="ml-auto flex gap-2">
            <ForChosen picked={picked} busy={busy} pair={pair.mutate} apart={apart.mutate} />
            {sheet.counts.certain > 0 && (
              <button type="button" className="act act-main" disabled={busy} onClick={() => pair.mutate([])}>
                {pair.isPending ? 'Pairing…' : `Pair the ${sheet.counts.certain} that are certain`}
              </button>
            )}
          </span>
        )}
      </div>
      {(pair.error ?? apart.error) && <Failure error={(pair.error ?? apart.error) as Error} />}
      <Book
        name="cut-over"
        label="Open documents of both sides"
        pages={{ left: route.source, right: route.ledger }}
        columns={COLUMNS}
        rows={rows}
        keyOf={keyOf}
        {...(me.mayChange
          ? {
              chosen,
              chosenNow: () => chosen,
              onChoose: setChosen,
              nameOf: (row: CutOverRow) => row.here?.number ?? row.there?.number ?? '',
            }
          : {})}
        empty={<p className="soft p-4">Nothing of this was open on the day.</p>}
      />
    </>
  );
}

interface Choice {
  picked: CutOverRow[];
  busy: boolean;
  pair: (pairs: { record: number; there: string }[]) => void;
  apart: (records: number[]) => void;
}

/** What can be done with the rows that are ticked. */
function ForChosen({ picked, busy, pair, apart }: Choice) {
  const both = picked.flatMap((row) =>
    row.standing !== 'LINKED' && row.here?.record && row.there
      ? [{ record: row.here.record, there: row.there.ref }]
      : [],
  );
  const byHand = chosenPair(picked);
  const linked = picked.flatMap((row) =>
    row.standing === 'LINKED' && row.here?.record ? [row.here.record] : [],
  );
  if (picked.length === 0) {
    return null;
  }
  return (
    <>
      {both.length > 0 && (
        <button type="button" className="act" disabled={busy} onClick={() => pair(both)}>
          They are the same: pair {both.length === 1 ? 'it' : both.length}
        </button>
      )}
      {byHand && (
        <button type="button" className="act" disabled={busy} onClick={() => pair([byHand])}>
          These two are the same: pair them
        </button>
      )}
      {linked.length > 0 && (
        <button type="button" className="act" disabled={busy} onClick={() => apart(linked)}>
          Take {linked.length === 1 ? 'it' : linked.length} apart
        </button>
      )}
      {both.length + linked.length === 0 && !byHand && (
        <span className="soft self-center text-[13px]">Tick one of each side to pair them by hand.</span>
      )}
    </>
  );
}
