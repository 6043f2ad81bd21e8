import { z } from 'zod';

const SHORTEST = 12;

/** As the server wants them; it looks at more, such as whether a password is a common one. */
export const password = z
  .string()
  .min(SHORTEST, `A password has at least ${SHORTEST} characters.`)
  .max(72, 'A password has at most 72 bytes; letters with accents and signs take several each.');

export const named = z.string().trim().min(1, 'It needs a name.').max(100, 'At most 100 characters.');

export const signInName = z
  .string()
  .regex(
    /^[a-z][a-z0-9._-]*$/,
    'It begins with a small letter, and goes on with those, digits, points and dashes.',
  )
  .min(2, 'It has at least two characters.')
  .max(40, 'It has at most 40 characters.');
