import { lazy, Suspense, useRef, useState, type ReactNode } from 'react';

const Leaf = lazy(() => import('./Leaf'));

interface Props {
  /** What it is, for those who do not see it. */
  label: string;
  says: ReactNode;
  className: string;
  /** What is on the leaf; `close` puts it away. */
  children: (close: () => void) => ReactNode;
}

/** A button that opens a leaf beside it. What the leaf needs is fetched when it is wanted. */
export function Opener({ label, says, className, children }: Props) {
  const [open, setOpen] = useState(false);
  const button = useRef<HTMLButtonElement>(null);
  const close = () => setOpen(false);
  return (
    <>
      <button
        ref={button}
        type="button"
        className={className}
        aria-haspopup="dialog"
        aria-expanded={open}
        aria-label={label}
        onClick={() => setOpen(!open)}
      >
        {says}
      </button>
      {open && (
        <Suspense fallback={null}>
          <Leaf label={label} beside={button} onClose={close}>
            {children(close)}
          </Leaf>
        </Suspense>
      )}
    </>
  );
}
