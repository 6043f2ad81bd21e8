import { useMutation, useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { client } from '../api/client';
import { settingsQuery } from '../api/queries';
import { useRefresh } from '../api/useRefresh';
import { workDone } from '../api/work';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { Key } from '../ui/Key';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import {
  does,
  fieldName,
  oneOf,
  ownerSetting,
  valueOf,
  type Answer,
  type MasterCause,
  type MasterHeld,
  type MasterValues,
} from './masters';
import { TypedValue } from './TypedValue';

interface Props {
  cause: MasterCause;
  held: MasterHeld;
  values: MasterValues;
}

type For = 'one' | 'all' | 'always';

/** What can be said of a field, with what it does; for this one, for all of the cause, or from now on. */
export function MasterAnswer({ cause, held, values }: Props) {
  const { route } = useCurrent();
  const [whom, setWhom] = useState<For>('one');
  const [typed, setTyped] = useState(values.source);
  const say = useSay(cause, held, whom);
  const give = (answer: Answer) => say.mutate({ answer, typed: answer === 'TYPED' ? typed : '' });
  const offers = (answer: Answer) => held.offered.includes(answer) && !say.isPending;
  const key = (pressed: string, answer: Answer) =>
    ({ pressed, answer, enabled: offers(answer) && (answer !== 'TYPED' || whom === 'one') }) as const;
  const keys = [
    key('1', 'SOURCE'),
    key('2', 'LEDGER'),
    key('3', 'AS_AGREED'),
    key('r', 'RESTORE'),
    key('a', 'ACCEPT'),
    key('l', 'LEAVE'),
  ];
  useHotkeys(
    keys.map((each) => each.pressed),
    (_, { keys: hit }) => {
      const found = keys.find((each) => hit?.includes(each.pressed));
      if (found?.enabled) {
        give(found.answer);
      }
    },
  );
  const shown = (value: string) => valueOf(values.field, value) || 'nothing';
  const box = (answer: Answer, name: string, pressed: string, value?: string) =>
    held.offered.includes(answer) && (
      <Box key={answer} says={`${does(answer, cause, route)}${answer === 'SOURCE' ? asThere(values) : ''}`}>
        <button
          type="button"
          className="act w-full justify-between text-left"
          disabled={say.isPending}
          onClick={() => give(answer)}
        >
          {name} <Key>{pressed}</Key>
        </button>
        {value !== undefined && <span className="title text-[16px] break-words">{value}</span>}
      </Box>
    );
  return (
    <div className="flex flex-col gap-2.5">
      <div className="grid grid-cols-[repeat(auto-fit,minmax(170px,1fr))] gap-2.5">
        {box('SOURCE', `${route.source}’s`, '1', shown(values.source))}
        {box('LEDGER', `${route.ledger}’s`, '2', shown(values.ledger))}
        {box('AS_AGREED', 'As last agreed', '3', shown(values.sourceAgreed))}
        {held.offered.includes('TYPED') && whom === 'one' && (
          <Box says={does('TYPED', cause, route)}>
            <TypedValue
              field={values.field}
              value={typed}
              onValue={setTyped}
              onDone={() => give('TYPED')}
              disabled={say.isPending}
            />
          </Box>
        )}
        {box('RESTORE', 'Restore', 'r', cause.sides.length > 1 ? undefined : shown(restored(cause, values)))}
        {box('ACCEPT', 'Accept', 'a', cause.sides.length > 1 ? undefined : shown(accepted(cause, values)))}
        {box('LEAVE', 'Leave', 'l')}
      </div>
      <ForWhom cause={cause} whom={whom} onWhom={setWhom} />
      {say.isPending && <p className="soft">Telling both sides…</p>}
      {say.error && <Failure error={say.error} />}
    </div>
  );
}

/** What its ledger makes of the source’s, where that is another. */
const asThere = ({ source, there }: MasterValues) =>
  there === source || there === '' ? '' : ` as “${there}”`;

const restored = (cause: MasterCause, values: MasterValues) =>
  cause.sides[0] === 'SOURCE' ? values.sourceAgreed : values.ledgerAgreed;
const accepted = (cause: MasterCause, values: MasterValues) =>
  cause.sides[0] === 'SOURCE' ? values.source : values.ledger;

const Box = ({ says, children }: { says: string; children: ReactNode }) => (
  <div className="border-base-content/30 bg-base-100 flex flex-col gap-1 rounded border p-2">
    {children}
    <span className="soft mt-auto text-[12.5px]">{says}</span>
  </div>
);

interface ForWhomProps {
  cause: MasterCause;
  whom: For;
  onWhom: (whom: For) => void;
}

function ForWhom({ cause, whom, onWhom }: ForWhomProps) {
  const { me } = useCurrent();
  const field = fieldName(cause.field).toLowerCase();
  const one = cause.kind === 'PARTIES' ? 'party' : 'item';
  const choices: [For, string, boolean][] = [
    ['one', 'this one', true],
    ['all', `all ${cause.masters.length} of the cause`, cause.masters.length > 1],
    [
      'always',
      `this one, and the ${field} of every ${one} from now on`,
      cause.conflict && me.role === 'ADMINISTRATOR',
    ],
  ];
  const offered = choices.filter(([, , there]) => there);
  if (offered.length < 2) {
    return null;
  }
  return (
    <div role="radiogroup" aria-label="Say it for" className="flex flex-wrap items-center gap-1.5">
      <span className="soft text-[12.5px]">Say it for</span>
      {offered.map(([value, says]) => (
        <label
          key={value}
          className="chip has-[:checked]:bg-neutral has-[:checked]:text-neutral-content has-[:focus-visible]:outline-secondary has-[:focus-visible]:outline-2"
        >
          <input
            type="radio"
            className="sr-only"
            name="whom"
            value={value}
            checked={value === whom}
            onChange={() => onWhom(value)}
          />
          {says}
        </label>
      ))}
      {whom === 'always' && (
        <span className="soft text-[12.5px]">Whose you take owns the field from now on.</span>
      )}
    </div>
  );
}

/** Gives an answer; whose it was owns the field afterwards where it is said from now on. */
function useSay(cause: MasterCause, held: MasterHeld, whom: For) {
  const { route } = useCurrent();
  const refresh = useRefresh();
  const notice = useNotice();
  const settings = useQuery({ ...settingsQuery(route.code), enabled: whom === 'always' });
  return useMutation({
    mutationFn: async ({ answer, typed }: { answer: Answer; typed: string }) => {
      const masters = whom === 'all' ? cause.masters : [held];
      const said = await workDone(
        client.POST('/api/resolve/masters', {
          body: {
            route: route.code,
            kind: cause.kind,
            field: cause.field,
            answer,
            typed,
            masters: masters.map(({ code, seen }) => ({ code, seen })),
          },
        }),
      );
      const setting = settings.data?.find((each) => each.setting === ownerSetting(cause));
      if (whom === 'always' && setting && (answer === 'SOURCE' || answer === 'LEDGER')) {
        const value = answer === 'SOURCE' ? 'source' : 'ledger';
        await workDone(
          client.PUT('/api/settings', {
            body: {
              route: route.code,
              changes: [{ setting: setting.setting, value, expectedVersion: setting.version }],
            },
          }),
        );
      }
      return said;
    },
    onSuccess: ({ answered, left }) =>
      notice({
        tone: left > 0 ? 'failed' : 'done',
        text: `${plural(answered, oneOf(cause.kind))} answered for${
          left > 0 ? `; ${left} changed meanwhile and ${left === 1 ? 'was' : 'were'} left` : ''
        }`,
      }),
    onSettled: refresh,
  });
}
