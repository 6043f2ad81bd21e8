import { infiniteQueryOptions, keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import { answer, client, type Schemas } from '../api/client';
import type { RecordKind } from '../api/queries';
import { toTheEnd } from '../api/toTheEnd';
import { useCurrent } from '../app/current';
import { useView } from '../app/useView';
import { WHATS } from '../release/useReleaseView';
import { Book } from '../ui/book/Book';
import { DaysChip } from '../ui/choose/DaysChip';
import { Failure } from '../ui/Failure';
import { logColumns } from './logColumns';
import { OUTCOMES, outcomeSaid, pageOf, wayWords, type Way } from './words';

interface Narrowed {
  way: Way | undefined;
  kind: RecordKind[] | undefined;
  parties: boolean | undefined;
  outcome: string | undefined;
  text: string | undefined;
  from: string | undefined;
  to: string | undefined;
}

const PAGE = 100;
const PARTIES = 'parties';

const logQuery = (route: string, narrowed: Narrowed) =>
  infiniteQueryOptions({
    queryKey: ['log', route, narrowed],
    queryFn: ({ pageParam, signal }) =>
      answer(
        client.GET('/api/log', {
          params: { query: { route, ...narrowed, after: pageParam, limit: PAGE } },
          signal,
        }),
      ),
    initialPageParam: '',
    getNextPageParam: (page) => page.next || undefined,
    placeholderData: keepPreviousData,
  });

const entryKey = (entry: Schemas['LogEntry']) => entry.name;

/** Everything that crossed on a route, either way, the newest first. */
export function LogPage() {
  const { route } = useCurrent();
  const view = useView();
  const navigate = useNavigate();
  const ways = wayWords(route);
  const narrowed: Narrowed = {
    way: (view.get('way') || undefined) as Way | undefined,
    kind: WHATS[view.get('what')]?.kinds,
    parties: view.get('what') === PARTIES ? true : undefined,
    outcome: view.get('outcome') || undefined,
    text: view.get('text') || undefined,
    from: view.get('from') || undefined,
    to: view.get('to') || undefined,
  };
  const log = useInfiniteQuery(logQuery(route.code, narrowed));
  const entries = useMemo(() => log.data?.pages.flatMap((page) => page.entries) ?? [], [log.data]);
  const [at, setAt] = useState<string>();
  const columns = useMemo(() => logColumns(route), [route]);
  useHotkeys('escape', () => void navigate(`/send?route=${route.code}`));
  const isNarrowed = Object.values(narrowed).some((each) => each !== undefined);
  return (
    <section aria-label="Log" className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
      <div className="border-base-300 flex flex-wrap items-center gap-2 border-b px-3 py-1">
        <h1 className="title mr-2 text-[17px]">All that crossed</h1>
        <Choice
          label="Which way"
          all="Both ways"
          value={view.get('way')}
          options={Object.entries(ways)}
          onChoose={(way) => view.set({ way })}
        />
        <Choice
          label="What is shown"
          all="All kinds"
          value={view.get('what')}
          options={[
            ...Object.entries(WHATS).map(([word, each]): [string, string] => [word, each.name]),
            [PARTIES, 'Parties and items'],
          ]}
          onChoose={(what) => view.set({ what })}
        />
        <Choice
          label="How it came out"
          all="However it came out"
          value={view.get('outcome')}
          options={OUTCOMES.map((each) => [each, outcomeSaid(each)])}
          onChoose={(outcome) => view.set({ outcome })}
        />
        <DaysChip
          label="Day of crossing"
          span={narrowed}
          onChoose={({ from, to }) => view.set({ from: from ?? null, to: to ?? null })}
        />
        <input
          type="search"
          aria-label="Narrow the log"
          placeholder="Number or party"
          className="field w-44"
          value={view.get('text')}
          onChange={(event) => view.set({ text: event.target.value }, { replace: true })}
        />
      </div>
      {log.error && <Failure error={log.error} />}
      <Book
        name="log"
        label="All that crossed"
        columns={columns}
        rows={entries}
        keyOf={entryKey}
        at={at ?? (entries[0] && entryKey(entries[0]))}
        onAt={setAt}
        onOpen={(entry) => void navigate(pageOf(entry, route.code))}
        readAll={
          log.hasNextPage ? async () => (await toTheEnd(log)).flatMap((page) => page.entries) : undefined
        }
        onEnd={() => log.hasNextPage && !log.isFetchingNextPage && void log.fetchNextPage()}
        empty={
          log.isSuccess && (
            <p className="soft p-4">
              {isNarrowed ? 'Nothing of that kind crossed.' : 'Nothing has crossed on this route yet.'}
            </p>
          )
        }
      />
    </section>
  );
}

interface ChoiceProps {
  label: string;
  all: string;
  value: string;
  options: [string, string][];
  onChoose: (value: string) => void;
}

const Choice = ({ label, all, value, options, onChoose }: ChoiceProps) => (
  <select
    className="field w-auto text-[13px]"
    aria-label={label}
    value={value}
    onChange={(event) => onChoose(event.target.value)}
  >
    <option value="">{all}</option>
    {options.map(([word, says]) => (
      <option key={word} value={word}>
        {says}
      </option>
    ))}
  </select>
);
