import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { day, moment, plural } from '../ui/format';
import { DoOrLeave } from '../ui/DoOrLeave';
import { LineField } from '../ui/LineField';
import { useNotice } from '../ui/notices';
import { OwnFields } from './OwnFields';
import { kindOf, kindsOf, usual, usualAnswers } from './kinds';
import { LedgerOfFilesForm, TakeLists } from './LedgerOfFiles';
import { Sure } from './Sure';
import { meaningOf, stateOf } from './troubles';
import { useAsk } from './useAsk';
import { useConnectRefresh } from './useConnectRefresh';

/** The right page: the ledgers, each one company's books. */
type Kind = Schemas['KindJson'];

export function LedgersPage({ ledgers, kinds }: { ledgers: Schemas['LedgerJson'][]; kinds: Kind[] }) {
  const { me } = useSession();
  const [adding, setAdding] = useState<Kind | null>(null);
  const put = () => setAdding(null);
  return (
    <section aria-label="Ledgers" className="p-4">
      <h2 className="title text-secondary mb-2">Books that are kept in ledgers</h2>
      {ledgers.length === 0 && <p className="mb-3">No ledger yet. Connect the one that keeps your books.</p>}
      {ledgers.map((ledger) => (
        <Ledger key={ledger.id} ledger={ledger} kind={kindOf(kinds, ledger.system)} />
      ))}
      {me.role === 'ADMINISTRATOR' && adding?.entry === 'files' && (
        <LedgerOfFilesForm kind={adding} onDone={put} />
      )}
      {me.role === 'ADMINISTRATOR' && adding?.entry === 'consent' && (
        <ConsentForm kind={adding} onLeave={put} />
      )}
      {me.role === 'ADMINISTRATOR' ? (
        adding === null && (
          <div className="flex flex-wrap gap-2">
            {[...kindsOf(kinds, 'ledger', 'consent'), ...kindsOf(kinds, 'ledger', 'files')].map((kind) => (
              <button
                key={kind.code}
                type="button"
                className={`act ${ledgers.length === 0 && kind.entry === 'consent' ? 'act-main' : ''}`}
                onClick={() => setAdding(kind)}
              >
                {offer(kind, ledgers)}
              </button>
            ))}
          </div>
        )
      ) : (
        <p className="soft text-[13px]">An administrator connects ledgers.</p>
      )}
    </section>
  );
}

const offer = (kind: Kind, ledgers: Schemas['LedgerJson'][]) =>
  kind.entry === 'files'
    ? `Add ${kind.name}, by files`
    : `Connect ${ledgers.some((each) => each.system === kind.code) ? `another company on ${kind.name}` : kind.name}`;

/** Where the ledger is; its people then say there what Alcabala may do. */
function ConsentForm({ kind, onLeave }: { kind: Kind; onLeave: () => void }) {
  const ask = useAsk();
  const [address, setAddress] = useState(usual(kind, 'address'));
  const [answers, setAnswers] = useState(usualAnswers(kind));
  return (
    <form
      aria-label={`Connect ${kind.name}`}
      className="my-2 flex flex-col gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        ask.mutate({ kind: kind.code, address, answers });
      }}
    >
      <LineField label="Its address" value={address} width="w-80" maxLength={300} onChange={setAddress} />
      <OwnFields kind={kind} answers={answers} onChange={setAnswers} />
      <DoOrLeave
        says={`Ask for consent on ${kind.name}`}
        disabled={address.trim() === '' || ask.isPending}
        onLeave={onLeave}
      />
    </form>
  );
}

function Ledger({ ledger, kind }: { ledger: Schemas['LedgerJson']; kind: Kind | undefined }) {
  const { me } = useSession();
  const state = stateOf(ledger.state);
  const byFiles = kind?.entry === 'files';
  return (
    <article
      aria-label={ledger.name}
      data-state={ledger.state}
      className="border-base-300 mb-4 border-b pb-3 text-[13.5px]"
    >
      <h3 className="flex items-baseline gap-2 text-[15px] font-semibold">
        {ledger.name}
        <span className={`text-[13px] ${state.tone}`}>{state.word}</span>
        <a
          className="ml-auto text-[13px] font-normal underline"
          href={ledger.desk}
          target="_blank"
          rel="noreferrer"
        >
          open its desk
        </a>
      </h3>
      <p>
        {ledger.companyName}, {ledger.currency}
      </p>
      <p className={['connected', 'files'].includes(ledger.state) ? 'soft' : state.tone}>{ledger.sentence}</p>
      <dl className="my-2 grid grid-cols-[auto_1fr] gap-x-4">
        {!byFiles && (
          <>
            <dt className="soft">May</dt>
            <dd>{ledger.scopes.map(meaningOf).join(', ') || '–'}</dd>
            <dt className="soft">Consent until</dt>
            <dd title={ledger.consentEndsAt}>{day(ledger.consentEndsAt) || '–'}</dd>
            <dt className="soft">Present access until</dt>
            <dd title={ledger.expiresAt}>{ledger.expiresAt ? moment(ledger.expiresAt) : '–'}</dd>
          </>
        )}
        <dt className="soft">{byFiles ? 'Lists taken' : 'Pulled'}</dt>
        <dd>
          {ledger.pulledAt
            ? `${moment(ledger.pulledAt)}: ${plural(ledger.accounts, 'account')}, ${plural(ledger.taxCodes, 'tax code')}, ${plural(ledger.parties, 'party')}, ${byFiles ? `terms of ${ledger.terms} kinds` : plural(ledger.items, 'item')}`
            : 'not yet'}
        </dd>
      </dl>
      {me.role === 'ADMINISTRATOR' && byFiles && ledger.state === 'files' && <TakeLists ledger={ledger} />}
      {me.role === 'ADMINISTRATOR' && <Actions ledger={ledger} kind={kind} />}
    </article>
  );
}

function Actions({ ledger, kind }: { ledger: Schemas['LedgerJson']; kind: Kind | undefined }) {
  const view = useView();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const ask = useAsk();
  const [sure, setSure] = useState(false);
  const path = { params: { path: { id: ledger.id } } };
  const failed = (error: Error) => notice({ tone: 'failed', text: error.message });
  const test = useMutation({
    mutationFn: () => workDone(client.POST('/api/connect/ledgers/{id}/test', path)),
    onSuccess: (tested) =>
      notice({
        tone: tested.answers ? 'done' : 'failed',
        text: `${tested.sentence} It took ${tested.milliseconds} ms.`,
      }),
    onError: failed,
    onSettled: refresh,
  });
  const pull = useMutation({
    mutationFn: () => answer(client.POST('/api/connect/ledgers/{id}/pulls', path)),
    onSuccess: () => view.set({ view: 'reference', ledger: String(ledger.id) }),
    onError: failed,
  });
  const disconnect = useMutation({
    mutationFn: () => answer(client.DELETE('/api/connect/ledgers/{id}', path)),
    onSuccess: () =>
      notice({ tone: 'done', text: `${ledger.name} is disconnected; its crosswalks are kept` }),
    onError: failed,
    onSettled: refresh,
  });
  const again = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/connect/ledgers/files', {
          body: {
            kind: ledger.system,
            name: ledger.name,
            company: ledger.companyName,
            currency: ledger.currency,
          },
        }),
      ),
    onError: failed,
    onSettled: refresh,
  });
  const open = ledger.state !== 'disconnected';
  const answers = open && ledger.state !== 'files';
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {answers && (
          <button type="button" className="act" disabled={test.isPending} onClick={() => test.mutate()}>
            {test.isPending ? 'Asking…' : 'Test'}
          </button>
        )}
        {answers && (
          <button type="button" className="act" disabled={pull.isPending} onClick={() => pull.mutate()}>
            Pull reference data
          </button>
        )}
        {kind?.entry === 'files' && !open && (
          <button type="button" className="act" disabled={again.isPending} onClick={() => again.mutate()}>
            Take it up again
          </button>
        )}
        {kind?.entry === 'consent' && (
          <button
            type="button"
            className={`act ${ledger.state === 'consent-lost' ? 'act-main' : ''}`}
            disabled={ask.isPending}
            onClick={() => ask.mutate({ ledger: ledger.id, kind: ledger.system, address: '', answers: {} })}
          >
            Connect again
          </button>
        )}
        {open && (
          <button type="button" className="act" aria-expanded={sure} onClick={() => setSure(!sure)}>
            Disconnect…
          </button>
        )}
      </div>
      {sure && (
        <Sure
          says={`Nothing is sent to ${ledger.name} or fetched from it until it is connected again. Crosswalks, links and trail are kept.`}
          action={`Disconnect ${ledger.name}`}
          onDo={() => {
            setSure(false);
            disconnect.mutate();
          }}
          onLeave={() => setSure(false)}
        />
      )}
    </>
  );
}
