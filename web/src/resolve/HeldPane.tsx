import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { documentQuery } from '../api/queries';
import { isSettlement } from '../api/recordKinds';
import { useCurrent } from '../app/current';
import { Changes } from '../release/Changes';
import { Diverged } from '../release/Diverged';
import { Sentence } from '../release/Sentence';
import { SendAgain } from '../release/SendAgain';
import { TrailList } from '../release/TrailList';
import { Failure } from '../ui/Failure';
import { day, money } from '../ui/format';
import { AskNow } from './AskNow';
import { FollowAllGone } from './FollowAllGone';
import { LeaveAlone } from './LeaveAlone';
import { LetAllStand } from './LetAllStand';
import { PaneHead } from './PaneHead';
import type { HeldCause } from './queries';
import { SendAll } from './SendAll';
import { whatOf, wordsOf } from './words';

interface Props {
  cause: HeldCause;
  place: number;
  onPlace: (place: number) => void;
}

/**
 * What waits for an answer is asked about by itself; what was voided is taken back one by one; money and documents go
 * in batches of their own.
 */
const goesAgain = (held: HeldCause) =>
  /^(refused:|unreached|changed-|not-together)/.test(whatOf(held)) &&
  held.records.length > 1 &&
  new Set(held.records.map((each) => isSettlement(each.kind))).size === 1;

/** One record of a cause, with what happened to it and what can be done. */
export function HeldPane({ cause, place, onPlace }: Props) {
  const { me, route } = useCurrent();
  const record = cause.records[place];
  const detail = useQuery({ ...documentQuery(record?.id ?? 0), enabled: record !== undefined });
  if (!record) {
    return null;
  }
  const words = wordsOf(cause, route);
  const what = whatOf(cause);
  const data = detail.data;
  return (
    <section
      aria-label="What is held"
      className="sheet flex min-h-0 flex-col overflow-auto rounded-b-none border-b-0"
    >
      <PaneHead
        name={record.number}
        says={`${record.party}, ${day(record.date)}, ${money(record.gross, record.currency)}`}
        glyph={words.state}
        state={words.state}
        place={place}
        count={cause.count}
        listed={cause.records.length}
        onPlace={onPlace}
      />
      {data?.document.state !== 'Diverged' && <p className="px-4 py-2.5">{words.says}</p>}
      {data?.document.state === 'Diverged' && data.document.sentence && (
        <p className="text-error px-4 pt-2 text-[13px]">
          <Sentence parts={data.parts} />
        </p>
      )}
      {detail.error && <Failure error={detail.error} />}
      {data && (
        <>
          {data.document.state === 'Diverged' ? (
            <Diverged
              key={`${data.document.id} ${data.sides.since.ledgerVersion}`}
              document={data.document}
              sides={data.sides}
              stay
            />
          ) : (
            <Changes changes={data.sides.changes} source={route.source} ledger={route.ledger} />
          )}
        </>
      )}
      <div className="flex flex-wrap items-center gap-2 px-4 py-2">
        {data && <SendAgain document={data.document} since={data.sides.since} />}
        {me.mayChange && what === 'unconfirmed' && record.batch > 0 && !route.toFiles && (
          <AskNow batch={record.batch} />
        )}
        {me.mayChange && goesAgain(cause) && !route.toFiles && (
          <>
            {what === 'changed-both' && <SendAll cause={cause} keeps />}
            <SendAll cause={cause} />
          </>
        )}
        {me.mayChange && /^(changed-|not-together)/.test(what) && cause.records.length > 1 && (
          <LetAllStand cause={cause} />
        )}
        {me.mayChange && what.startsWith('gone-') && cause.records.length > 1 && (
          <FollowAllGone cause={cause} to={cause.cause === what ? route.ledger : route.source} />
        )}
        {me.mayChange && data && what !== 'unconfirmed' && <LeaveAlone document={data.document} />}
        <Link className="act" to={`/documents/${record.id}?route=${route.code}`}>
          Both sides in full
        </Link>
        {what === 'unconfirmed' && (
          <Link className="act" to={`/send?route=${route.code}`}>
            Batches on Send
          </Link>
        )}
        {what.startsWith('refused:') && cause.count > 1 && (
          <Link
            className="act"
            to={`/release?route=${route.code}&state=Refused&cause=${encodeURIComponent(what)}`}
          >
            All {cause.count} on Release
          </Link>
        )}
      </div>
      <section aria-label="Trail" className="border-base-300 mt-2 border-t px-4 py-2.5">
        <h3 className="soft mb-1 text-[12.5px] font-semibold">What happened to it</h3>
        <TrailList id={record.id} />
      </section>
    </section>
  );
}
