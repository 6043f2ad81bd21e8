import { useEffect, useState, type RefObject } from 'react';

/**
 * How wide a list is, how much of it its heads and its foot cover, and what room they leave beside whole rows, in pixels. The foot takes
 * that room, so that it does not cut a row in half.
 */
export function useWholeRows(scroller: RefObject<HTMLDivElement | null>, row: number) {
  const [room, setRoom] = useState({ width: 0, covered: 0, rest: 0 });
  useEffect(() => {
    const box = scroller.current;
    if (!box) {
      return undefined;
    }
    const measure = () => {
      const head = box.querySelector('thead')?.clientHeight ?? 0;
      const foot = box.querySelector('tfoot tr');
      // Without what was added to it before.
      const own = foot instanceof HTMLElement ? foot.offsetHeight - Number(foot.dataset.rest ?? 0) : 0;
      const rest = foot ? Math.max(0, (box.clientHeight - head - own) % row) : 0;
      setRoom((known) =>
        known.covered === head + own + rest && known.rest === rest && known.width === box.clientWidth
          ? known
          : { width: box.clientWidth, covered: head + own + rest, rest },
      );
    };
    const watching = new ResizeObserver(measure);
    watching.observe(box);
    const table = box.querySelector('table');
    if (table) {
      watching.observe(table);
    }
    measure();
    return () => watching.disconnect();
  }, [scroller, row]);
  return room;
}
