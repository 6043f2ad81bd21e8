import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { postFiles, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { amount, plural } from '../ui/format';
import { Sentence } from './Sentence';

/** Takes in files in two steps: what is in them, then taking them in. */
export function IntakePanel({ onClose }: { onClose: () => void }) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const [files, setFiles] = useState<File[]>([]);
  const path = (dryRun: boolean) => `/api/intake?route=${route.code}&dryRun=${dryRun}`;
  const look = useMutation({
    mutationFn: (chosen: File[]) => postFiles<Schemas['IntakeAnswer']>(path(true), chosen),
  });
  const take = useMutation({
    mutationFn: () => postFiles<Schemas['IntakeAnswer']>(path(false), files),
    onSuccess: async (taken) => {
      await refresh();
      const stored = taken.documents.length - same(taken);
      notice({ tone: 'done', text: `${plural(stored, 'document')} taken in` });
      onClose();
    },
  });
  const choose = (chosen: File[]) => {
    setFiles(chosen);
    take.reset();
    if (chosen.length > 0) {
      look.mutate(chosen);
    }
  };
  useHotkeys('esc', onClose);
  const found = look.data;
  const fresh = found ? found.documents.length - same(found) : 0;
  return (
    <aside
      aria-label="Take in files"
      className="sheet min-h-0 overflow-auto rounded-b-none border-b-0 p-3.5"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        choose([...event.dataTransfer.files]);
      }}
    >
      <div className="flex items-start gap-2">
        <h2 className="title flex-1 text-[16px]">Which files have come?</h2>
        <button type="button" className="soft cursor-pointer text-[12px] underline" onClick={onClose}>
          Close
        </button>
      </div>
      <label className="mt-2 flex flex-col gap-1 text-[13px]">
        UBL 2.1 invoices and credit notes, several at once; or drop them here
        <input
          type="file"
          multiple
          accept=".xml,application/xml,text/xml"
          className="field"
          onChange={(event) => choose([...(event.target.files ?? [])])}
        />
      </label>
      {(look.isPending || take.isPending) && <p className="soft mt-2">Reading…</p>}
      {look.error && <Failure error={look.error} />}
      {take.error && <Failure error={take.error} />}
      {found && (
        <div className="mt-3 flex flex-col gap-3">
          {found.documents.map((each) => (
            <div key={`${each.kind} ${each.number}`} className="border-base-300 border-b pb-2 text-[13px]">
              <div className="flex justify-between font-semibold">
                <span>
                  {each.number} <span className="soft font-normal">{each.kind}</span>
                </span>
                <span>
                  {each.currency} {amount(each.gross)}
                </span>
              </div>
              {each.findings.map((finding) => (
                <p key={finding.sentence} className={finding.severity === 'blocks' ? 'text-accent' : 'soft'}>
                  <Sentence parts={finding.parts} />
                </p>
              ))}
            </div>
          ))}
          {found.problems.map((problem) => (
            <p key={problem.where + problem.code} className="text-error text-[13px]">
              <b>{problem.where}</b>: {problem.sentence}
            </p>
          ))}
          <button
            type="button"
            className="act act-main justify-center"
            disabled={fresh <= 0 || take.isPending}
            onClick={() => take.mutate()}
          >
            {fresh > 0 ? `Take in ${plural(fresh, 'document')}` : 'Nothing to take in'}
          </button>
        </div>
      )}
    </aside>
  );
}

const same = (answer: Schemas['IntakeAnswer']) =>
  answer.problems.filter((problem) => problem.code.startsWith('same-')).length;
