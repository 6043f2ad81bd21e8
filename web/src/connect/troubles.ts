/** Why a person came back from a ledger without a consent. */
export const TROUBLES: Record<string, string> = {
  refused:
    'The consent was refused on the ledger. Nothing was changed here; ask for it again when it is given.',
  failed:
    'The ledger did not give access. Nothing was changed here. Try again in a moment, and look whether it answers.',
  unknown:
    'This consent was used already, is older than a quarter of an hour, or was asked for by somebody else. Ask for it again.',
};

/** What OAuth calls a refusal, and everything else. */
export const troubleOf = (error: string) => (error === 'access_denied' ? 'refused' : 'failed');

const SCOPES: Record<string, string> = {
  'books.read': 'read the books',
  'books.write': 'create and post',
};

export const meaningOf = (scope: string) => SCOPES[scope] ?? scope;

const STATES: Record<string, { word: string; tone: string }> = {
  connected: { word: 'connected', tone: 'text-primary' },
  files: { word: 'takes files', tone: 'text-primary' },
  'consent-ends-soon': { word: 'consent ends soon', tone: 'text-accent' },
  'consent-lost': { word: 'not let in any more', tone: 'text-error' },
  disconnected: { word: 'disconnected', tone: 'soft' },
};

export const stateOf = (state: string) => STATES[state] ?? { word: state, tone: 'soft' };
