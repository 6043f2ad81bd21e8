import { keepPreviousData, useQuery, useQueryClient, type QueryKey } from '@tanstack/react-query';
import { useContext, useDeferredValue, useEffect, useRef, useState, type RefObject } from 'react';
import {
  Button,
  ComboBox,
  ComboBoxStateContext,
  Input,
  ListBox,
  ListBoxItem,
  Popover,
} from 'react-aria-components';

/** Something to choose, as it is shown. */
export interface Choice {
  key: string;
  code: string;
  name: string;
  /** What else tells it from others. */
  note: string;
  /** Why it comes first. */
  reason: string;
}

/** Asks for what a text finds, the best fitting first; with no text what is suggested and what was chosen last. */
export type Search<T> = (text: string) => { queryKey: QueryKey; queryFn: () => Promise<T[]> };

interface Props<T extends Choice> {
  label: string;
  search: Search<T>;
  chosen: T | undefined;
  /** Undefined when what was chosen is taken back, by typing this instead; empty for nothing at all. */
  onChoose: (choice: T | undefined, typed: string) => void;
  placeholder?: string;
  width?: string;
  autoFocus?: boolean;
}

const FRESH = 30_000;

const textOf = (choice: Choice) => [choice.code, choice.name].filter((part) => part !== '').join(' ');

/**
 * One of very many things, found by typing any of its code, name or number. Enter takes the one that was moved to, or
 * the best fitting.
 */
export function Chooser<T extends Choice>(props: Props<T>) {
  const { label, search, chosen, onChoose, placeholder, width = 'w-[190px]', autoFocus = false } = props;
  const [typed, setTyped] = useState<string>();
  const queries = useQueryClient();
  const text = typed?.trim() ?? '';
  const asked = useDeferredValue(text);
  const found = useQuery({ ...search(asked), placeholderData: keepPreviousData, staleTime: FRESH });
  const current = asked === text && !found.isPlaceholderData && found.isSuccess;
  const items = found.data ?? [];
  const movedRef = useRef<string | null>(null);
  const choose = (choice: T) => {
    setTyped(undefined);
    onChoose(choice, '');
  };
  // It may be that the answer to what was typed last is not there yet.
  const take = async (isMeant: (found: T[]) => T | undefined) => {
    if (typed !== undefined && text !== '' && movedRef.current === null) {
      const meant = isMeant(await queries.query({ ...search(text), staleTime: FRESH }));
      if (meant) {
        choose(meant);
      }
    }
  };
  const best = (found: T[]) => found[0];
  /** Whoever goes on without a choice has made none, unless there is no other that could be meant. */
  const only = (found: T[]) =>
    found.length === 1 ? found[0] : found.find((each) => each.code.toLowerCase() === text.toLowerCase());
  return (
    <ComboBox
      aria-label={label}
      className={`inline-block max-w-full ${width}`}
      items={items}
      inputValue={typed ?? (chosen ? textOf(chosen) : '')}
      onInputChange={(value) => {
        if (value !== (chosen ? textOf(chosen) : '') || typed !== undefined) {
          setTyped(value);
          onChoose(undefined, value.trim());
        }
      }}
      value={null}
      onChange={(key) => {
        const choice = items.find((each) => each.key === key);
        if (choice) {
          choose(choice);
        }
      }}
      allowsCustomValue
      allowsEmptyCollection
      // With something chosen, Enter is to go on and not to close a list.
      menuTrigger={chosen ? 'input' : 'focus'}
    >
      <Moved placeRef={movedRef} chosen={chosen?.key} />
      <span className="relative block">
        <Input
          className="field text-base-content w-full !pr-7"
          placeholder={placeholder}
          // It is opened by whoever wants to choose.
          autoFocus={autoFocus}
          onFocus={(event) => event.currentTarget.select()}
          onKeyDownCapture={(event) => event.key === 'Enter' && void take(best)}
          onBlur={() => void take(only)}
        />
        <Button
          aria-label="Show what there is"
          className="text-base-content absolute inset-y-0 right-0 w-7 cursor-pointer"
        >
          ▾
        </Button>
      </span>
      <Popover className="sheet z-30 w-[400px] max-w-[90vw] shadow-lg" placement="bottom start" offset={2}>
        <ListBox
          className="max-h-[340px] overflow-auto p-1 outline-none"
          renderEmptyState={() => (
            <p className="soft px-2 py-1">
              {current
                ? text === ''
                  ? 'There is nothing to choose.'
                  : 'Nothing has that name.'
                : 'Looking…'}
            </p>
          )}
        >
          {(choice: T) => (
            <ListBoxItem
              id={choice.key}
              textValue={textOf(choice)}
              className="data-[focused]:bg-base-200 cursor-pointer rounded-sm px-2 py-0.5 outline-none"
            >
              <span className="flex items-baseline gap-2">
                {choice.code !== '' && <b className="shrink-0">{choice.code}</b>}
                <span className="truncate">{choice.name}</span>
                <span className="soft ml-auto shrink-0 text-[12.5px]">{choice.note}</span>
              </span>
              {choice.reason !== '' && <span className="soft block text-[12px]">{choice.reason}</span>}
            </ListBoxItem>
          )}
        </ListBox>
      </Popover>
    </ComboBox>
  );
}

interface Kept {
  placeRef: RefObject<string | null>;
  chosen: string | undefined;
}

/** Keeps which choice was moved to by the arrows, and closes the list once something is chosen. */
function Moved({ placeRef, chosen }: Kept) {
  const state = useContext(ComboBoxStateContext);
  const key = state?.isOpen ? (state.selectionManager.focusedKey ?? null) : null;
  const stateRef = useRef(state);
  useEffect(() => {
    placeRef.current = key === null ? null : String(key);
    stateRef.current = state;
  });
  useEffect(() => {
    if (chosen === undefined) {
      return;
    }
    // What a choice fills in is taken for typing, which opens the list again.
    const later = requestAnimationFrame(() => stateRef.current?.close());
    return () => cancelAnimationFrame(later);
  }, [chosen]);
  return null;
}
