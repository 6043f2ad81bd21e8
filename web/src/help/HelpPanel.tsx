import { useEffect, useRef } from 'react';
import { PURPOSES } from './purposes';
import { Key } from '../ui/Key';

/** By place; those of other places than the present one are left out. */
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
      ['u', 'take back what was done last'],
      ['w', 'why: of the figure or the row that one is on'],
      ['?', 'show or hide this'],
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
      ['f', 'put the cause right here'],
      ['e', 'change the row that decided the account'],
      ['o', 'another account for this line only'],
      ['b', 'make a batch'],
      ['d', 'see the batch as it would stand on the ledger, and back'],
      ['a', 'approve what is waiting'],
      ['s', 'look at those chosen, or at this one, on both sides now'],
      ['t', 'take in files'],
    ],
  ],
  [
    'Both sides',
    [
      ['1 2', 'of what both changed: the source’s, the ledger’s'],
      ['t', 'keep what each side changed'],
      ['r', 'send it as its source has it'],
      ['l', 'let the ledger’s stand'],
      ['s', 'look at both sides now'],
      ['d', 'see what can be done with it'],
      ['b n e x', 'of that: bring back, unlink, link to something else, leave alone'],
      ['Esc', 'back'],
    ],
  ],
  [
    'Resolve',
    [
      ['j k', 'next, previous cause'],
      ['[ ]', 'the one before, after, of the cause'],
      ['1 2', 'of what both changed in a record: the source’s, the ledger’s'],
      ['t', 'of a record, keep what each side changed'],
      ['r', 'of a record, send it as its source has it'],
      ['l', 'of a record, let the ledger’s stand'],
      ['1 2 3 4', 'of a party that both changed: the source’s, the ledger’s, as last agreed, another'],
      ['r a l', 'of a party that one changed: restore, accept, leave'],
      ['1 3', 'of what was entered on the ledger and may be there: bring it, leave it'],
      ['o i', 'go where it is put right; open the ledger'],
    ],
  ],
  [
    'Clear',
    [
      ['b', 'open what waits to be banked; there, bank it'],
      ['x', 'tick or leave a receipt'],
      ['t', 'say what the slip says'],
      ['y', 'tick what makes the slip exact'],
    ],
  ],
  [
    'Connect',
    [
      ['y', 'do the step in hand'],
      ['r', 'judge readiness again'],
      ['j k', 'next, previous setting'],
      ['d', 'decide so'],
      ['n', 'decide so, only from the next one on'],
    ],
  ],
  [
    'Map',
    [
      ['e', 'change the row'],
      ['y', 'accept the suggestion'],
      ['c', 'compare the party with those that it may be'],
      ['1 2', 'it is the first, the second of those'],
      ['3', 'it is a new one'],
      ['l', 'decide this one later'],
      ['n', 'see those that are less likely'],
      ['s', 'save what was supposed, and leave what is posted'],
      ['d', 'save it, and draft the journals'],
    ],
  ],
];

const EVERYWHERE = new Set(['Everywhere', 'In a list']);

/** What the stop is for, the words one meets there, and the keys. */
export function HelpPanel({ path, onClose }: { path: string; onClose: () => void }) {
  const purpose = PURPOSES[path];
  const name = path === '/documents' ? 'Both sides' : purpose?.name;
  const close = useRef<HTMLButtonElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    close.current?.focus();
    return () => {
      if (before instanceof HTMLElement) {
        before.focus();
      }
    };
  }, []);
  return (
    <section
      aria-label="Help"
      className="sheet fixed right-5 bottom-8 z-20 flex max-h-[88%] max-w-[calc(100%-40px)] gap-8 overflow-auto p-4 shadow-lg max-[900px]:flex-col"
    >
      {purpose && (
        <div className="w-[330px] text-[13px]">
          <h2 className="title mb-1 text-[17px]">{purpose.name}</h2>
          {purpose.sentences.map((sentence) => (
            <p key={sentence} className="mb-1">
              {sentence}
            </p>
          ))}
          <dl className="mt-3">
            {purpose.words.map(([word, meaning]) => (
              <div key={word} className="border-base-300 border-t py-1">
                <dt className="font-semibold">{word}</dt>
                <dd className="soft">{meaning}</dd>
              </div>
            ))}
          </dl>
        </div>
      )}
      {KEYS.filter(([place]) => EVERYWHERE.has(place) || place === name).map(([place, keys]) => (
        <div key={place} className="shrink-0">
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
      <button ref={close} type="button" className="act shrink-0 self-start" onClick={onClose}>
        Close
      </button>
    </section>
  );
}
