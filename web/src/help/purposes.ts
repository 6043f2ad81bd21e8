/** What a stop is for, in three sentences, with the words one meets there. */
export interface Purpose {
  name: string;
  sentences: [string, string, string];
  words: [word: string, meaning: string][];
}

export const PURPOSES: Record<string, Purpose> = {
  '/connect': {
    name: 'Connect',
    sentences: [
      'Here you say which app leads to which ledger, and let Alcabala in on both sides.',
      'Readiness looks at the settings of both sides that do damage later, before anything crosses.',
      'Settings decide what crosses, from which day on, when it goes and how it arrives.',
    ],
    words: [
      ['source', 'an app that the business works in, or a folder of files from one'],
      ['ledger', 'the accounting system that keeps the books'],
      [
        'route',
        'one source, or one of its sites, to one ledger, with the settings that govern that crossing',
      ],
      ['consent', 'what a ledger lets us in by; it ends after a time, and can be taken back there'],
    ],
  },
  '/map': {
    name: 'Map',
    sentences: [
      'Here you say once what each code of the source stands for on the ledger.',
      'What is open is at the top, that which holds up most money first, with what probably fits.',
      'Each change says what it releases, and can be undone.',
    ],
    words: [
      ['crosswalk', 'the tables that say which code there stands for which code here'],
      [
        'account role',
        'a purpose that an account serves, such as receivables control; it answers where nothing more particular does',
      ],
      ['covered', 'no row of its own, but something more general answers'],
      ['open', 'nothing answers yet, so that what uses it is blocked'],
    ],
  },
  '/release': {
    name: 'Release',
    sentences: [
      'Here you see what is ready to cross, what is blocked, and why.',
      'Trouble is grouped by its cause: put the cause right once, and all that shared it is released.',
      'Then make a batch of what is ready; it says what it will do before it does it.',
    ],
    words: [
      ['Waiting', 'not approved on its source yet'],
      ['Blocked', 'approved, and something keeps it from crossing'],
      ['Ready', 'approved, and every line has its account and tax'],
      ['Unconfirmed', 'sent, but the answer was lost; the ledger is asked before anything is sent again'],
      ['Diverged', 'posted, and changed on one or both sides since'],
      ['finding', 'what keeps a record from crossing, or what you should know about it'],
    ],
  },
  '/send': {
    name: 'Send',
    sentences: [
      'Here you see what is on its way, and what became of each batch.',
      'Nothing is sent twice: each document has a key of its own that the ledger knows it by.',
      'What the ledger refused says why and what to do; what did not get through can be tried again.',
    ],
    words: [
      ['batch', 'documents sent together, with totals to check them by'],
      ['refused', 'the ledger said no, and gave its reason'],
      [
        'taken back',
        'off the ledger again: voided on its own day, or reversed on a later one where that is locked',
      ],
      ['did not get through', 'it never reached the ledger; nothing of it is on the books'],
    ],
  },
  '/resolve': {
    name: 'Resolve',
    sentences: [
      'Here is what was sent and does not stand as it should, and what was right before it is sent and is so no longer.',
      'Trouble is grouped by its cause, what waits longest and is dearest first.',
      'Each record, and each party, says field by field what changed since both sides agreed, and what becomes of it.',
    ],
    words: [
      ['drift', 'a change on one side that does not travel by itself: put it back, or let it stand'],
      ['conflict', 'both sides changed the same field, and nobody wins by rule: a person says'],
      ['last agreed', 'what each side had when the two were the same'],
    ],
  },
  '/clear': {
    name: 'Clear',
    sentences: [
      'Here what was received by cash and cheque is taken to the bank together, and held against the slip.',
      'A banking of one day and account is one banking: open it again to correct it, and it goes in its own place.',
      'What it books leaves the account of what awaits banking exactly as it came there.',
    ],
    words: [
      ['receipt', 'money that was received, or given back from the till'],
      ['banking', 'receipts that are taken to one bank account on one day'],
      ['slip', 'what went to the bank with the money; its total comes from an adding machine or the bank'],
      [
        'difference in cash',
        'by how much coins and notes were counted otherwise; it has an account of its own',
      ],
    ],
  },
};
