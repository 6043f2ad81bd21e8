import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';
import { waysQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { useConnectRefresh } from './useConnectRefresh';
import { codeFrom } from './codes';
import { Ways } from './Ways';

interface Props {
  sources: Schemas['SourceJson'][];
  ledgers: Schemas['LedgerJson'][];
  onDone?: () => void;
}

/** What the form holds; until somebody chooses a site it proposes the one that the ledger fits best. */
function useNewRoute({ sources, ledgers, onDone }: Props) {
  const refresh = useConnectRefresh();
  const open = ledgers.filter((each) => each.state !== 'disconnected');
  const [source, setSource] = useState<number | null>(null);
  const [ledger, setLedger] = useState<number | null>(null);
  const [chosen, setSite] = useState<string | null>(null);
  const [business, setBusiness] = useState('');
  const [identifier, setIdentifier] = useState('');
  const from = sources.find((each) => each.id === source) ?? sources[0];
  const to = open.find((each) => each.id === ledger) ?? open[0];
  const ways = useQuery({
    ...waysQuery(from?.id ?? 0, '', to?.name ?? ''),
    enabled: from !== undefined && to !== undefined,
  });
  const site = chosen ?? proposed(ways.data ?? [], to?.currency ?? '');
  const add = useMutation({
    mutationFn: () =>
      workDone(
        client.POST('/api/connect/routes', {
          body: {
            code: codeFrom(`${from?.name ?? ''} ${site}`.trim()),
            source: from?.id ?? 0,
            ledger: to?.id ?? 0,
            site,
            business,
            taxIdentifiers: identifier.trim() === '' ? [] : [identifier.trim()],
          },
        }),
      ),
    onSuccess: async () => {
      await refresh();
      onDone?.();
    },
  });
  return {
    open,
    from,
    to,
    site,
    business,
    identifier,
    setSource,
    setLedger,
    setSite,
    setBusiness,
    setIdentifier,
    add,
  };
}

/** The site with the most documents in the ledger's currency that have no way to go. */
function proposed(ways: Schemas['SiteWay'][], currency: string): string {
  const fitting = ways.filter((way) => way.now === '' && way.currency === currency);
  return fitting.sort((a, b) => b.documents - a.documents)[0]?.site ?? '';
}

/** Lets a source, or one site of it, cross to a ledger; what that would move stands below before it is done. */
export function RouteForm(props: Props) {
  const form = useNewRoute(props);
  const { from, to, site, add } = form;
  return (
    <form
      aria-label="New route"
      className="mt-3"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <div className="flex flex-wrap items-end gap-3">
        <Choice label="From" value={from?.id} options={props.sources} onChange={form.setSource} />
        <label className="flex flex-col text-[13px]">
          Site
          <select className="field" value={site} onChange={(event) => form.setSite(event.target.value)}>
            <option value="">all without a route of their own</option>
            {from?.sites.map((each) => (
              <option key={each}>{each}</option>
            ))}
          </select>
        </label>
        <Choice label="To" value={to?.id} options={form.open} onChange={form.setLedger} />
        <Text
          label="Name of the business on its documents"
          value={form.business}
          onChange={form.setBusiness}
        />
        <Text label="Its tax identifier" value={form.identifier} onChange={form.setIdentifier} />
        <button
          type="submit"
          className="act act-main"
          disabled={!from || !to || form.business.trim() === '' || add.isPending}
        >
          {add.isPending ? 'Compiling again…' : 'Add the route'}
        </button>
        {props.onDone && (
          <button type="button" className="act" onClick={props.onDone}>
            Leave it
          </button>
        )}
      </div>
      {add.error && <Failure error={add.error} />}
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
  <label className="flex flex-col text-[13px]">
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

interface TextProps {
  label: string;
  value: string;
  onChange: (text: string) => void;
}

const Text = ({ label, value, onChange }: TextProps) => (
  <label className="flex flex-col text-[13px]">
    {label}
    <input
      className="field w-44"
      value={value}
      maxLength={60}
      onChange={(event) => onChange(event.target.value)}
    />
  </label>
);
