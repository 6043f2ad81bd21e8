import { useMutation } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { postFiles, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { moment, plural } from '../ui/format';
import type { Batch } from '../send/outcomes';
import type { BatchFiles } from './queries';
import { Withdraw } from './Withdraw';

type Answer = Schemas['AnswerJson'];

const ODD = 6;

/** What the ledger said about the files, and a way to take in what it says now. */
export function AnswersOfLedger({ batch, files }: { batch: Batch; files: BatchFiles }) {
  const { me, route } = useCurrent();
  const refresh = useRefresh();
  const input = useRef<HTMLInputElement>(null);
  const take = useMutation({
    mutationFn: (file: File) => postFiles<Answer>(`/api/batches/${batch.id}/answers`, [file]),
    onSuccess: refresh,
  });
  const open = batch.unconfirmed;
  return (
    <section
      aria-label="Answers"
      className="px-4 py-2"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        const file = event.dataTransfer.files[0];
        if (file && me.mayChange) {
          take.mutate(file);
        }
      }}
    >
      <h2 className="title text-[15px]">What {route.ledger} answered</h2>
      <p className="text-[13px]">
        {open > 0
          ? `${plural(open, 'document')} not answered for yet. Import the file in ${route.ledger}, then take in its acceptance file, or its register.`
          : 'Every document of it is settled.'}
      </p>
      {me.mayChange && (
        <>
          <input
            ref={input}
            type="file"
            hidden
            accept=".csv,.txt"
            aria-label={`File of ${route.ledger}`}
            onChange={(event) => {
              const file = event.target.files?.[0];
              if (file) {
                take.mutate(file);
              }
              event.target.value = '';
            }}
          />
          <div className="my-1 flex flex-wrap items-center gap-2">
            <button
              type="button"
              className={`act ${open > 0 && files.answers.length > 0 ? 'act-main' : ''}`}
              disabled={take.isPending}
              onClick={() => input.current?.click()}
            >
              {take.isPending ? 'Reading it…' : 'Take in its file'}
            </button>
            {open > 0 && <Withdraw batch={batch} />}
          </div>
        </>
      )}
      {take.error && <Failure error={take.error} />}
      {files.answers.map((each) => (
        <AnswerTaken key={each.id} batch={batch.id} answer={each} />
      ))}
    </section>
  );
}

const TOLD = {
  WHOLE: '',
  PART: ' It was cut off: what it does not name is still open.',
  REGISTER: ' It is the register.',
};

function AnswerTaken({ batch, answer }: { batch: number; answer: Answer }) {
  const [all, setAll] = useState(false);
  const odd = all ? answer.odd : answer.odd.slice(0, ODD);
  const counts = [
    [answer.accepted, 'accepted'],
    [answer.differing, 'there with another amount'],
    [answer.refused, 'refused'],
    [answer.missing, 'missing'],
  ] as const;
  const said = counts.filter(([count]) => count > 0).map(([count, word]) => `${count} ${word}`);
  return (
    <div className="mt-1 text-[13px]">
      <p>
        <a className="underline" href={`/api/batches/${batch}/answers/${answer.id}`} download>
          {answer.name}
        </a>
        , {moment(answer.takenAt)}, {answer.takenBy}:{' '}
        <b>{said.length > 0 ? said.join(', ') : 'settles nothing'}</b>.{TOLD[answer.telling]}
      </p>
      <ul className="text-error ml-4 list-disc">
        {odd.map((each) => (
          <li key={`${each.line} ${each.sentence}`}>
            Line {each.line}: {each.sentence}
          </li>
        ))}
      </ul>
      {odd.length < answer.odd.length && (
        <button type="button" className="cursor-pointer underline" onClick={() => setAll(true)}>
          {answer.odd.length - odd.length} more
        </button>
      )}
    </div>
  );
}
