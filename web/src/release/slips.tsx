import type { Schemas } from '../api/client';
import { useCurrent } from '../app/current';
import { amount } from '../ui/format';

export function JournalSlip({ title, journal }: { title: string; journal: Schemas['Journal'] }) {
  return (
    <section>
      <h3 className="soft text-[12.5px] font-semibold">{title}</h3>
      <table className="slip">
        <thead className="sr-only">
          <tr>
            <th>Account</th>
            <th>Debit</th>
            <th>Credit</th>
          </tr>
        </thead>
        <tbody>
          {journal.lines.map((line) => (
            <tr key={line.account}>
              <td className="w-[58%]">
                {line.account} {line.name}
              </td>
              <td className="amount">{line.debit && amount(line.debit)}</td>
              <td className="amount">{line.credit && amount(line.credit)}</td>
            </tr>
          ))}
          <tr className="total">
            <td>{journal.debit === journal.credit ? 'Balanced' : 'Out of balance'}</td>
            <td className="amount">{amount(journal.debit)}</td>
            <td className="amount">{amount(journal.credit)}</td>
          </tr>
        </tbody>
      </table>
    </section>
  );
}

const WAYS: Record<string, string> = { 'per-line': 'by line', 'per-document': 'by document' };

const isNone = (decimal: string) => /^-?0(\.0+)?$/.test(decimal);

export function TaxSlip({ tax }: { tax: Schemas['Tax'] }) {
  const { route } = useCurrent();
  const sides = [
    { name: route.source, computation: tax.source },
    { name: route.ledger, computation: tax.ledger },
  ];
  return (
    <section>
      <h3 className="soft text-[12.5px] font-semibold">Tax, computed both ways</h3>
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
