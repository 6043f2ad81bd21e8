import { useEffect, useRef } from 'react';

interface Props {
  says: string;
  /** What leaving it says, where that could be taken for doing it. */
  otherwise?: string;
  /** Whether Enter does it at once, where there is nothing to fill in. */
  ready?: boolean;
  disabled: boolean;
  onLeave: () => void;
}

/** The end of a small form: do it, or leave it. */
export function DoOrLeave({ says, otherwise = 'Leave it', ready = false, disabled, onLeave }: Props) {
  const doing = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    if (ready) {
      doing.current?.focus();
    }
  }, [ready]);
  return (
    <div className="flex gap-2">
      <button ref={doing} type="submit" className="act act-main" disabled={disabled}>
        {says}
      </button>
      <button type="button" className="act" onClick={onLeave}>
        {otherwise}
      </button>
    </div>
  );
}
