import { lazy } from 'react';
import type { Offered } from './choices';

/** Is there when something is to be chosen, and not before: it is a third of all that the first screen needs. */
export const Chooser = lazy(() =>
  import('../ui/choose/Chooser').then((module) => ({ default: module.Chooser<Offered> })),
);
