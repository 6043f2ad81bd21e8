import { useQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { Link, useNavigate } from 'react-router';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { useLast } from '../batch/useLast';
import { MailOf } from '../mail/MailOf';
import { Prints } from '../send/Prints';
import { Book } from '../ui/book/Book';
import { DayField } from '../ui/DayField';
import { Failure } from '../ui/Failure';
import { amount, day, moneys, plural } from '../ui/format';
import { Key } from '../ui/Key';
import { Measure } from './Measure';
import { sheetQuery, type Receipt, type Sheet } from './queries';
import { receiptColumns } from './receiptColumns';
import { SlipPanel } from './SlipPanel';
import { amountOf, byMeans, named } from './ticked';
import { useBanking } from './useBanking';
import { WhatIsMissing } from './WhatIsMissing';

/** What was received is ticked on the left, the slip and what it books stand on the right. */
export function BankingPage() {
  const { route } = useCurrent();
  const view = useView();
  const navigate = useNavigate();
  const asked = {
    route: route.code,
    account: view.get('account') || undefined,
    day: view.get('day') || undefined,
    since: view.get('since') || undefined,
  };
  const sheet = useQuery(sheetQuery(asked));
  const shown = useLast(sheet.data, route.code);
  const back = () => void navigate(`/clear?route=${route.code}`);
  const [mailing, setMailing] = useState(false);
  const mail = () => setMailing((open) => !open);
  useHotkeys('esc', back);
  useHotkeys('m', mail, { preventDefault: true, enabled: shown?.banking !== undefined });
  if (!shown) {
    return sheet.error ? <Failure error={sheet.error} /> : <p className="soft">Gathering…</p>;
  }
  return (
    <section
      aria-label="To the bank"
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-end gap-3 border-b px-4 py-2">
        <button type="button" className="act" onClick={back}>
          All bankings <Key>Esc</Key>
        </button>
        <h1 className="title text-[18px]">To the bank on {day(shown.day)}</h1>
        <label className="flex flex-col text-[13px]">
          <span className="sr-only">Into</span>
          <select
            className="field"
            value={shown.account}
            onChange={(event) => view.set({ account: event.target.value })}
          >
            {shown.banks.map((each) => (
              <option key={each.code} value={each.code}>
                {each.code} {each.name}
              </option>
            ))}
          </select>
        </label>
        <DayField
          key={`day ${shown.day}`}
          label="On"
          day={shown.day}
          onDay={(next) => next && view.set({ day: next, since: null })}
        />
        <DayField
          key={`since ${shown.since}`}
          label="Received since"
          day={shown.since}
          onDay={(next) => next && view.set({ since: next })}
        />
        {shown.banking && (
          <>
            <button type="button" className="act" aria-expanded={mailing} onClick={mail}>
              E-mail… <Key>m</Key>
            </button>
            <Prints path={`/api/bankings/${shown.banking.id}/report`} what="the slip" />
          </>
        )}
      </div>
      {mailing && shown.banking && (
        <MailOf subject={{ about: 'banking', id: shown.banking.id }} onClose={() => setMailing(false)} />
      )}
      {sheet.error && <Failure error={sheet.error} />}
      <InHand
        key={`${shown.account} ${shown.day} ${shown.since} ${shown.banking?.version ?? 0}`}
        sheet={shown}
      />
    </section>
  );
}

const keyOf = (row: Receipt) => String(row.id);

function InHand({ sheet }: { sheet: Sheet }) {
  const { me, route } = useCurrent();
  const navigate = useNavigate();
  const hand = useBanking(sheet);
  const [at, setAt] = useState<string>();
  const columns = useMemo(() => receiptColumns(sheet.currency), [sheet.currency]);
  const groups = byMeans(sheet.receipts).map((group) => {
    const of = group.receipts.filter((each) => hand.chosen.has(each.id));
    return {
      key: group.means,
      tone: 'means',
      head: (
        <span className="flex justify-between font-semibold">
          <span>
            {named(group.means)}, {of.length} of {group.receipts.length}
          </span>
          <span>{amount(amountOf(of))}</span>
        </span>
      ),
      rows: group.receipts,
    };
  });
  const first = groups[0]?.rows[0];
  const chosen = new Set([...hand.chosen].map(String));
  return (
    <>
      <Measure groups={byMeans(hand.ticked)} stated={hand.says} />
      <div className="flex min-h-0 flex-1">
        <div className="flex min-h-0 min-w-0 flex-1 flex-col">
          <Book
            name="receipts"
            label="Received, waiting to be banked"
            columns={columns}
            rows={sheet.receipts}
            groups={groups}
            keyOf={keyOf}
            nameOf={(row) => `${row.party} ${row.amount}`}
            dataOf={(row) => ({ receipt: row.number })}
            at={at ?? (first && keyOf(first))}
            onAt={setAt}
            onOpen={(row) => void navigate(`/documents/${row.id}?route=${route.code}`)}
            {...(me.mayChange
              ? { chosen, onChoose: (next: Set<string>) => hand.setChosen(new Set([...next].map(Number))) }
              : {})}
            empty={<WhatIsMissing sheet={sheet} />}
          />
          <Beside sheet={sheet} />
        </div>
        <SlipPanel sheet={sheet} hand={hand} />
      </div>
    </>
  );
}

/** What is not on the list, and why. */
function Beside({ sheet }: { sheet: Sheet }) {
  const { route } = useCurrent();
  const view = useView();
  return (
    <div className="soft border-base-300 flex flex-wrap gap-x-4 border-t px-4 py-1 text-[12.5px]">
      {sheet.before.count > 0 && (
        <span className="text-accent">
          {plural(sheet.before.count, 'receipt')} from before {day(sheet.since)}, {moneys([sheet.before])},
          never banked.{' '}
          <button
            type="button"
            className="cursor-pointer underline"
            onClick={() => view.set({ since: yearBefore(sheet.since) })}
          >
            Show a year more
          </button>
        </span>
      )}
      {sheet.foreign.map((each) => (
        <span key={each.currency}>
          {plural(each.count, 'receipt')} in {each.currency}, {moneys([each])}: a banking takes{' '}
          {sheet.currency} only.
        </span>
      ))}
      {sheet.together.length > 0 && (
        <span>
          Taken to the bank together: {sheet.together.join(', ')}.
          {sheet.alone.length > 0 && ` By itself arrives: ${sheet.alone.join(', ')}.`}{' '}
          <Link className="underline" to={`/map?route=${route.code}&kind=means`}>
            Means of payment
          </Link>
        </span>
      )}
    </div>
  );
}

const yearBefore = (day: string) =>
  `${Number(day.slice(0, 4)) - 1}${day.slice(4)}`.replace('-02-29', '-02-28');
