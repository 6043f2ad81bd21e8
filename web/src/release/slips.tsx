import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { amount, day } from '../ui/format';

interface Booked {
  lines: { account: string; name: string; debit: string; credit: string; base?: string }[];
  debit: string;
  credit: string;
}

/** At which rate it is converted, from which day that holds and who says so. */
export interface Rate {
  currency: string;
  base: string;
  rate: string;
  rateDay: string;
  rateOrigin: string;
}

/** @param rate with it each line says its amount in the ledger's own currency too */
export function JournalSlip({
  title,
  journal,
  rate,
}: {
  title: string;
  journal: Booked;
  rate?: Rate | undefined;
}) {
  return (
    <section>
      <h3 className="soft text-[12.5px] font-semibold">{title}</h3>
      <table className="slip">
        <thead className="sr-only">
          <tr>
            <th>Account</th>
            <th>Debit</th>
            <th>Credit</th>
            {rate && <th>In {rate.base}, debit positive</th>}
          </tr>
        </thead>
        <tbody>
          {journal.lines.map((line) => (
            <tr key={line.account}>
              <td className={rate ? 'w-[40%]' : 'w-[58%]'}>
                {line.account} {line.name}
              </td>
              <td className="amount">{line.debit && amount(line.debit)}</td>
              <td className="amount">{line.credit && amount(line.credit)}</td>
              {rate && <td className="amount soft">{line.base && amount(line.base)}</td>}
            </tr>
          ))}
          <tr className="total">
            <td>{journal.debit === journal.credit ? 'Balanced' : 'Out of balance'}</td>
            <td className="amount">{amount(journal.debit)}</td>
            <td className="amount">{amount(journal.credit)}</td>
            {rate && <td className="amount soft">{rate.base}</td>}
          </tr>
        </tbody>
      </table>
      {rate && <RateLine rate={rate} />}
    </section>
  );
}

const SAYS: Record<string, string> = {
  SOURCE: 'as the source states it',
  INVOICE: 'the rate of its invoice',
};

function RateLine({ rate }: { rate: Rate }) {
  const { route } = useCurrent();
  const says = rate.rateOrigin === 'LEDGER' ? `the rate that ${route.ledger} keeps` : SAYS[rate.rateOrigin];
  return (
    <p className="soft text-[12px]">
      1 {rate.currency} is {rate.rate} {rate.base}, {says}, from {day(rate.rateDay)} on
    </p>
  );
}

const WAYS: Record<string, string> = { 'per-line': 'by line', 'per-document': 'by document' };

const isNone = (decimal: string) => /^-?0(\.0+)?$/.test(decimal);

export function TaxSlip({ tax }: { tax: Schemas['Tax'] }) {
  const { route } = useCurrent();
  const computed = { name: route.source, computation: tax.source };
  const sides = tax.decidedThere ? [computed] : [computed, { name: route.ledger, computation: tax.ledger }];
  return (
    <section>
      <h3 className="soft text-[12.5px] font-semibold">
        {tax.decidedThere ? 'Tax' : 'Tax, computed both ways'}
      </h3>
      <table className="slip">
        <tbody>
          {sides.map(({ name, computation }) => (
            <tr key={name}>
              <td>
                {name}, {WAYS[computation.rounding] ?? computation.rounding}
                <span className="soft block text-[12px]">
                  {computation.groups
                    .map((group) => `${group.code} ${group.rate} % on ${amount(group.net)}`)
                    .join(', ')}
                </span>
              </td>
              <td className="amount">{amount(computation.tax)}</td>
            </tr>
          ))}
          {tax.decidedThere && (
            <tr>
              <td>
                {route.ledger}
                <span className="soft block text-[12px]">
                  decides itself what is taxed and how much, so that nothing is computed beforehand; what it
                  charges is held against the {amount(tax.stated)} stated
                </span>
              </td>
              <td className="amount soft">not known</td>
            </tr>
          )}
          {tax.bothSides.map((each) => (
            <tr key={each.code}>
              <td>
                Booked on both sides
                <span className="soft block text-[12px]">
                  {each.code} {each.rate} % on {amount(each.net)}, reclaimed {amount(each.deductible)}
                  {!isNone(each.cost) && `, cost ${amount(each.cost)}`}
                </span>
              </td>
              <td className="amount">{amount(each.tax)}</td>
            </tr>
          ))}
          <tr className="total">
            <td>Rounding line</td>
            <td className="amount">{isNone(tax.rounding) ? 'none' : amount(tax.rounding)}</td>
          </tr>
          {!isNone(tax.gap) && (
            <tr className="text-accent">
              <td>
                The ledger’s tax differs
                <span className="block text-[12px]">
                  from the {amount(tax.stated)} stated; what is owed is the same
                </span>
              </td>
              <td className="amount">{amount(tax.gap)}</td>
            </tr>
          )}
        </tbody>
      </table>
    </section>
  );
}
