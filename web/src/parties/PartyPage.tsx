import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate, useParams } from 'react-router';
import { likenessQuery, openRowsQuery } from '../map/queries';
import { useCurrent } from '../app/current';
import { useChangeRow } from '../map/useChangeRow';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { money, plural } from '../ui/format';
import { CandidateColumn } from './CandidateColumn';
import { Known } from './Known';
import { Pile } from './Pile';
import { afterIt, TOPICS } from './likeness';

const AT_ONCE = 2;
/** By how many it might be instead. */
const NEW = ['A new one', 'Not this, a new one', 'Neither, a new one', 'None of them, a new one'];

/** One party of the source beside those on the ledger that it may be, and what speaks for and against each. */
export function PartyPage() {
  const { code = '' } = useParams();
  return <Sheet key={code} code={code} />;
}

function Sheet({ code }: { code: string }) {
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const doubt = useQuery(likenessQuery(route.code, code));
  const undecided = (useQuery(openRowsQuery(route.code, 'party')).data?.rows ?? []).filter(
    (row) => row.row === undefined && row.suggestion !== undefined,
  );
  const others = afterIt(undecided, code);
  const [from, setFrom] = useState(0);
  const list = `/map?route=${route.code}&kind=party&row=${encodeURIComponent(code)}`;
  const next = others[0];
  const goOn = () =>
    void navigate(next ? `/map/parties/${encodeURIComponent(next.code)}?route=${route.code}` : list);
  const change = useChangeRow(goOn);
  const all = doubt.data?.candidates ?? [];
  const shown = all.slice(from, from + AT_ONCE);
  const decide = (counterpart: string | undefined) => {
    if (me.mayChange && doubt.data && counterpart !== undefined && !change.isPending) {
      change.mutate({
        kind: 'PARTY',
        code,
        meaning: { targets: { COUNTERPART: counterpart }, dimensions: {} },
        expectedVersion: doubt.data.version,
      });
    }
  };
  useHotkeys('1', () => decide(shown[0]?.party.code));
  useHotkeys('2', () => decide(shown[1]?.party.code));
  useHotkeys('3', () => decide(''));
  useHotkeys('l', goOn);
  useHotkeys('n', () => setFrom(from + AT_ONCE < all.length ? from + AT_ONCE : 0));
  useHotkeys('esc', () => void navigate(list));
  if (doubt.error) {
    return <Failure error={doubt.error} />;
  }
  if (!doubt.data) {
    return <p className="p-4">Comparing…</p>;
  }
  const { party, blockedDocuments, blockedAmount } = doubt.data;
  const holds =
    blockedDocuments === 0
      ? 'holds up nothing'
      : `holds up ${plural(blockedDocuments, 'document')}, ${money(blockedAmount, route.currency)}`;
  return (
    <section
      aria-label={`Who is ${party.name}?`}
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex items-center gap-3 border-b px-3 py-1 text-[13px]">
        <Link className="underline" to={list}>
          All parties
        </Link>
        <Key>Esc</Key>
        {change.error && <Failure error={change.error} />}
        {all.length > AT_ONCE && (
          <button
            type="button"
            className="act ml-auto"
            onClick={() => setFrom(from + AT_ONCE < all.length ? from + AT_ONCE : 0)}
          >
            {from + AT_ONCE < all.length ? `${all.length - from - AT_ONCE} more` : 'From the first'}{' '}
            <Key>n</Key>
          </button>
        )}
      </div>
      <div
        className="grid min-h-0 flex-1 grid-rows-[auto_repeat(6,minmax(54px,auto))_1fr] overflow-auto"
        style={{
          gridTemplateColumns: `minmax(270px, 27%) 54px repeat(${Math.max(1, shown.length)}, minmax(330px, 1fr))`,
        }}
      >
        <div className="row-span-full grid grid-cols-[112px_1fr] grid-rows-subgrid">
          <span />
          <header className="pt-2 pb-1">
            <p className="title text-primary text-[13px]">In {route.source}</p>
            <h2 className="title text-[19px] leading-tight">{party.name}</h2>
            <p className="text-[13px]">{party.code}</p>
            <p className={blockedDocuments > 0 ? 'text-accent text-[13px]' : 'soft text-[13px]'}>{holds}</p>
          </header>
          {TOPICS.map((each) => (
            <div
              key={each.topic}
              className="border-base-300 col-span-2 grid grid-cols-subgrid items-center border-t px-3"
            >
              <span className="soft text-[12.5px]">{each.name}</span>
              <div>
                <Known values={each.of(party)} />
              </div>
            </div>
          ))}
          <div className="border-base-content col-span-2 grid grid-cols-subgrid items-center border-t-2 px-3">
            <span className="soft text-[12.5px]">Together</span>
            <span className="soft text-[12.5px]">
              Right of the line for, left of it against, as long as it weighs.
            </span>
          </div>
          <div className="border-base-300 col-span-2 grid grid-cols-subgrid items-start border-t px-3 pt-2">
            <span />
            <div>
              <button
                type="button"
                className="act"
                disabled={!me.mayChange || change.isPending}
                onClick={() => decide('')}
              >
                {NEW[Math.min(all.length, 3)]} <Key>3</Key>
              </button>
              <p className="mt-1 text-[12.5px]">created on {route.ledger} with its first document</p>
            </div>
          </div>
        </div>
        <span className="gutter row-span-full" aria-hidden="true" />
        {shown.map((candidate, index) => (
          <CandidateColumn
            key={candidate.party.code}
            candidate={candidate}
            asked={doubt.data}
            place={from + index}
            shortcut={String(index + 1)}
            onDecide={me.mayChange && !change.isPending ? () => decide(candidate.party.code) : undefined}
          />
        ))}
        {all.length === 0 && (
          <p className="row-span-full p-6">
            Nobody on {route.ledger} looks like {party.name}. It is created there with its first document.
          </p>
        )}
      </div>
      <Pile others={others} onLater={goOn} />
    </section>
  );
}
