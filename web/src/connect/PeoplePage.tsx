import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { z } from 'zod';
import { answer, client, type Schemas } from '../api/client';
import { connectQuery, peopleQuery } from '../api/queries';
import { Failure } from '../ui/Failure';
import { Field } from '../ui/Field';
import { CheckedField } from '../ui/form/CheckedField';
import { named, password, signInName } from '../ui/form/rules';
import { useCheckedForm } from '../ui/form/useCheckedForm';
import { Book } from '../ui/book/Book';
import type { Column } from '../ui/book/columns';
import { plural } from '../ui/format';
import { useNotice } from '../ui/notices';
import { SightChoice } from './SightChoice';
import { TokensOf } from './TokensOf';
import { inWords, type Seen } from './sight';

type Person = Schemas['PersonListed'];
type Role = Person['role'];

const ROLES: { role: Role; may: string }[] = [
  { role: 'ADMINISTRATOR', may: 'connects, changes settings, lets people in; and all that bookkeepers do' },
  { role: 'BOOKKEEPER', may: 'maps, releases, sends, puts right' },
  { role: 'OPERATIONS', may: 'sees what became of the documents of some sites, and nothing else' },
  { role: 'REVIEWER', may: 'reads everything and changes nothing' },
];

const word = (role: Role) => role.toLowerCase();

/** Who may sign in, and as what. */
export function PeoplePage() {
  const people = useQuery(peopleQuery);
  const sources = useQuery(connectQuery).data?.sources ?? [];
  const [open, setOpen] = useState<string | null>(null);
  if (people.error) {
    return <Failure error={people.error} />;
  }
  const rows = people.data ?? [];
  const person = rows.find((each) => each.signIn === open);
  return (
    <div className="flex min-h-0 flex-1">
      <Book
        name="people"
        label="People"
        columns={personColumns(sources, open, setOpen)}
        rows={rows}
        keyOf={(each) => each.signIn}
        dataOf={(each) => ({ person: each.signIn })}
        at={open ?? undefined}
      />
      <aside className="border-base-300 w-[400px] shrink-0 overflow-auto border-l px-4 py-3">
        {person ? (
          <Change key={`${person.signIn} ${person.version}`} person={person} onDone={() => setOpen(null)} />
        ) : (
          <Add />
        )}
      </aside>
    </div>
  );
}

const standing = (person: Person) =>
  `${plural(person.sessions, 'session')}, ${plural(person.tokens, 'token')}`;

function personColumns(
  sources: Schemas['SourceJson'][],
  open: string | null,
  onOpen: (signIn: string | null) => void,
): Column<Person>[] {
  const roleOf = (person: Person) =>
    person.active
      ? `${word(person.role)}${person.role === 'OPERATIONS' ? `, ${inWords(person.sees, sources)}` : ''}`
      : 'has left';
  const text = (id: string, name: string, of: (person: Person) => string): Column<Person> => ({
    id,
    name,
    value: of,
    title: of,
    tone: (person) => (person.active ? undefined : 'soft'),
    cell: of,
  });
  return [
    { ...text('name', 'Name', (person) => person.name), width: 150 },
    { ...text('signIn', 'Signs in as', (person) => person.signIn), width: 120 },
    text('role', 'Role', roleOf),
    { ...text('standing', 'At present', standing), width: 150 },
    {
      id: 'change',
      name: 'Change',
      unnamed: true,
      width: 90,
      tone: () => 'text-right',
      cell: (person) => (
        <button
          type="button"
          className="cursor-pointer underline"
          aria-expanded={open === person.signIn}
          onClick={() => onOpen(open === person.signIn ? null : person.signIn)}
        >
          Change…
        </button>
      ),
    },
  ];
}

function RoleChoice({ role, onChange }: { role: Role; onChange: (role: Role) => void }) {
  return (
    <fieldset className="flex flex-col gap-1">
      <legend>Role</legend>
      {ROLES.map((each) => (
        <label key={each.role} className="flex items-baseline gap-2">
          <input type="radio" name="role" checked={role === each.role} onChange={() => onChange(each.role)} />
          <b>{word(each.role)}</b> <span className="soft text-[13px]">{each.may}</span>
        </label>
      ))}
    </fieldset>
  );
}

/** The role, and for operations people whose documents they see. */
function May(props: {
  role: Role;
  sees: Seen[];
  onRole: (role: Role) => void;
  onSees: (sees: Seen[]) => void;
}) {
  const { role, sees, onRole, onSees } = props;
  return (
    <div className="flex flex-col gap-3">
      <RoleChoice role={role} onChange={onRole} />
      {role === 'OPERATIONS' && <SightChoice sees={sees} onChange={onSees} />}
    </div>
  );
}

const PASSWORD = z.object({ password });

function Change({ person, onDone }: { person: Schemas['PersonListed']; onDone: () => void }) {
  const people = useQuery(peopleQuery);
  const notice = useNotice();
  const [name, setName] = useState(person.name);
  const [role, setRole] = useState(person.role);
  const [sees, setSees] = useState(person.sees);
  const path = { params: { path: { signIn: person.signIn } } };
  const done = async (text: string) => {
    await people.refetch();
    notice({ tone: 'done', text });
    onDone();
  };
  const change = useMutation({
    mutationFn: (active: boolean) =>
      answer(
        client.PUT('/api/people/{signIn}', {
          ...path,
          body: { name, role, sees, active, version: person.version },
        }),
      ),
    onSuccess: (_, active) =>
      done(active ? `${name} is ${word(role)} and signs in again` : `${name} can no longer sign in`),
    onError: () => people.refetch(),
  });
  const theirs = useCheckedForm({
    schema: PASSWORD,
    start: { password: '' },
    send: (body) => answer(client.PUT('/api/people/{signIn}/password', { ...path, body })),
    onDone: () => done(`${person.name} has a new password and is signed out everywhere`),
  });
  return (
    <section aria-label={`Change ${person.name}`} className="flex flex-col gap-6">
      <h2 className="title">Change {person.name}</h2>
      <form
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate(true);
        }}
      >
        <Field label="Name" value={name} onChange={setName} />
        <May role={role} sees={sees} onRole={setRole} onSees={setSees} />
        {change.error && <Failure error={change.error} />}
        <div className="flex flex-wrap gap-2">
          <button type="submit" className="act act-main" disabled={change.isPending}>
            {person.active ? 'Change and sign out everywhere' : `Let ${person.name} in again`}
          </button>
          {person.active && (
            <button type="button" className="act" onClick={() => change.mutate(false)}>
              Let {person.name} in no more
            </button>
          )}
          <button type="button" className="act" onClick={onDone}>
            Leave it
          </button>
        </div>
      </form>
      <form className="flex flex-col items-start gap-3" onSubmit={(event) => void theirs.submit(event)}>
        <CheckedField
          form={theirs.form}
          name="password"
          label="New password, at least twelve characters"
          type="password"
          autoComplete="new-password"
        />
        {theirs.failure && <Failure error={theirs.failure} />}
        <button type="submit" className="act" disabled={theirs.isSending}>
          Set the password
        </button>
        <TokensOf signIn={person.signIn} />
      </form>
    </section>
  );
}

const NEWCOMER = z.object({ name: named, signIn: signInName, password });

function Add() {
  const people = useQuery(peopleQuery);
  const notice = useNotice();
  const [role, setRole] = useState<Role>('BOOKKEEPER');
  const [sees, setSees] = useState<Seen[]>([]);
  const { form, submit, isSending, failure } = useCheckedForm({
    schema: NEWCOMER,
    start: { name: '', signIn: '', password: '' },
    send: (person) => answer(client.POST('/api/people', { body: { ...person, role, sees } })),
    onDone: async ({ name, signIn }) => {
      await people.refetch();
      notice({ tone: 'done', text: `${name} can sign in as ${signIn}` });
      setSees([]);
    },
  });
  return (
    <form aria-label="Add a person" onSubmit={(event) => void submit(event)}>
      <h2 className="title mb-2">Let somebody in</h2>
      <div className="flex flex-col gap-4">
        <div className="flex flex-col gap-3">
          <CheckedField form={form} name="name" label="Name" />
          <CheckedField form={form} name="signIn" label="Name to sign in with, in small letters" />
          <CheckedField
            form={form}
            name="password"
            label="First password, at least twelve characters"
            type="password"
            autoComplete="new-password"
          />
        </div>
        <May role={role} sees={sees} onRole={setRole} onSees={setSees} />
      </div>
      {failure && <Failure error={failure} />}
      <button type="submit" className="act act-main mt-3" disabled={isSending}>
        Let in
      </button>
    </form>
  );
}
