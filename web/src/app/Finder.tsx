import { useQuery } from '@tanstack/react-query';
import { useDeferredValue, useRef, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { findQuery } from '../api/queries';
import { Glyph } from '../ui/Glyph';
import { Key } from '../ui/Key';
import { amount, day } from '../ui/format';

interface Hit {
  to: string;
  kind: string;
  state?: string;
  code: string;
  name: string;
  date: string;
  gross: string;
}

const PLACES: Record<string, (code: string) => string> = {
  PARTY: (code) => `kind=party&row=${code}&text=${code}`,
  ITEM: (code) => `kind=item&row=${code}&text=${code}`,
  ACCOUNT: (code) => `kind=category&text=${code}`,
};

function hits(found: Schemas['Found']): Hit[] {
  const documents = found.documents.map((row) => ({
    to: `/documents/${row.id}?route=${row.route}`,
    kind: 'document',
    state: row.state,
    code: row.number,
    name: row.party,
    date: day(row.issueDate),
    gross: amount(row.gross),
  }));
  const codes = found.codes.map((each) => ({
    to: `/map?route=${each.route}&${PLACES[each.kind]?.(encodeURIComponent(each.code)) ?? ''}`,
    kind: each.kind.toLowerCase(),
    code: each.code,
    name: each.name,
    date: '',
    gross: '',
  }));
  return [...documents, ...codes];
}

/** Finds a document by any of its numbers on either side, or by its party; and parties, items and accounts. */
export function Finder() {
  const field = useRef<HTMLInputElement>(null);
  const navigate = useNavigate();
  const [text, setText] = useState('');
  const [place, setPlace] = useState(0);
  const found = useQuery(findQuery(useDeferredValue(text)));
  const rows = text.trim().length > 1 && found.data ? hits(found.data) : [];
  useHotkeys('slash', (event) => {
    event.preventDefault();
    field.current?.focus();
  });
  const open = (index: number) => {
    const row = rows[index];
    if (row) {
      setText('');
      field.current?.blur();
      void navigate(row.to);
    }
  };
  return (
    <div className="relative ml-auto flex items-center gap-2 max-[700px]:hidden">
      <input
        ref={field}
        type="search"
        role="combobox"
        aria-expanded={rows.length > 0}
        aria-controls="found"
        aria-activedescendant={rows.length > 0 ? `found-${place}` : undefined}
        aria-label="Find a document, party, item or account"
        placeholder="Find a document, party or number"
        className="border-base-content/60 w-60 border-b bg-transparent px-1 py-1"
        value={text}
        onChange={(event) => {
          setText(event.target.value);
          setPlace(0);
        }}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') {
            setPlace(Math.min(place + 1, rows.length - 1));
          } else if (event.key === 'ArrowUp') {
            setPlace(Math.max(place - 1, 0));
          } else if (event.key === 'Enter') {
            open(place);
          } else if (event.key === 'Escape') {
            setText('');
            field.current?.blur();
          }
        }}
      />
      <Key>/</Key>
      <ul
        id="found"
        role="listbox"
        aria-label="Found"
        className={`sheet absolute top-9 right-0 z-20 w-[440px] shadow-lg ${text.trim().length > 1 ? '' : 'hidden'}`}
      >
        {rows.map((row, index) => (
          <li
            key={row.to}
            id={`found-${index}`}
            role="option"
            aria-selected={index === place}
            className={`flex cursor-pointer items-center gap-3 px-3 py-1 ${index === place ? 'bg-base-200' : ''}`}
            onMouseDown={() => open(index)}
          >
            {row.state ? (
              <Glyph state={row.state} size={20} />
            ) : (
              <span className="soft text-[12px]">{row.kind}</span>
            )}
            <b>{row.code}</b>
            <span className="flex-1 truncate">{row.name}</span>
            <span className="soft">{row.date}</span>
            <span>{row.gross}</span>
          </li>
        ))}
        {rows.length === 0 && text.trim().length > 1 && (
          <li role="option" aria-selected="false" className="soft px-3 py-1">
            {found.isFetching ? 'Looking…' : 'Nothing has that number or name.'}
          </li>
        )}
      </ul>
    </div>
  );
}
