import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import type { Schemas } from '../api/client';
import { documentsQuery } from '../api/queries';
import { useView } from '../app/useView';
import { amount, day } from '../ui/format';

/** Which real document the change is shown on: one it makes a difference to, or any that is looked for. */
export function DocumentPicker({ route, number }: { route: Schemas['RouteJson']; number: string }) {
  const view = useView();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState('');
  const found = useQuery({
    ...documentsQuery({ route: route.code, text: text === '' ? undefined : text, limit: 8 }),
    enabled: open,
  });
  if (!open) {
    return (
      <p className="mb-2 text-[13px]">
        Shown on <b>{number === '' ? 'no document' : number}</b>{' '}
        <button type="button" className="cursor-pointer underline" onClick={() => setOpen(true)}>
          another one…
        </button>
      </p>
    );
  }
  return (
    <div className="border-base-300 mb-2 border p-2 text-[13px]">
      <input
        type="search"
        aria-label="Find a document"
        placeholder="Number or party"
        className="field mb-1 w-56"
        autoFocus
        value={text}
        onChange={(event) => setText(event.target.value)}
      />
      <ul>
        {found.data?.rows.map((row) => (
          <li key={row.id}>
            <button
              type="button"
              className="hover:bg-base-200 flex w-full cursor-pointer gap-3 px-1 py-0.5 text-left"
              onClick={() => {
                view.set({ document: String(row.id) }, { replace: true });
                setOpen(false);
              }}
            >
              <b>{row.number}</b>
              <span className="flex-1 truncate">{row.party}</span>
              <span className="soft">{day(row.issueDate)}</span>
              <span className="amount">{amount(row.gross)}</span>
            </button>
          </li>
        ))}
      </ul>
      {found.data?.rows.length === 0 && <p>None has that number or party.</p>}
      <button
        type="button"
        className="cursor-pointer underline"
        onClick={() => {
          view.set({ document: null }, { replace: true });
          setOpen(false);
        }}
      >
        Choose by itself
      </button>
    </div>
  );
}
