import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, postFiles, type Schemas } from '../api/client';
import { DoOrLeave } from '../ui/DoOrLeave';
import { Failure } from '../ui/Failure';
import { LineField } from '../ui/LineField';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';

/** Adds a ledger that takes files: it needs no consent, only to be told of. */
export function LedgerOfFilesForm({ kind, onDone }: { kind: Schemas['KindJson']; onDone: () => void }) {
  const refresh = useConnectRefresh();
  const [name, setName] = useState(kind.name);
  const [company, setCompany] = useState('');
  const [currency, setCurrency] = useState('');
  const add = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/connect/ledgers/files', { body: { kind: kind.code, name, company, currency } }),
      ),
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
      <LineField label="Called here" value={name} autoFocus onChange={setName} />
      <LineField label="Keeps the books of" value={company} maxLength={100} onChange={setCompany} />
      <LineField
        label="in the currency"
        value={currency}
        width="w-20"
        maxLength={3}
        placeholder="CAD"
        onChange={(text) => setCurrency(text.toUpperCase())}
      />
      {add.error && <Failure error={add.error} />}
      <DoOrLeave says="Add it" disabled={!complete || add.isPending} onLeave={onDone} />
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
