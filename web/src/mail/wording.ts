import type { Schemas } from '../api/client';

export type Mails = Schemas['MailsJson'];

const WORD = /\{([a-z ]{1,30})\}/g;

/** With what the words in braces stand for in their places, as the server does it. */
export const filled = (text: string, words: Record<string, string>): string =>
  text.replace(WORD, (word, name: string) => words[name] ?? word);

/** Addresses as they are typed: one after the other, with commas, semicolons or lines between them. */
export const addressesIn = (typed: string): string[] => [
  ...new Set(
    typed
      .split(/[,;\s]+/)
      .map((each) => each.trim())
      .filter((each) => each !== ''),
  ),
];
