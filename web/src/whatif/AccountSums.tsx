import type { Schemas } from '../api/client';
import { Figure } from '../help/Figure';
import { booked } from '../ui/format';

/** What stands on each account under the row as it is, and as it would be. */
export const AccountSums = ({ title, sums }: { title: string; sums: Schemas['AccountSums'][] }) => (
  <table className="slip w-full">
    <thead>
      <tr className="soft text-left text-[12px]">
        <th className="font-semibold">{title}</th>
        <th className="amount font-semibold">now</th>
        <th>
          <span className="sr-only">becomes</span>
        </th>
        <th className="amount font-semibold">
          <Figure rule="account-sums" name="Now and then">
            then
          </Figure>
        </th>
      </tr>
    </thead>
    <tbody>
      {sums.map((each) => (
        <tr key={each.code}>
          <td>
            {each.code} {each.name}
          </td>
          <td className="amount">{booked(each.before)}</td>
          <td aria-hidden="true" className="w-[30px] text-center">
            →
          </td>
          <td className="amount font-semibold">{booked(each.after)}</td>
        </tr>
      ))}
    </tbody>
  </table>
);
