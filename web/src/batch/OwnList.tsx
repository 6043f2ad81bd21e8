import { useRef } from 'react';
import type { Schemas } from '../api/client';
import { Figure } from '../help/Figure';
import { Failure } from '../ui/Failure';
import { amount, counted, plural } from '../ui/format';
import type { OwnListRead } from './useOwnList';

/** A list of somebody's own beside the batch, read from her file; where there is none, a way to choose one. */
export function OwnList({ list, currency }: { list: OwnListRead; currency: string }) {
  const input = useRef<HTMLInputElement>(null);
  const choose = () => input.current?.click();
  return (
    <section
      aria-label="Your own list"
      className="flex flex-col gap-1 text-[13px]"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        list.take(event.dataTransfer.files[0] ?? null);
      }}
    >
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.txt,.tsv,.xlsx"
        aria-label="File with your own list"
        onChange={(event) => {
          list.take(event.target.files?.[0] ?? null);
          event.target.value = '';
        }}
      />
      {list.file === null ? (
        <button type="button" className="cursor-pointer self-start underline" onClick={choose}>
          Compare it with a list of your own, line by line
        </button>
      ) : (
        <>
          <div className="flex items-baseline gap-2">
            <b className="min-w-0 flex-1 truncate" title={list.file.name}>
              {list.file.name}
            </b>
            <button type="button" className="cursor-pointer underline" onClick={choose}>
              Another
            </button>
            <button type="button" className="cursor-pointer underline" onClick={() => list.take(null)}>
              Leave it out
            </button>
          </div>
          {list.error && <Failure error={list.error} />}
          {!list.error && !list.read && <p className="soft">Reading it…</p>}
          {list.read && <Understood list={list} read={list.read} />}
          {list.read?.id !== undefined && <Compared read={list.read} currency={currency} />}
        </>
      )}
    </section>
  );
}

const PROBLEMS = 6;

/** Which columns were taken for what, and what could not be understood. */
function Understood({ list, read }: { list: OwnListRead; read: Schemas['OwnListRead'] }) {
  return (
    <>
      <details open={read.problems.length > 0 || undefined}>
        <summary className="soft cursor-pointer">{understoodAs(read)}</summary>
        <div className="mt-1 flex flex-wrap gap-x-3 gap-y-1">
          <HowRead list={list} read={read} />
        </div>
      </details>
      {read.problems.slice(0, PROBLEMS).map((problem) => (
        <p key={problem.sentence} className="text-accent">
          {problem.sentence}
        </p>
      ))}
      {read.problems.length > PROBLEMS && (
        <p className="text-accent">And {read.problems.length - PROBLEMS} more.</p>
      )}
      {read.problems.length > 0 && (
        <p>
          Nothing is compared until all of it is understood. Say how it is to be read, put it right in the
          file, or leave it out.
        </p>
      )}
    </>
  );
}

function understoodAs(read: Schemas['OwnListRead']): string {
  const headOf = (place: number) => read.columns[place]?.head ?? 'no column';
  const parts = [
    read.sheets.length > 1 && `Sheet ${read.sheet}`,
    `Numbers in ${headOf(read.numbers)}`,
    `amounts in ${headOf(read.amounts)}${read.less < 0 ? '' : `, less ${headOf(read.less)}`}`,
    read.encoding !== '' && `read as ${read.encoding}`,
  ].filter((part) => part !== false);
  return parts.join('; ');
}

function HowRead({ list, read }: { list: OwnListRead; read: Schemas['OwnListRead'] }) {
  return (
    <>
      {read.sheets.length > 1 && (
        <Pick
          name="Sheet"
          value={read.sheet}
          options={read.sheets.map((each) => ({ value: each, name: each }))}
          onPick={(sheet) => list.readAs({ sheet, numbers: undefined, amounts: undefined })}
        />
      )}
      <Pick
        name="Numbers"
        value={String(read.numbers)}
        options={columnsOf(read)}
        onPick={(column) => list.readAs({ numbers: Number(column) })}
      />
      <Pick
        name="Amounts"
        value={String(read.amounts)}
        options={columnsOf(read)}
        onPick={(column) => list.readAs({ amounts: Number(column) })}
      />
      <Pick
        name="Decimals after a"
        value={isAmbiguous(read) ? '' : read.sign}
        options={[
          ...(isAmbiguous(read) ? [{ value: '', name: 'choose one' }] : []),
          { value: 'POINT', name: 'point' },
          { value: 'COMMA', name: 'comma' },
        ]}
        onPick={(sign) => list.readAs({ sign: sign as 'POINT' | 'COMMA' })}
      />
      {read.hiddenRows > 0 && (
        <label className="flex items-center gap-1">
          <input
            type="checkbox"
            checked={list.how.hidden ?? true}
            onChange={(event) => list.readAs({ hidden: event.target.checked })}
          />
          {plural(read.hiddenRows, 'row')} out of sight too
        </label>
      )}
    </>
  );
}

/** Whether nothing told a point from a comma, so that neither is chosen yet. */
const isAmbiguous = (read: Schemas['OwnListRead']) =>
  read.problems.some((problem) => problem.kind === 'AMBIGUOUS');

const columnsOf = (read: Schemas['OwnListRead']) => [
  ...([read.numbers, read.amounts].includes(-1) ? [{ value: '-1', name: 'choose one' }] : []),
  ...read.columns.map((each) => ({ value: String(each.place), name: each.head })),
];

interface PickProps {
  name: string;
  value: string;
  options: { value: string; name: string }[];
  onPick: (value: string) => void;
}

const Pick = ({ name, value, options, onPick }: PickProps) => (
  <label className="flex items-center gap-1">
    {name}
    <select className="field max-w-32" value={value} onChange={(event) => onPick(event.target.value)}>
      {options.map((each) => (
        <option key={each.value} value={each.value}>
          {each.name}
        </option>
      ))}
    </select>
  </label>
);

const KINDS: Record<Schemas['OwnLine']['kind'], string> = {
  AMOUNT_DIFFERS: 'another amount',
  LISTED_TWICE: 'on your list once more',
  ONLY_LISTED: 'not in the batch',
  ONLY_IN_BATCH: 'not on your list',
};

function Compared({ read, currency }: { read: Schemas['OwnListRead']; currency: string }) {
  if (read.differing === 0) {
    return (
      <p className="text-secondary font-semibold">
        {read.agreed === 1 ? 'The one document agrees' : `All ${counted(read.agreed)} documents agree`}, line
        by line.
      </p>
    );
  }
  return (
    <>
      <p>
        {plural(read.agreed, 'document')} {read.agreed === 1 ? 'agrees' : 'agree'},{' '}
        <b className="text-accent">{plural(read.differing, 'line')}</b> {read.differing === 1 ? 'does' : 'do'}{' '}
        not.
      </p>
      <table className="slip" aria-label="What does not agree">
        <thead>
          <tr className="soft text-left text-[12px]">
            <th className="font-semibold">Does not agree</th>
            <th className="amount font-semibold">Your list</th>
            <th className="amount font-semibold">Batch</th>
            <th className="amount font-semibold">
              <Figure rule="own-lines" name="Difference">
                {currency}
              </Figure>
            </th>
          </tr>
        </thead>
        <tbody>
          {read.lines.map((line, index) => (
            <tr key={index}>
              <td title={line.rows.length > 0 ? `row ${line.rows.join(', ')} of the file` : undefined}>
                {line.number}
                <span className="soft block text-[12px]">{KINDS[line.kind]}</span>
              </td>
              <td className="amount">{line.kind === 'ONLY_IN_BATCH' ? '–' : amount(line.listed)}</td>
              <td className="amount">
                {['ONLY_LISTED', 'LISTED_TWICE'].includes(line.kind) ? '–' : amount(line.batch)}
              </td>
              <td className="amount">{amount(line.difference)}</td>
            </tr>
          ))}
          {read.differing > read.lines.length && (
            <tr>
              <td colSpan={4} className="soft">
                and {plural(read.differing - read.lines.length, 'more line')}
              </td>
            </tr>
          )}
          <tr className="total">
            <td>All</td>
            <td className="amount">{amount(read.listed)}</td>
            <td className="amount">{amount(read.batch)}</td>
            <td className="amount">{amount(read.difference)}</td>
          </tr>
        </tbody>
      </table>
    </>
  );
}
