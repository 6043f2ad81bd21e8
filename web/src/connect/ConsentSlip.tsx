import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { consentQuery } from '../api/queries';
import { workDone } from '../api/work';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { useConnectRefresh } from './useConnectRefresh';

/** The consent is given; now a company is chosen, for a new ledger or for the one that is connected again. */
export function ConsentSlip({ consent }: { consent: string }) {
  const given = useQuery(consentQuery(consent));
  const view = useView();
  if (given.error) {
    return (
      <div className="border-base-300 flex items-center gap-3 border-b p-3">
        <Failure error={given.error} />
        <button type="button" className="act" onClick={() => view.set({ consent: null })}>
          Put it away
        </button>
      </div>
    );
  }
  return given.data ? (
    <Choose given={given.data} />
  ) : (
    <p className="p-4">Asking which companies there are…</p>
  );
}

function Choose({ given }: { given: Schemas['ConsentGiven'] }) {
  const view = useView();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const again = given.ledger !== undefined;
  const free = given.companies.find((each) =>
    again ? each.name === given.ledgerCompany : each.connectedAs === '',
  );
  const [company, setCompany] = useState(free?.id ?? '');
  const [name, setName] = useState<string | null>(null);
  const chosen = given.companies.find((each) => each.id === company);
  const proposed = chosen ? `${given.system}, ${chosen.name}` : '';
  const use = useMutation({
    mutationFn: async () => {
      const { ledger } = await workDone(
        client.POST('/api/connect/ledgers', {
          body: { consent: given.consent, company, name: again ? undefined : (name ?? proposed) },
        }),
      );
      await answer(client.POST('/api/connect/ledgers/{id}/pulls', { params: { path: { id: ledger } } }));
      return ledger;
    },
    onSuccess: async (ledger) => {
      await refresh();
      notice({
        tone: 'done',
        text: `${chosen?.name ?? ''} is connected; its reference data are being pulled`,
      });
      view.set({ consent: null, view: again ? 'connections' : 'first-steps', ledger: String(ledger) });
    },
  });
  return (
    <form
      aria-label="Choose the company"
      className="border-base-300 bg-base-200 border-b px-5 py-3"
      onSubmit={(event) => {
        event.preventDefault();
        use.mutate();
      }}
    >
      <h2 className="title">
        {again ? `Which company is ${given.ledgerName} to keep?` : 'Which company’s books are these?'}
      </h2>
      <fieldset className="my-2 flex flex-col gap-1">
        <legend className="sr-only">Companies that the consent leads to</legend>
        {given.companies.map((each) => (
          <label key={each.id} className="flex items-center gap-2">
            <input
              type="radio"
              name="company"
              value={each.id}
              checked={company === each.id}
              disabled={!again && each.connectedAs !== ''}
              onChange={() => setCompany(each.id)}
            />
            <b>{each.name}</b>
            <span className="soft">
              {each.currency}
              {each.connectedAs !== '' && `, connected as ${each.connectedAs}`}
            </span>
          </label>
        ))}
      </fieldset>
      {!again && (
        <label className="mb-2 flex items-center gap-2">
          Called here
          <input
            className="field w-72"
            value={name ?? proposed}
            maxLength={60}
            onChange={(event) => setName(event.target.value)}
          />
        </label>
      )}
      {use.error && <Failure error={use.error} />}
      <div className="mt-2 flex gap-2">
        <button type="submit" className="act act-main" disabled={!chosen || use.isPending}>
          {use.isPending ? 'Connecting…' : `Connect ${chosen?.name ?? ''}`}
        </button>
        <button type="button" className="act" onClick={() => view.set({ consent: null })}>
          Leave it
        </button>
      </div>
    </form>
  );
}
