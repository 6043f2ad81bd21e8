import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { DoOrLeave } from '../ui/DoOrLeave';
import { Failure } from '../ui/Failure';
import { LineField } from '../ui/LineField';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { OwnFields } from './OwnFields';
import { kindOf, kindsOf, usual, usualAnswers } from './kinds';
import { Sure } from './Sure';
import { stateOf } from './troubles';
import { useConnectRefresh } from './useConnectRefresh';

type Kind = Schemas['KindJson'];

const fetchFrom = (id: number) =>
  workDone(client.POST('/api/pull/sources/{id}', { params: { path: { id } } }));

/** The left page: operational apps, and folders of files. */
export function SourcesPage({ sources, kinds }: { sources: Schemas['SourceJson'][]; kinds: Kind[] }) {
  const { me } = useSession();
  const [adding, setAdding] = useState<Kind | 'files' | null>(null);
  return (
    <section aria-label="Sources" className="p-4">
      <h2 className="title text-primary mb-2">Where the work is done</h2>
      {sources.length === 0 && (
        <p className="mb-3">No source yet. Connect the app that your people work in, or take in files.</p>
      )}
      {sources.map((source) => (
        <Source key={source.id} source={source} kind={kindOf(kinds, source.system)} />
      ))}
      {me.role === 'ADMINISTRATOR' && adding === null && (
        <div className="flex flex-wrap gap-2">
          {kindsOf(kinds, 'source', 'key').map((kind) => (
            <button key={kind.code} type="button" className="act" onClick={() => setAdding(kind)}>
              Connect {kind.name}
            </button>
          ))}
          <button type="button" className="act" onClick={() => setAdding('files')}>
            Add a source of files
          </button>
        </div>
      )}
      {adding !== null && adding !== 'files' && <KeyForm kind={adding} onDone={() => setAdding(null)} />}
      {adding === 'files' && <FilesForm onDone={() => setAdding(null)} />}
    </section>
  );
}

function Source({ source, kind }: { source: Schemas['SourceJson']; kind: Kind | undefined }) {
  const { me } = useSession();
  const refresh = useConnectRefresh();
  const notice = useNotice();
  const [asks, setAsks] = useState<'key' | 'sure' | null>(null);
  const state = stateOf(source.state);
  const fetch = useMutation({
    mutationFn: () => fetchFrom(source.id),
    onSuccess: (fetched) => notice({ tone: 'done', text: fetched.sentence }),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  const disconnect = useMutation({
    mutationFn: () =>
      answer(client.DELETE('/api/connect/sources/{id}', { params: { path: { id: source.id } } })),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
    onSettled: refresh,
  });
  return (
    <article aria-label={source.name} className="border-base-300 mb-4 border-b pb-3 text-[13.5px]">
      <h3 className="flex items-baseline gap-2 text-[15px] font-semibold">
        {source.name}
        <span className={`text-[13px] ${state.tone}`}>{state.word}</span>
        {source.desk !== '' && (
          <a
            className="ml-auto text-[13px] font-normal underline"
            href={source.desk}
            target="_blank"
            rel="noreferrer"
          >
            open its desk
          </a>
        )}
      </h3>
      <p className="soft mb-2">
        {plural(source.documents, 'document')},{' '}
        {source.parties === 1 ? '1 party' : `${source.parties} parties`}, {plural(source.items, 'item')}
        {source.sites.length > 0 && `; ${source.sites.join(' and ')}`}
      </p>
      {me.role === 'ADMINISTRATOR' && source.system !== 'files' && (
        <div className="flex gap-2">
          {source.state === 'connected' && (
            <button type="button" className="act" disabled={fetch.isPending} onClick={() => fetch.mutate()}>
              {fetch.isPending ? 'Fetching…' : 'Fetch'}
            </button>
          )}
          <button type="button" className="act" onClick={() => setAsks('key')}>
            Give another key
          </button>
          {source.state === 'connected' && (
            <button
              type="button"
              className="act"
              aria-expanded={asks === 'sure'}
              onClick={() => setAsks('sure')}
            >
              Disconnect…
            </button>
          )}
        </div>
      )}
      {asks === 'key' && kind && <KeyForm kind={kind} source={source} onDone={() => setAsks(null)} />}
      {asks === 'sure' && (
        <Sure
          says={`Nothing is fetched from ${source.name} until it has a key again. What came from it is kept.`}
          action={`Disconnect ${source.name}`}
          onDo={() => {
            setAsks(null);
            disconnect.mutate();
          }}
          onLeave={() => setAsks(null)}
        />
      )}
    </article>
  );
}

interface KeyProps {
  kind: Kind;
  source?: Schemas['SourceJson'];
  onDone: () => void;
}

/** The key is tried before it is kept; then what the app knows is fetched. */
function KeyForm({ kind, source, onDone }: KeyProps) {
  const refresh = useConnectRefresh();
  const notice = useNotice();
  const [name, setName] = useState(kind.name);
  const [address, setAddress] = useState(source?.address ?? usual(kind, 'address'));
  const [answers, setAnswers] = useState(usualAnswers(kind));
  const [key, setKey] = useState('');
  const connect = useMutation({
    mutationFn: async () => {
      const connected = await workDone(
        client.POST('/api/connect/sources', {
          body: {
            source: source?.id,
            kind: kind.code,
            address,
            name: source?.name ?? name,
            answers: source ? {} : answers,
            key,
          },
        }),
      );
      return fetchFrom(connected.source);
    },
    onSuccess: async (fetched) => {
      await refresh();
      notice({
        tone: 'done',
        text: `${source?.name ?? name} answers and is connected. ${fetched.sentence}`,
      });
      onDone();
    },
  });
  return (
    <form
      aria-label="Key of the app"
      className="my-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        connect.mutate();
      }}
    >
      {!source && <LineField label="Called here" value={name} onChange={setName} />}
      <LineField label="Its address" value={address} width="w-80" maxLength={300} onChange={setAddress} />
      {!source && <OwnFields kind={kind} answers={answers} onChange={setAnswers} />}
      <label className="flex items-center gap-2">
        Its key
        <input
          className="field w-64"
          type="password"
          autoComplete="off"
          value={key}
          autoFocus
          onChange={(event) => setKey(event.target.value)}
        />
      </label>
      {connect.error && <Failure error={connect.error} />}
      <DoOrLeave
        says={connect.isPending ? 'Trying the key…' : 'Try and keep the key'}
        disabled={key === '' || connect.isPending}
        onLeave={onDone}
      />
    </form>
  );
}

function FilesForm({ onDone }: { onDone: () => void }) {
  const refresh = useConnectRefresh();
  const [name, setName] = useState('');
  const add = useMutation({
    mutationFn: () => answer(client.POST('/api/connect/sources/files', { body: { name } })),
    onSuccess: async () => {
      await refresh();
      onDone();
    },
  });
  return (
    <form
      aria-label="Source of files"
      className="my-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <LineField label="Whose files" value={name} autoFocus placeholder="Harbour office" onChange={setName} />
      {add.error && <Failure error={add.error} />}
      <DoOrLeave says="Add it" disabled={name.trim() === '' || add.isPending} onLeave={onDone} />
    </form>
  );
}
