import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { Failure } from '../ui/Failure';
import { useConnectRefresh } from './useConnectRefresh';
import { codeFrom } from './codes';

interface Props {
  sources: Schemas['SourceJson'][];
  ledgers: Schemas['LedgerJson'][];
}

/** Lets a source cross that has no route yet. */
export function RouteForm({ sources, ledgers }: Props) {
  const refresh = useConnectRefresh();
  const open = ledgers.filter((each) => each.state !== 'disconnected');
  const [source, setSource] = useState<number | null>(null);
  const [ledger, setLedger] = useState<number | null>(null);
  const [site, setSite] = useState('');
  const [business, setBusiness] = useState('');
  const [identifier, setIdentifier] = useState('');
  const from = sources.find((each) => each.id === source) ?? sources[0];
  const to = open.find((each) => each.id === ledger) ?? open[0];
  const add = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/connect/routes', {
          body: {
            code: codeFrom(from?.name ?? ''),
            source: from?.id ?? 0,
            ledger: to?.id ?? 0,
            site,
            business,
            taxIdentifiers: identifier.trim() === '' ? [] : [identifier.trim()],
          },
        }),
      ),
    onSuccess: refresh,
  });
  return (
    <form
      aria-label="New route"
      className="mt-3 flex flex-wrap items-end gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        add.mutate();
      }}
    >
      <Choice label="From" value={from?.id} options={sources} onChange={setSource} />
      <Text label="Site" value={site} onChange={setSite} placeholder="all of it" />
      <Choice label="To" value={to?.id} options={open} onChange={setLedger} />
      <Text label="Name of the business on its documents" value={business} onChange={setBusiness} />
      <Text label="Its tax identifier" value={identifier} onChange={setIdentifier} />
      <button
        type="submit"
        className="act act-main"
        disabled={!from || !to || business.trim() === '' || add.isPending}
      >
        Add the route
      </button>
      {add.error && <Failure error={add.error} />}
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
  placeholder?: string;
}

const Text = ({ label, value, onChange, placeholder }: TextProps) => (
  <label className="flex flex-col text-[13px]">
    {label}
    <input
      className="field w-44"
      value={value}
      maxLength={60}
      placeholder={placeholder}
      onChange={(event) => onChange(event.target.value)}
    />
  </label>
);
