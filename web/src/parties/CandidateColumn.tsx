import { useCurrent } from '../app/current';
import { Key } from '../ui/Key';
import { money, plural } from '../ui/format';
import type { Schemas } from '../api/client';
import { Bar } from './Bar';
import { Known } from './Known';
import { inWords, together, TOPICS, verdict, type Candidate } from './likeness';

interface Props {
  candidate: Candidate;
  asked: Schemas['PartyInDoubt'];
  place: number;
  shortcut: string;
  onDecide: (() => void) | undefined;
}

const ORDINALS = ['first', 'second', 'third', 'fourth', 'fifth'];

/** One on the ledger: what is known of it, what that says, and what it comes to. */
export function CandidateColumn({ candidate, asked, place, shortcut, onDecide }: Props) {
  const { route } = useCurrent();
  const ordinal = ORDINALS[place] ?? 'last';
  const others = candidate.standsFor.filter((each) => each !== asked.party.code);
  const isItNow = others.length < candidate.standsFor.length;
  const sums = together(candidate.evidence);
  return (
    <section
      aria-label={`On ${route.ledger}, ${ordinal}`}
      className="row-span-full grid grid-cols-[1fr_200px] grid-rows-subgrid"
    >
      <header className="col-span-2 px-4 pt-2 pb-1">
        <p className="title text-secondary text-[13px]">
          On {route.ledger}, {ordinal}
        </p>
        <h2 className="title text-[19px] leading-tight">{candidate.party.name}</h2>
        <p className="text-[13px]">{candidate.party.code}</p>
        {isItNow && <p className="text-[13px]">{asked.party.code} is linked to it now</p>}
        {others.length > 0 && (
          <p className="text-accent truncate text-[13px]">
            is {others.join(', ')} in {route.source} already
          </p>
        )}
      </header>
      {TOPICS.map(({ topic, name, of }) => {
        const evidence = candidate.evidence.find((each) => each.topic === topic);
        if (!evidence) {
          return null;
        }
        const { says, weighs } = inWords(evidence);
        const contradicts = evidence.agreement === 'CONTRADICTS' && evidence.bits < 0;
        return (
          <div
            key={topic}
            data-topic={topic}
            className={`border-base-300 col-span-2 grid grid-cols-subgrid border-t ${contradicts ? 'bg-base-200 border-l-accent border-l-[3px]' : 'border-l-[3px] border-l-transparent'}`}
          >
            <div className="self-center px-3 py-1">
              <span className="sr-only">{name}: </span>
              <Known values={of(candidate.party)} />
              <span className="block text-[12.5px]">
                <span className={evidence.bits < 0 ? 'text-accent' : ''}>{says}</span>
                {weighs !== '' && <span className="soft">, {weighs}</span>}
              </span>
            </div>
            <Bar speaksFor={Math.max(0, evidence.bits)} against={Math.max(0, -evidence.bits)} />
          </div>
        );
      })}
      <div className="border-base-content col-span-2 grid grid-cols-subgrid border-t-2">
        <div className="self-center px-4 py-1">
          <b>{verdict(candidate)}</b>
          <span className="block text-[12.5px]">
            {Math.round(sums.speaksFor)} for, {Math.round(sums.against)} against
          </span>
        </div>
        <Bar {...sums} tall />
      </div>
      <div className="border-base-300 col-span-2 border-t px-4 pt-2">
        <button type="button" className="act" disabled={!onDecide} onClick={onDecide}>
          It is the {ordinal} <Key>{shortcut}</Key>
        </button>
        <p className="mt-1 text-[12.5px]">
          Links {asked.party.code} to {candidate.party.code}.
          {asked.blockedDocuments > 0 &&
            ` ${plural(asked.blockedDocuments, 'document')}, ${money(asked.blockedAmount, route.currency)}, ${asked.blockedDocuments === 1 ? 'waits' : 'wait'} for the answer.`}
        </p>
      </div>
    </section>
  );
}
