import type { Schemas } from '../api/client';
import { day, moment } from '../ui/format';
import { mayInWords } from './purposes';

interface Props {
  tokens: Schemas['TokenListed'][];
  onEnd: (id: number) => void;
}

/** Tokens with what each may, on which route, until when, and whether anybody uses it. */
export const TokenTable = ({ tokens, onEnd }: Props) => (
  <table className="slip" aria-label="Tokens">
    <tbody>
      {tokens.map((token) => (
        <tr key={token.id}>
          <td>{token.name}</td>
          <td>
            {mayInWords(token.purposes)}
            {token.route !== '' && <span className="soft">, on {token.route} only</span>}
          </td>
          <td className="soft">until {day(token.expiresAt)}</td>
          <td className="soft">
            {token.lastUsedAt ? `last used ${moment(token.lastUsedAt)}` : 'never used'}
          </td>
          <td className="text-right">
            <button type="button" className="cursor-pointer underline" onClick={() => onEnd(token.id)}>
              End it
            </button>
          </td>
        </tr>
      ))}
    </tbody>
  </table>
);
