import { useQuery } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { moment, plural } from '../ui/format';
import type { Batch } from '../send/outcomes';
import { AnswersOfLedger } from './AnswersOfLedger';
import { Gaps } from './Gaps';
import { filesQuery, type BatchFiles } from './queries';

const KILOBYTE = 1024;

const size = (bytes: number) =>
  bytes < KILOBYTE ? `${bytes} bytes` : `${Math.round(bytes / KILOBYTE).toLocaleString()} kB`;

/** The files of a batch on the left page, what the ledger answered on the right. */
export function FilesOfBatch({ batch }: { batch: Batch }) {
  const { route } = useCurrent();
  const files = useQuery(filesQuery(batch.id));
  if (files.error) {
    return <Failure error={files.error} />;
  }
  if (!files.data) {
    return <p className="soft px-4 py-2">Looking for its files…</p>;
  }
  return (
    <div className="border-base-300 grid grid-cols-[1fr_54px_1.4fr] border-b">
      <section aria-label="Files" className="px-4 py-2">
        <h2 className="title text-[15px]">What goes to {route.ledger}</h2>
        {files.data.files.map((file) => (
          <p key={file.ordinal} className="text-[13px]">
            <b>{file.name}</b>, {size(file.bytes)}, written {moment(file.writtenAt)} by {file.writtenBy}
            <span className="soft block font-mono text-[11px]" title={`SHA-256 ${file.sha256}`}>
              SHA-256 {file.sha256.slice(0, 16)}…
            </span>
          </p>
        ))}
        <a
          className={`act mt-1 inline-flex ${batch.unconfirmed > 0 && files.data.answers.length === 0 ? 'act-main' : ''}`}
          href={`/api/batches/${batch.id}/files/download`}
          download
        >
          {files.data.files.length > 1 ? 'Take the files, as one ZIP' : 'Take the file'}
        </a>
        <Gaps gaps={files.data.gaps} ledger={route.ledger} />
        <Formulas formulas={files.data.formulas} ledger={route.ledger} />
      </section>
      <span className="gutter" aria-hidden="true" />
      <AnswersOfLedger batch={batch} files={files.data} />
    </div>
  );
}

/** What a spreadsheet would take for a formula stands there as it is, since the importer reads it so. */
function Formulas({ formulas, ledger }: { formulas: BatchFiles['formulas']; ledger: string }) {
  const [first] = formulas;
  return first ? (
    <p className="text-accent mt-1 text-[13px]">
      {plural(formulas.length, 'text')} in it {formulas.length === 1 ? 'begins' : 'begin'} like a formula, the
      first in row {first.row}: “{first.text}”. They stand there as they are, so that {ledger} reads them
      right: import the file, and do not open it in a spreadsheet.
    </p>
  ) : null;
}
