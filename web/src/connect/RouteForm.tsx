import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { z } from 'zod';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { waysQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { CheckedField } from '../ui/form/CheckedField';
import { useCheckedForm } from '../ui/form/useCheckedForm';
import { useConnectRefresh } from './useConnectRefresh';
import { codeFrom } from './codes';
import { Ways } from './Ways';

interface Props {
  sources: Schemas['SourceJson'][];
  ledgers: Schemas['LedgerJson'][];
  onDone?: () => void;
}

const BUSINESS = z.object({
  business: z.string().trim().min(1, 'As it stands on its invoices.').max(60, 'At most 60 characters.'),
  identifier: z.string().trim().max(60, 'At most 60 characters.'),
});

/** What the form holds; until somebody chooses a site it proposes the one that the ledger fits best. */
function useNewRoute({ sources, ledgers, onDone }: Props) {
  const refresh = useConnectRefresh();
  const open = ledgers.filter((each) => each.state !== 'disconnected');
  const [source, setSource] = useState<number | null>(null);
  const [ledger, setLedger] = useState<number | null>(null);
  const [chosen, setSite] = useState<string | null>(null);
  const from = sources.find((each) => each.id === source) ?? sources[0];
  const to = open.find((each) => each.id === ledger) ?? open[0];
  const ways = useQuery({
    ...waysQuery(from?.id ?? 0, '', to?.name ?? ''),
    enabled: from !== undefined && to !== undefined,
  });
  const site = chosen ?? proposed(ways.data ?? [], to?.currency ?? '');
  const checked = useCheckedForm({
    schema: BUSINESS,
    start: { business: '', identifier: '' },
    named: { taxIdentifiers: 'identifier' },
    send: ({ business, identifier }) =>
      workDone(
        client.POST('/api/connect/routes', {
          body: {
            code: codeFrom(`${from?.name ?? ''} ${site}`.trim()),
            source: from?.id ?? 0,
            ledger: to?.id ?? 0,
            site,
            business,
            taxIdentifiers: identifier === '' ? [] : [identifier],
          },
        }),
      ),
    onDone: async () => {
      await refresh();
      onDone?.();
    },
  });
  return {
    open,
    from,
    to,
    site,
    setSource,
    setLedger,
    setSite,
    ...checked,
  };
}

/** The site with the most documents in the ledger's currency that have no way to go. */
function proposed(ways: Schemas['SiteWay'][], currency: string): string {
  const fitting = ways.filter((way) => way.now === '' && way.currency === currency);
  return fitting.sort((a, b) => b.documents - a.documents)[0]?.site ?? '';
}

/** Lets a source, or one site of it, cross to a ledger; what that would move stands below before it is done. */
export function RouteForm(props: Props) {
  const route = useNewRoute(props);
  const { from, to, site, form, submit, isSending, failure } = route;
  return (
    <form aria-label="New route" className="mt-3" onSubmit={(event) => void submit(event)}>
      <div className="flex flex-wrap items-start gap-3 text-[13px]">
        <Choice label="From" value={from?.id} options={props.sources} onChange={route.setSource} />
        <label className="flex flex-col gap-1">
          Site
          <select className="field" value={site} onChange={(event) => route.setSite(event.target.value)}>
            <option value="">all without a route of their own</option>
            {from?.sites.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <Choice label="To" value={to?.id} options={route.open} onChange={route.setLedger} />
        <CheckedField form={form} name="business" label="Name of the business on its documents" />
        <CheckedField form={form} name="identifier" label="Its tax identifier" />
        <button type="submit" className="act act-main mt-[22px]" disabled={!from || !to || isSending}>
          {isSending ? 'Compiling again…' : 'Add the route'}
        </button>
        {props.onDone && (
          <button type="button" className="act mt-[22px]" onClick={props.onDone}>
            Leave it
          </button>
        )}
      </div>
      {failure && <Failure error={failure} />}
      {from && to && <Ways source={from} site={site} ledger={to} />}
    </form>
  );
}

interface ChoiceProps {
  label: string;
  value: number | undefined;
  options: { id: number; name: string }[];
  onChange: (id: number) => void;
}

const Choice = ({ label, value, options, onChange }: ChoiceProps) => (
  <label className="flex flex-col gap-1">
    {label}
    <select className="field" value={value} onChange={(event) => onChange(Number(event.target.value))}>
      {options.map((each) => (
        <option key={each.id} value={each.id}>
          {each.name}
        </option>
      ))}
    </select>
  </label>
);
