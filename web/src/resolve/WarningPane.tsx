import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { useCurrent } from '../app/current';
import { Sentence } from '../release/Sentence';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';
import { moment, moneys, plural } from '../ui/format';
import { EnteredAnswer } from './EnteredAnswer';
import { PutAway } from './PutAway';
import { Rows } from './Rows';
import { SamePayment } from './SamePayment';
import { Waiting } from './Waiting';
import {
  deskOf,
  isEnteredThere,
  linkOf,
  paymentsOf,
  remedyOf,
  setAsideOf,
  titleOf,
  type Warning,
} from './warnings';

/** What stands in the way before anything is sent: what happened, what comes of it, and where it is put right. */
export function WarningPane({ warning }: { warning: Warning }) {
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const link = linkOf(warning, route.code);
  useHotkeys('o', () => void navigate(link), { enabled: link !== '' });
  const desk = deskOf(warning, route.ledgerDesk);
  useHotkeys('i', () => window.open(desk, '_blank', 'noreferrer'), { enabled: desk !== '' });
  const payments = paymentsOf(warning);
  const setAside = setAsideOf(warning);
  const remedy = remedyOf(warning, route);
  return (
    <section
      aria-label="What is held"
      className="sheet flex min-h-0 flex-col overflow-auto rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        <h2 className="title text-[18px]">{titleOf(warning, route)}</h2>
        <span className="flex items-center gap-1.5">
          <Glyph state="Blocked" size={22} /> before it is sent
        </span>
        <span className="soft ml-auto">
          {warning.count > 0 &&
            `${plural(warning.count, 'record')}${warning.sums.length > 0 ? `, ${moneys(warning.sums)}` : ''}, `}
          {isFinding(warning) ? 'the first came' : 'since'} {moment(warning.since)}
        </span>
      </div>
      <dl className="grid max-w-[860px] grid-cols-[120px_1fr] gap-x-4 gap-y-2 px-4 py-3">
        <dt className="soft">What it is</dt>
        <dd>
          <Sentence parts={warning.parts} />
        </dd>
        {warning.otherwise !== '' && (
          <>
            <dt className="soft">If it is left</dt>
            <dd>{warning.otherwise}</dd>
          </>
        )}
        {remedy !== '' && (
          <>
            <dt className="soft">What to do</dt>
            <dd>{remedy}</dd>
          </>
        )}
      </dl>
      <div className="px-4 pb-3">
        {me.mayChange && <Rows fixes={warning.fixes} />}
        {me.mayChange && payments && <SamePayment {...payments} />}
        {me.mayChange && isEnteredThere(warning) && <EnteredAnswer warning={warning} />}
        {setAside !== undefined && <PutAway type={setAside} />}
      </div>
      <div className="flex flex-wrap items-center gap-2 px-4 pb-3">
        {link !== '' && (
          <Link className="act" to={link}>
            Go where it is put right <Key>o</Key>
          </Link>
        )}
        {desk !== '' && (
          <a className="act" href={desk} target="_blank" rel="noreferrer">
            Open {route.ledger} <Key>i</Key>
          </a>
        )}
        {isFinding(warning) && (
          <Link
            className="act"
            to={`/release?route=${route.code}&state=Blocked&cause=${encodeURIComponent(warning.cause)}`}
          >
            {warning.count === 1 ? 'See it on Release' : `See all ${warning.count} on Release`}
          </Link>
        )}
        <span className="soft text-[12.5px]">
          Once it is right on its side, <b>Fetch both sides</b> above lets go what waited.
        </span>
      </div>
      {isFinding(warning) && <Waiting warning={warning} />}
    </section>
  );
}

const isFinding = ({ cause }: Warning) => !/^(check|set-aside|payment-twice|entered-there):/.test(cause);
