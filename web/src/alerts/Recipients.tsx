import { KINDS, toggled, withOne, type Recipient } from './recipients';

interface Props {
  recipients: Recipient[];
  onRecipients: (recipients: Recipient[]) => void;
}

/** Who gets a letter, and of what. */
export const Recipients = ({ recipients, onRecipients }: Props) => (
  <table className="w-full text-[13px]" aria-label="Who gets a letter of what">
    <thead className="soft text-left text-[12.5px]">
      <tr>
        <th className="font-normal">By a letter each day to</th>
        {KINDS.map(({ kind, says }) => (
          <th key={kind} className="px-1 text-center font-normal">
            {says}
          </th>
        ))}
      </tr>
    </thead>
    <tbody>
      {recipients.map((each, place) => (
        <tr key={place}>
          <td className="py-0.5 pr-1">
            <input
              type="email"
              aria-label={`Address ${place + 1}`}
              className="field w-full"
              placeholder={place === 0 ? 'nobody yet' : 'another'}
              value={each.address}
              onChange={(event) =>
                onRecipients(withOne(recipients, place, { ...each, address: event.target.value }))
              }
            />
          </td>
          {KINDS.map(({ kind, says }) => (
            <td key={kind} className="text-center">
              <input
                type="checkbox"
                aria-label={`${each.address || 'The next one'}: ${says}`}
                checked={each.kinds.includes(kind)}
                onChange={() => onRecipients(withOne(recipients, place, toggled(each, kind)))}
              />
            </td>
          ))}
        </tr>
      ))}
    </tbody>
  </table>
);
