import type { ReactNode, RefObject } from 'react';
import { Dialog, Popover } from 'react-aria-components';

interface Props {
  label: string;
  beside: RefObject<HTMLButtonElement | null>;
  onClose: () => void;
  children: ReactNode;
}

/** What is opened beside a button, and closed by Escape or by a press elsewhere. */
export default function Leaf({ label, beside, onClose, children }: Props) {
  return (
    <Popover
      isOpen
      triggerRef={beside}
      onOpenChange={(open) => !open && onClose()}
      placement="bottom end"
      offset={4}
      className="sheet z-30 shadow-lg"
    >
      <Dialog aria-label={label} className="p-1 outline-none">
        {children}
      </Dialog>
    </Popover>
  );
}
