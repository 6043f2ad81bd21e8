import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useDeferredValue, useState } from 'react';
import { ComboBox, Input, ListBox, ListBoxItem, Popover } from 'react-aria-components';
import { useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { findQuery } from '../api/queries';
import { Glyph } from '../ui/Glyph';
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

interface Props {
  label: string;
  className: string;
  /** What was typed, and whether the field had the focus, before this was there. */
  early: { text: string; focused: boolean };
}

const LEAST_LETTERS = 2;

/** The field of the finder with what is found under it; Enter opens what was moved to, or the first. */
export default function FoundField({ label, className, early }: Props) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [text, setText] = useState(early.text);
  const asked = useDeferredValue(text);
  const found = useQuery(findQuery(asked));
  const isAsking = text.trim().length >= LEAST_LETTERS;
  const rows = isAsking && found.data ? hits(found.data) : [];
  const open = (to: string | undefined) => {
    if (to !== undefined) {
      setText('');
      if (document.activeElement instanceof HTMLElement) {
        document.activeElement.blur();
      }
      void navigate(to);
    }
  };
  return (
    <ComboBox
      aria-label={label}
      items={rows}
      inputValue={text}
      onInputChange={setText}
      value={null}
      onChange={(key) => key !== null && open(String(key))}
      allowsCustomValue
      allowsEmptyCollection={isAsking}
      menuTrigger="input"
    >
      <Input
        type="search"
        className={className}
        placeholder="Find a document, party or number"
        // It had the focus already.
        autoFocus={early.focused}
        onKeyDownCapture={(event) => {
          const moved = event.currentTarget.getAttribute('aria-activedescendant');
          if (event.key === 'Enter' && !moved && isAsking) {
            // What is shown may still be what was typed before.
            void queries.query(findQuery(text)).then((answer) => open(hits(answer)[0]?.to));
          } else if (event.key === 'Escape') {
            setText('');
            event.currentTarget.blur();
          }
        }}
      />
      <Popover className="sheet z-30 w-[440px] max-w-[90vw] shadow-lg" placement="bottom end" offset={4}>
        <ListBox
          aria-label="Found"
          className="p-1 outline-none"
          renderEmptyState={() => (
            <p className="soft px-2 py-1">
              {found.isFetching ? 'Looking…' : 'Nothing has that number or name.'}
            </p>
          )}
        >
          {(row: Hit) => (
            <ListBoxItem
              id={row.to}
              textValue={`${row.code} ${row.name}`}
              className="data-[focused]:bg-base-200 flex cursor-pointer items-center gap-3 rounded-sm px-2 py-1 outline-none"
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
            </ListBoxItem>
          )}
        </ListBox>
      </Popover>
    </ComboBox>
  );
}
