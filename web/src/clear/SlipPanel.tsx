import { useRef } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { amount, counted, day, money, plural } from '../ui/format';
import { Key } from '../ui/Key';
import { Made } from './Made';
import type { Sheet } from './queries';
import { amountOf, byMeans, named, whyLeft } from './ticked';
import type { BankingInHand } from './useBanking';

interface Props {
  sheet: Sheet;
  hand: BankingInHand;
}

/** The right page: the slip, what stays where it is, and what the ledger will book. */
export function SlipPanel({ sheet, hand }: Props) {
  const { me, route } = useCurrent();
  const says = useRef<HTMLInputElement>(null);
  useHotkeys('t', (event) => {
    event.preventDefault();
    says.current?.select();
  });
  useHotkeys('b', () => hand.mayBank && hand.isChanged && hand.bank.mutate());
  useHotkeys(
    'y',
    (event) => {
      // It is no part of the slip's total.
      event.preventDefault();
      hand.tickFits();
    },
    {
      enabled: hand.fits.length > 0,
      enableOnFormTags: ['INPUT'],
      ignoreEventWhen: (event) =>
        event.target instanceof HTMLInputElement &&
        event.target.type === 'text' &&
        event.target.id !== 'stated',
    },
  );
  return (
    <aside
      aria-label="Paying-in slip"
      className="border-base-300 flex w-[410px] shrink-0 flex-col border-l max-[1100px]:w-[330px]"
    >
      <div className="flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-4 py-3 text-[13px]">
        {hand.made && <Made banking={hand.made} isChanged={hand.isChanged} />}
        {sheet.banking !== undefined && sheet.banking.withdrawn !== '' && (
          <p className="text-accent">
            The banking of this day was withdrawn: {sheet.banking.withdrawn}. Banking it makes it anew.{' '}
            {sheet.banking.state !== 'Voided' && me.mayChange && (
              <Link className="underline" to={sendOf(route.code, sheet.banking.id)}>
                Send it, so that it is taken back there…
              </Link>
            )}
          </p>
        )}
        <Slip sheet={sheet} hand={hand} says={says} />
        {hand.preview.error && <Failure error={hand.preview.error} />}
        {!hand.agree && <Differs sheet={sheet} hand={hand} />}
        <LeftOut hand={hand} currency={sheet.currency} />
        <Booked hand={hand} on={sheet.day} />
      </div>
      {me.mayChange && <Act sheet={sheet} hand={hand} />}
    </aside>
  );
}

function Slip({ sheet, hand, says }: Props & { says: React.RefObject<HTMLInputElement | null> }) {
  const { me } = useCurrent();
  const groups = byMeans(hand.ticked);
  return (
    <div className="border-secondary bg-base-200/50 rounded border px-3 py-2">
      <label className="flex items-center justify-between gap-2">
        <b className="soft">Paying-in slip</b>
        <span className="flex items-center gap-2">
          no.
          <input
            className="field w-32"
            aria-label="Number of the slip"
            maxLength={200}
            readOnly={!me.mayChange}
            value={hand.slip}
            onChange={(event) => hand.setSlip(event.target.value)}
          />
        </span>
      </label>
      <table className="slip">
        <tbody>
          {groups.map((group) => (
            <tr key={group.means}>
              <td>{named(group.means)}</td>
              <td className="amount">{counted(group.receipts.length)}</td>
              <td className="amount">{amount(amountOf(group.receipts))}</td>
            </tr>
          ))}
          <tr className="total">
            <td>Ticked</td>
            <td className="amount">{counted(hand.ticked.length)}</td>
            <td className="amount">{amount(hand.total)}</td>
          </tr>
          <tr>
            <td colSpan={2}>
              <label htmlFor="stated">
                The slip says <Key>t</Key>
              </label>
            </td>
            <td className="amount">
              <input
                id="stated"
                ref={says}
                className="field w-32 text-right"
                inputMode="decimal"
                placeholder={sheet.currency}
                maxLength={30}
                readOnly={!me.mayChange}
                value={hand.stated}
                onChange={(event) => hand.setStated(event.target.value)}
              />
            </td>
          </tr>
          {hand.short !== '' && (
            <tr className={hand.agree ? 'text-primary' : 'text-accent'}>
              <td colSpan={2}>
                <b>{hand.agree ? 'They agree' : Number(hand.short) > 0 ? 'Short by' : 'Over by'}</b>
              </td>
              <td className="amount">
                <b>{amount(hand.short.replace('-', ''))}</b>
              </td>
            </tr>
          )}
        </tbody>
      </table>
    </div>
  );
}

/** What could make them agree, or why it goes though they do not. */
function Differs({ sheet, hand }: Props) {
  const { me, route } = useCurrent();
  if (!me.mayChange) {
    return null;
  }
  const fit = hand.fits.map((each) => sheet.receipts.find((receipt) => receipt.id === each.id));
  return (
    <div className="border-accent flex flex-col gap-2 border-l-2 pl-3">
      {hand.fits.length > 0 && (
        <p className="text-accent">
          {fit.length === 1 ? 'One that is not ticked is' : 'Two that are not ticked are'}{' '}
          {amount(hand.short)}:{' '}
          {fit.map((each) => each && `${each.reference || each.number} of ${each.party}`).join(' and ')}.{' '}
          <button type="button" className="cursor-pointer underline" onClick={hand.tickFits}>
            Tick {fit.length === 1 ? 'it' : 'them'} <Key>y</Key>
          </button>
        </p>
      )}
      <fieldset className="flex flex-col gap-1">
        <legend className="soft">{hand.fits.length > 0 ? 'Or bank it' : 'Bank it'} though they differ</legend>
        <label className={`flex gap-2 ${hand.hasCash ? '' : 'opacity-60'}`}>
          <input
            type="radio"
            name="difference"
            checked={hand.difference === 'CASH'}
            disabled={!hand.hasCash}
            onChange={() => hand.setDifference('CASH')}
          />
          cash was miscounted: the bank gets what the slip says, the rest is a difference in cash
        </label>
        <label className="flex gap-2">
          <input
            type="radio"
            name="difference"
            checked={hand.difference === 'KEPT'}
            onChange={() => hand.setDifference('KEPT')}
          />
          the slip is wrong: {route.ledger} gets what is ticked
        </label>
        <label className="flex flex-col gap-1">
          Why
          <input
            className="field"
            maxLength={500}
            value={hand.why}
            onChange={(event) => hand.setWhy(event.target.value)}
          />
        </label>
      </fieldset>
    </div>
  );
}

function LeftOut({ hand, currency }: { hand: BankingInHand; currency: string }) {
  if (hand.left.length === 0) {
    return null;
  }
  const reasons = [...new Set(hand.left.map(whyLeft))];
  return (
    <section>
      <h3 className="soft text-[12.5px] font-semibold">Left out, stays where it is</h3>
      <table className="slip">
        <tbody>
          {reasons.map((reason) => {
            const of = hand.left.filter((each) => whyLeft(each) === reason);
            return (
              <tr key={reason}>
                <td>
                  {reason === '' ? 'Not ticked' : reason.charAt(0).toUpperCase() + reason.slice(1)}
                  {of.length > 1 && <span className="soft"> ({of.length})</span>}
                </td>
                <td className="amount">{amount(amountOf(of))}</td>
              </tr>
            );
          })}
          <tr className="total">
            <td>Still to be banked then, {currency}</td>
            <td className="amount">{amount(amountOf(hand.left))}</td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}

function Booked({ hand, on }: { hand: BankingInHand; on: string }) {
  const { route } = useCurrent();
  if (hand.ticked.length === 0 || hand.does === undefined) {
    return null;
  }
  return (
    <section aria-label="What it books">
      {hand.does.findings.map((finding) => (
        <p key={finding.sentence} className="text-accent">
          {finding.sentence}
        </p>
      ))}
      {hand.does.findings.some((finding) => finding.sentence.startsWith('It waits')) && (
        <p className="soft">It can be banked now, and goes to {route.ledger} once they are there.</p>
      )}
      {hand.does.journal.length > 0 && (
        <>
          <h3 className="soft text-[12.5px] font-semibold">Journal, {day(on)}</h3>
          <table className="slip">
            <tbody>
              {hand.does.journal.map((line, index) => (
                <tr key={index}>
                  <td>
                    {line.account} {line.name}
                    {line.dimensions !== '' && <span className="soft">, {line.dimensions}</span>}
                  </td>
                  <td className="amount">{line.debit && amount(line.debit)}</td>
                  <td className="amount">{line.credit && amount(line.credit)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </>
      )}
    </section>
  );
}

function Act({ sheet, hand }: Props) {
  const { route } = useCurrent();
  const label = hand.made ? 'Correct it to' : 'Bank';
  return (
    <div className="border-base-300 flex flex-col gap-2 border-t px-4 py-3 text-[13px]">
      {hand.bank.error && <Failure error={hand.bank.error} />}
      <div className="flex flex-wrap items-center gap-2">
        <button
          type="button"
          className="act act-main"
          disabled={!hand.mayBank || !hand.isChanged}
          onClick={() => hand.bank.mutate()}
        >
          {hand.bank.isPending
            ? 'Banking…'
            : `${label} ${counted(hand.ticked.length)} for ${money(hand.amount, sheet.currency)}`}{' '}
          <Key>b</Key>
        </button>
        {hand.made && !hand.isChanged && hand.made.state === 'Ready' && (
          <Link className="act" to={sendOf(route.code, hand.made.id)}>
            Send it…
          </Link>
        )}
      </div>
      {!hand.agree && !hand.mayBank && (
        <p className="soft">It waits until both totals are the same, or you say why not.</p>
      )}
      {hand.ticked.length === 0 && sheet.receipts.length > 0 && (
        <p className="soft">Nothing of the {plural(sheet.receipts.length, 'receipt')} is ticked.</p>
      )}
    </div>
  );
}

export const sendOf = (route: string, id: number) =>
  `/release?route=${route}&state=All&what=bankings&panel=batch&chosen=${id}`;
