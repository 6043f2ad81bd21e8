import type { Choice } from './queries';

export interface Doing {
  key: string;
  name: string;
}

/** How each thing is called that can be done with a single record, and by which key. */
export const DOINGS: Record<Choice['what'], Doing> = {
  LOOK: { key: 's', name: 'Look at both sides now' },
  BRING_BACK: { key: 'b', name: 'Bring back once more' },
  UNLINK: { key: 'n', name: 'Unlink' },
  LINK: { key: 'e', name: 'Link to something else' },
  LEAVE_ALONE: { key: 'x', name: 'Leave alone for good' },
  LOOK_AFTER: { key: 'x', name: 'Look after again' },
};
