import type { Schemas } from '../api/client';
import { moment } from './format';

/** Who changed something and when, as far as its side tells. */
export const Changed = ({ change }: { change: Schemas['ChangedJson'] | undefined }) =>
  change && (
    <span className="soft block text-[12.5px] font-normal">
      {change.by === '' ? 'changed' : `by ${change.by},`} {moment(change.at)}
    </span>
  );
