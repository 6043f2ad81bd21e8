import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, postFiles, type Schemas } from '../api/client';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';

/** Adds a ledger that takes files: it needs no consent, only to be told of. */
export function LedgerOfFilesForm({ onDone }: { onDone: () => void }) {
  const refresh = useConnectRefresh();
  const [name, setName] = useState('Copperplate');
  const [company, setCompany] = useState('');
  const [currency, setCurrency] = useState('');
  const add = useMutation({
    mutationFn: () =>
      answer(client.POST('/api/connect/ledgers/files', { body: { name, company, currency } })),
    onSuccess: async () => {
      await refresh();
      onDone();
    },
  });
  const complete = name.trim() !== '' && company.trim() !== '' && /^[A-Z]{3}$/.test(currency);
  return (
    <form
      aria-label="Ledger of files"
      className="my-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <label className="flex items-center gap-2">
        Called here
        <input
          className="field w-52"
          value={name}
          maxLength={60}
          autoFocus
          onChange={(event) => setName(event.target.value)}
        />
      </label>
      <label className="flex items-center gap-2">
        Keeps the books of
        <input
          className="field w-52"
          value={company}
          maxLength={100}
          onChange={(event) => setCompany(event.target.value)}
        />
      </label>
      <label className="flex items-center gap-2">
        in the currency
        <input
          className="field w-20"
          value={currency}
          maxLength={3}
          placeholder="CAD"
          onChange={(event) => setCurrency(event.target.value.toUpperCase())}
        />
      </label>
      {add.error && <Failure error={add.error} />}
      <div className="flex gap-2">
        <button type="submit" className="act act-main" disabled={!complete || add.isPending}>
          Add it
        </button>
        <button type="button" className="act" onClick={onDone}>
          Leave it
        </button>
      </div>
    </form>
  );
}

/** Takes the lists that the ledger has written into files: all of them, or none. */
export function TakeLists({ ledger }: { ledger: Schemas['LedgerJson'] }) {
  const refresh = useConnectRefresh();
  const notice = useNotice();
  const take = useMutation({
    mutationFn: (files: File[]) =>
      postFiles<Schemas['ListsOutcome']>(`/api/connect/ledgers/${ledger.id}/lists`, files),
    onSuccess: async (outcome) => {
      if (outcome.problems.length === 0) {
        await refresh();
        notice({
          tone: 'done',
          text: `Lists of ${ledger.name} taken: ${outcome.changes} rows are new or other than before`,
        });
      }
    },
  });
  return (
    <div
      className="my-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        take.mutate([...event.dataTransfer.files]);
      }}
    >
      <label className="flex flex-col gap-1 text-[13px]">
        Its lists as CSV: accounts, tax codes, parties, terms; several at once, or drop them here
        <input
          type="file"
          multiple
          accept=".csv,text/csv"
          className="field"
          disabled={take.isPending}
          onChange={(event) => {
            take.mutate([...(event.target.files ?? [])]);
            event.target.value = '';
          }}
        />
      </label>
      {take.isPending && <p className="soft">Reading…</p>}
      {take.error && <Failure error={take.error} />}
      {take.data && take.data.problems.length > 0 && (
        <div role="alert" className="text-error mt-1 text-[13px]">
          <p>Nothing was taken over:</p>
          <ul>
            {take.data.problems.map((problem) => (
              <li key={problem.where + problem.sentence}>
                <b>{problem.where}</b>: {problem.sentence}
              </li>
            ))}
          </ul>
        </div>
      )}
    </div>
  );
}
