import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { ColumnForm } from './ColumnForm';
import { isTable, NEW_LAYOUT, type Place } from './draft';
import { Gaps } from './Gaps';
import { InvoiceSheet } from './InvoiceSheet';
import { LayoutForm } from './LayoutForm';
import { LayoutSheet } from './LayoutSheet';
import type { Field, KnownLayout, Layout } from './queries';

interface Props {
  route: Schemas['RouteJson'];
  known: KnownLayout;
  fields: Field[];
  /** Whether the kind of the ledger brings it along: it is copied, and not changed. */
  bundled: boolean;
  onChosen: (layout: KnownLayout) => void;
}

/** By which the ledger's answer says what it is about. */
const hasReference = (layout: Layout) =>
  !isTable(layout) ||
  layout.files.some((file) => file.columns.some((column) => column.field === 'REFERENCE'));

/** One layout, shown on real documents while it is changed. */
export function LayoutEditor({ route, known, fields, bundled, onChosen }: Props) {
  const { me } = useSession();
  const refresh = useRefresh();
  const notice = useNotice();
  const [layout, setLayout] = useState<Layout>(known.layout);
  const [place, setPlace] = useState<Place>({ file: 0, which: 'columns', column: 0 });
  const fixed = bundled || !me.mayChange;
  const table = isTable(layout);
  const named = { ...layout, name: layout.name.trim() === '' ? '-' : layout.name };
  const shown = useQuery({
    queryKey: ['layouts', 'shown', route.code, named],
    queryFn: () => answer(client.POST('/api/layouts/shown', { body: { route: route.code, layout: named } })),
    placeholderData: keepPreviousData,
    enabled: me.mayChange,
    retry: false,
  });
  const keep = useMutation({
    mutationFn: () =>
      answer(
        client.PUT('/api/layouts', {
          body: {
            route: route.code,
            expectedVersion: known.version,
            layout,
            ...(known.id ? { id: known.id } : {}),
          },
        }),
      ),
    onSuccess: async (kept) => {
      await refresh();
      notice({
        tone: 'done',
        text: `Layout “${layout.name}” is kept; batches can be written by it from now on`,
      });
      onChosen({ id: kept.id, version: known.version + 1, layout });
    },
  });
  const drop = useMutation({
    mutationFn: () =>
      answer(
        client.DELETE('/api/layouts/{id}', {
          params: { path: { id: known.id ?? 0 }, query: { route: route.code } },
        }),
      ),
    onSuccess: async () => {
      await refresh();
      // It is still on the screen, so that one can keep it after all.
      onChosen({ version: 0, layout: known.layout });
      notice({
        tone: 'done',
        text: `Layout “${known.layout.name}” is gone; batches that were written by it stay. Keep it again if that was a slip`,
      });
    },
  });
  const same = JSON.stringify(layout) === JSON.stringify(known.layout) && known.id !== undefined;
  return (
    <>
      <LayoutForm layout={layout} disabled={fixed} onChange={setLayout} />
      {bundled && (
        <p className="soft mt-1 text-[13px]">
          {route.ledger} brings this layout along, so it stays as it is.{' '}
          {me.mayChange && (
            <button
              type="button"
              className="cursor-pointer underline"
              onClick={() => onChosen({ version: 0, layout: { ...layout, name: `${layout.name}, ours` } })}
            >
              Make another after it
            </button>
          )}
        </p>
      )}
      {!fixed && table && (
        <div className="bg-base-200 border-base-300 mt-2 border px-3 py-2">
          <ColumnForm
            layout={layout}
            fields={fields}
            place={place}
            onChange={(next, to) => {
              setLayout(next);
              setPlace(to);
            }}
          />
        </div>
      )}
      {shown.error && <Failure error={shown.error} />}
      {!table && (
        <InvoiceSheet
          layout={layout}
          text={shown.error ? '' : (shown.data?.files[0]?.text ?? '')}
          disabled={fixed}
          onChange={setLayout}
        />
      )}
      {shown.data && !shown.error && <Gaps gaps={shown.data.gaps} ledger={route.ledger} />}
      {(table ? layout.files : []).map((_, i) => (
        <LayoutSheet
          key={i}
          layout={layout}
          fields={fields}
          file={i}
          rows={shown.error ? [] : (shown.data?.files[i]?.rows ?? [])}
          place={place}
          disabled={fixed}
          onPlace={setPlace}
          onChange={setLayout}
        />
      ))}
      {!hasReference(layout) && (
        <p className="text-accent mt-1 text-[13px]">
          Without a column for our reference no answer of {route.ledger} can settle what went by it; each
          document would have to be settled by hand.
        </p>
      )}
      {shown.data && (
        <p className="soft mt-1 text-[13px]">
          {shown.data.records > 0
            ? `As it comes out, on ${plural(shown.data.records, 'record')} of this route.`
            : `Nothing of this kind is ready, or has gone before${table ? '; the columns are shown without rows' : ''}.`}
        </p>
      )}
      {keep.error && <Failure error={keep.error} />}
      {drop.error && <Failure error={drop.error} />}
      {!fixed && (
        <div className="mt-3 flex gap-2">
          <button
            type="button"
            className="act act-main"
            disabled={keep.isPending || same || layout.name.trim() === '' || shown.error !== null}
            onClick={() => keep.mutate()}
          >
            Keep this layout
          </button>
          {table && layout.files.length < 8 && (
            <button
              type="button"
              className="act"
              onClick={() =>
                setLayout({
                  ...layout,
                  files: [
                    ...layout.files,
                    ...NEW_LAYOUT.files.map((each) => ({ ...each, name: `file ${layout.files.length + 1}` })),
                  ],
                })
              }
            >
              Another file beside it
            </button>
          )}
          {!same && (
            <button type="button" className="act" onClick={() => setLayout(known.layout)}>
              As it was
            </button>
          )}
          {known.id !== undefined && (
            <button
              type="button"
              className="act ml-auto"
              disabled={drop.isPending}
              onClick={() => drop.mutate()}
            >
              Drop this layout
            </button>
          )}
        </div>
      )}
    </>
  );
}
