import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useMemo, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate, useSearchParams } from 'react-router';
import { useCurrent } from '../app/current';
import { useLast } from '../batch/useLast';
import { Book } from '../ui/book/Book';
import { Failure } from '../ui/Failure';
import { day } from '../ui/format';
import { Key } from '../ui/Key';
import { BeginLoad } from './BeginLoad';
import { keyOf, loadColumns } from './loadColumns';
import { LoadUnderWay } from './LoadUnderWay';
import { loadPreviewQuery, loadQuery } from './queries';

/** Everything since a day: what there is, and how far it has come. */
export function LoadPage() {
  const { route } = useCurrent();
  const navigate = useNavigate();
  const client = useQueryClient();
  const [params, setParams] = useSearchParams();
  const last = useQuery(loadQuery(route.code));
  const open = last.data && last.data.state !== 'DONE' ? last.data : undefined;
  const [first] = useState(() => `${new Date().getFullYear()}-01-01`);
  const since = open?.since ?? params.get('since') ?? last.data?.since ?? first;
  const preview = useQuery({ ...loadPreviewQuery(route.code, since), enabled: last.isSuccess });
  const shown = useLast(preview.data, `${route.code} ${since}`);
  const columns = useMemo(() => loadColumns(route.code), [route.code]);
  const [at, setAt] = useState<string>();
  const came = last.data ? last.data.posted + last.data.refused : 0;
  useEffect(() => {
    if (came > 0) {
      void client.invalidateQueries({ queryKey: ['load', route.code, 'since'] });
    }
  }, [came, client, route.code]);
  const back = () => void navigate(`/send?route=${route.code}`);
  useHotkeys('esc', back);
  if (last.error) {
    return <Failure error={last.error} />;
  }
  return (
    <section
      aria-label="Historical load"
      className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0"
    >
      <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-2">
        <button type="button" className="act" onClick={back}>
          All batches <Key>Esc</Key>
        </button>
        <h1 className="title text-[18px]">Everything since {day(since)}</h1>
        <span className="soft">
          documents before what settles them, sales before purchases, day by day, in the background
        </span>
      </div>
      {last.data && <LoadUnderWay load={last.data} />}
      {last.isSuccess && !open && (
        <BeginLoad
          key={route.code}
          since={since}
          preview={shown}
          onSince={(next) => setParams({ route: route.code, since: next }, { replace: true })}
        />
      )}
      {preview.error && <Failure error={preview.error} />}
      <Book
        name="load"
        label="What there is since that day"
        columns={columns}
        rows={shown?.kinds ?? []}
        keyOf={keyOf}
        at={at ?? (shown?.kinds[0] && keyOf(shown.kinds[0]))}
        onAt={setAt}
        empty={shown && <p className="px-4 py-2">{route.source} has told of nothing since then.</p>}
      />
    </section>
  );
}
