import { useEffect, useState } from 'react';
import { flushSync } from 'react-dom';

/** Whether the page is being printed: all rows are on paper then, and not those alone that the screen shows. */
export function usePrinting() {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    // The paper is taken right after the event, so the rows have to be there by then.
    const before = () => flushSync(() => setPrinting(true));
    const after = () => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}
