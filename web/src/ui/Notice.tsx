import { useCallback, useEffect, useState, type ReactNode } from 'react';
import { Key } from './Key';
import { NoticeContext, type Notice } from './notices';

const SHOWN_FOR = 12_000;

/** Says what was just done, and offers to undo it. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const [notice, setNotice] = useState<Notice | null>(null);
  const show = useCallback((next: Notice) => setNotice(next), []);
  const undo = () => {
    notice?.undo?.();
    setNotice(null);
  };
  useEffect(() => {
    if (!notice || notice.tone === 'failed') {
      return;
    }
    const timer = setTimeout(() => setNotice(null), SHOWN_FOR);
    return () => clearTimeout(timer);
  }, [notice]);
  return (
    <NoticeContext value={show}>
      {children}
      <div role="status" aria-live="polite" className="fixed bottom-10 left-1/2 z-30 -translate-x-1/2">
        {notice && (
          <div
            className={`flex items-center gap-3 rounded px-4 py-2 shadow-lg ${
              notice.tone === 'failed' ? 'bg-error text-error-content' : 'bg-neutral text-neutral-content'
            }`}
          >
            <span>{notice.text}</span>
            {notice.undo && (
              <button type="button" className="cursor-pointer underline" onClick={undo}>
                Undo <Key>u</Key>
              </button>
            )}
            <button type="button" className="cursor-pointer" onClick={() => setNotice(null)}>
              Close
            </button>
          </div>
        )}
      </div>
    </NoticeContext>
  );
}
