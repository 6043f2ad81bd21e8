import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../ui/Key';

interface Props {
  says: string;
  pending?: boolean;
  onDo: () => void;
}

/** The one thing to do next, by button or by key. */
export function Do({ says, pending = false, onDo }: Props) {
  useHotkeys('y', onDo, { enabled: !pending });
  return (
    <p className="mt-1">
      <button type="button" className="act act-main" disabled={pending} onClick={onDo}>
        {says} <Key>y</Key>
      </button>
    </p>
  );
}
