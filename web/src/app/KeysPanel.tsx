import { Key } from '../ui/Key';

const KEYS: [string, [string, string][]][] = [
  [
    'Everywhere',
    [
      ['g 1', 'go to Connect'],
      ['g 2', 'go to Map'],
      ['g 3', 'go to Release'],
      ['g 4', 'go to Send'],
      ['g 5', 'go to Resolve'],
      ['g 6', 'go to Clear'],
      ['g 7', 'go to Tie out'],
      ['/', 'find a document'],
      ['p', 'fetch both sides'],
      ['u', 'undo what was just done'],
      ['?', 'show or hide the keys'],
      ['Esc', 'close or let go'],
    ],
  ],
  [
    'In a list',
    [
      ['j k', 'next, previous row'],
      ['Home End', 'first, last row'],
      ['PgUp PgDn', 'a screenful on or back'],
      ['Enter', 'open the row'],
      ['x', 'choose or leave the row'],
      ['Shift+j Shift+k', 'choose as one goes'],
    ],
  ],
  [
    'Release',
    [
      ['w', 'open or close Why'],
      ['f', 'put the cause right here'],
      ['e', 'change the row that decided the account'],
      ['o', 'another account for this line only'],
      ['b', 'make a batch'],
      ['a', 'approve what is waiting'],
      ['t', 'take in files'],
    ],
  ],
  [
    'Both sides',
    [
      ['r', 'send it as its source has it'],
      ['l', 'let the ledger’s stand'],
      ['Esc', 'back'],
    ],
  ],
  [
    'Connect',
    [
      ['y', 'do the step in hand'],
      ['r', 'judge readiness again'],
      ['j k', 'next, previous setting'],
      ['d', 'decide so'],
    ],
  ],
  [
    'Map',
    [
      ['e', 'change the row'],
      ['y', 'accept the suggestion'],
    ],
  ],
];

export function KeysPanel({ onClose }: { onClose: () => void }) {
  return (
    <section
      aria-label="Keys"
      className="sheet fixed right-5 bottom-9 z-20 flex max-h-[80%] gap-8 overflow-auto p-4 shadow-lg"
    >
      {KEYS.map(([place, keys]) => (
        <div key={place}>
          <h2 className="title mb-1">{place}</h2>
          <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-[13px]">
            {keys.map(([key, what]) => (
              <div key={key} className="contents">
                <dt>
                  {key.split(' ').map((each) => (
                    <span key={each} className="mr-1">
                      <Key>{each}</Key>
                      <span className="sr-only">{each}</span>
                    </span>
                  ))}
                </dt>
                <dd>{what}</dd>
              </div>
            ))}
          </dl>
        </div>
      ))}
      <button type="button" className="act self-start" onClick={onClose}>
        Close
      </button>
    </section>
  );
}
