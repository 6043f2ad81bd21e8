import { useMutation, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { postFiles, type Schemas } from '../api/client';
import { useSession } from '../app/current';
import { Failure } from '../ui/Failure';
import { NEW_LAYOUT } from './draft';
import { LayoutEditor } from './LayoutEditor';
import { CARRIES } from './names';
import { layoutsQuery, type KnownLayout, type Layout } from './queries';

type Route = Schemas['RouteJson'];

/** How the files look that go to a ledger: its own layouts, and those that somebody made. */
export function LayoutsPage({ route }: { route: Route }) {
  const { me } = useSession();
  const known = useQuery(layoutsQuery(route.code));
  const [chosen, setChosen] = useState<KnownLayout | null>(null);
  const input = useRef<HTMLInputElement>(null);
  const begin = (layout: Layout) => setChosen({ version: 0, layout });
  const example = useMutation({
    mutationFn: (file: File) =>
      postFiles<Layout>('/api/layouts/example', [file], {
        route: route.code,
        name: file.name.replace(/\.[^.]*$/, '').slice(0, 60),
        carries: 'SALES',
      }),
    onSuccess: begin,
  });
  if (known.error) {
    return <Failure error={known.error} />;
  }
  if (!known.data) {
    return <p className="soft px-4 py-2">Looking for layouts…</p>;
  }
  const { layouts, fields } = known.data;
  const at = chosen ?? layouts[0];
  return (
    <section aria-label="Layouts" className="min-h-0 flex-1 overflow-auto px-4 py-3">
      <div className="mb-2 flex flex-wrap items-center gap-1.5">
        <h2 className="title mr-2 text-[17px]">Files for {route.ledger}</h2>
        {layouts.map((each) => (
          <button
            key={each.layout.name}
            type="button"
            className="chip"
            title={`for ${CARRIES[each.layout.carries]}`}
            aria-pressed={each.layout.name === at?.layout.name && at.id === each.id}
            onClick={() => setChosen(each)}
          >
            {each.layout.name}
          </button>
        ))}
        {me.mayChange && (
          <span className="ml-auto flex gap-1.5">
            <button type="button" className="act" onClick={() => input.current?.click()}>
              {example.isPending ? 'Reading it…' : `After a file of ${route.ledger}…`}
            </button>
            <button type="button" className="act" onClick={() => begin(NEW_LAYOUT)}>
              From nothing…
            </button>
          </span>
        )}
        <input
          ref={input}
          type="file"
          hidden
          accept=".csv,.txt,.tsv,.xlsx"
          aria-label="Example file"
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) {
              example.mutate(file);
            }
            event.target.value = '';
          }}
        />
      </div>
      {example.error && <Failure error={example.error} />}
      {at ? (
        <LayoutEditor
          key={`${at.id ?? at.layout.name} ${at.version}`}
          route={route}
          known={at}
          fields={fields}
          bundled={layouts.includes(at) && at.id === undefined}
          onChosen={setChosen}
        />
      ) : (
        <p>
          There is no layout yet. Make one after a file that {route.ledger} imports already, or from nothing.
        </p>
      )}
    </section>
  );
}
