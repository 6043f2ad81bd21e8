import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { KINDS } from '../map/kinds';
import { RowEditor } from '../map/RowEditor';
import { Key } from '../ui/Key';

/** The rows of the crosswalk that put a cause right, each to be chosen in where one is. */
export function Rows({ fixes }: { fixes: Schemas['Fix'][] }) {
  const [open, setOpen] = useState<string>();
  const first = fixes[0];
  useHotkeys('m', () => first && setOpen(idOf(first)), {
    enabled: first !== undefined,
    preventDefault: true,
  });
  return (
    <ul className="flex flex-col items-start gap-2">
      {fixes.map((fix) =>
        idOf(fix) === open ? (
          <li key={idOf(fix)} className="w-full">
            <p className="soft mb-1 text-[12.5px]">What {nameOf(fix)} is on the ledger</p>
            <RowEditor
              kind={fix.kind}
              code={fix.code}
              onDone={() => setOpen(undefined)}
              action="Map it once"
            />
          </li>
        ) : (
          <li key={idOf(fix)}>
            <button type="button" className="act" onClick={() => setOpen(idOf(fix))}>
              Map {nameOf(fix)} {fix === first && <Key>m</Key>}
            </button>
          </li>
        ),
      )}
    </ul>
  );
}

const idOf = ({ kind, code }: Schemas['Fix']) => `${kind}/${code}`;

const nameOf = ({ kind, code }: Schemas['Fix']) => {
  const left = KINDS.find((each) => each.kind === kind.toLowerCase())?.left ?? 'line';
  return `${left.toLowerCase()} ${code}`;
};
