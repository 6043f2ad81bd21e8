interface Sides {
  source: string;
  ledger: string;
}

/**
 * What happened to a record that one side does not have any more, and what can be done: whichever side made it is right.
 *
 * @param origin the side that made it, `source` or `ledger`; so is the one without it
 */
export function whereGone(origin: string, gone: string, { source, ledger }: Sides) {
  const without = gone === 'ledger' ? ledger : source;
  const to = gone === 'ledger' ? source : ledger;
  return origin === gone
    ? {
        to,
        says: `It was deleted in ${without}, which made it, and still stands in ${to}. Take it back there too, or leave it alone.`,
        does: `Take it back in ${to}`,
      }
    : {
        to: without,
        says: `It was deleted in ${without}, and ${to}, which made it, still has it. Send it again, or void it in ${to} as well.`,
        does: `Send it to ${without} again`,
      };
}
