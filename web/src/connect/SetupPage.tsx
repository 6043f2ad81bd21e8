import { useMutation, useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { client } from '../api/client';
import { connectQuery, setupQuery } from '../api/queries';
import { workDone } from '../api/work';
import { useSession } from '../app/current';
import { useView } from '../app/useView';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { AcceptSuggested } from './AcceptSuggested';
import { STEPS, nextStep, type Step } from './steps';
import { Do } from './Do';
import { kindsOf, ownFields, usual } from './kinds';
import { useAsk } from './useAsk';
import { useConnectRefresh } from './useConnectRefresh';

/** The first set-up in the order of the work. It can be left at any step and taken up again. */
export function SetupPage() {
  const { route } = useSession();
  const setup = useQuery(setupQuery(route?.code ?? ''));
  if (setup.error) {
    return <Failure error={setup.error} />;
  }
  if (!setup.data) {
    return <p className="p-4">Looking how far it is…</p>;
  }
  const next = nextStep(setup.data.steps);
  const done = setup.data.steps.filter((step) => step.done).length;
  return (
    <div className="min-h-0 flex-1 overflow-auto p-4">
      <h2 className="title text-[18px]">
        {next ? 'First steps, in the order of the work' : 'All set up: the first batch is made'}
      </h2>
      <p className="soft mb-3">
        {done} of {setup.data.steps.length} done. How far it is follows from what is there, so you can stop at
        any step.
      </p>
      <ol aria-label="First steps">
        {setup.data.steps.map((step, index) => (
          <li
            key={step.step}
            data-step={step.step}
            data-done={step.done}
            aria-current={step.step === next?.step ? 'step' : undefined}
            className={`border-base-300 grid grid-cols-[34px_1fr] border-t py-2 ${step.step === next?.step ? '' : 'soft'}`}
          >
            <Mark done={step.done} number={index + 1} here={step.step === next?.step} />
            <div>
              <b>{STEPS[step.step].title}</b>{' '}
              <span className="text-[13px]">{STEPS[step.step].says(step.open)}</span>
              {step.step === next?.step && <Act step={step.step} />}
            </div>
          </li>
        ))}
      </ol>
    </div>
  );
}

function Mark({ done, number, here }: { done: boolean; number: number; here: boolean }) {
  return (
    <span className="flex items-start gap-1 pt-0.5">
      <span
        className={`mt-[3px] h-[11px] w-[11px] rotate-45 border-2 ${
          here
            ? 'bg-base-content border-base-content'
            : done
              ? 'bg-primary border-primary'
              : 'border-base-content/40'
        }`}
      />
      <span className="sr-only">{done ? 'done' : here ? 'next' : 'to do'}, step</span>
      <span className="text-[12px]">{number}</span>
    </span>
  );
}

/** What the step in hand offers to do. */
function Act({ step }: { step: Step }) {
  const { me, route } = useSession();
  const view = useView();
  const ask = useAsk();
  const connect = useQuery(connectQuery);
  const where = route ? `&route=${route.code}` : '';
  if (STEPS[step].administrator && me.role !== 'ADMINISTRATOR') {
    return <p>An administrator does this.</p>;
  }
  switch (step) {
    case 'LEDGER':
      return (
        <>
          {kindsOf(connect.data?.kinds ?? [], 'ledger', 'consent').map((kind) => (
            <Do
              key={kind.code}
              says={`Connect ${kind.name}`}
              pending={ask.isPending}
              onDo={() =>
                usual(kind, 'address') === '' || ownFields(kind).length > 0
                  ? view.set({ view: 'connections' })
                  : ask.mutate({ kind: kind.code, address: usual(kind, 'address'), answers: {} })
              }
            />
          ))}
        </>
      );
    case 'SOURCE':
    case 'ROUTE':
      return (
        <Do
          says={step === 'SOURCE' ? 'Connect the app' : 'Add the route'}
          onDo={() => view.set({ view: 'connections' })}
        />
      );
    case 'DOCUMENTS':
      return <FetchDocuments />;
    case 'ROLES':
      return <AcceptSuggested kinds={['ROLE']} link={`/map?kind=role${where}`} />;
    case 'TAXES':
      return <AcceptSuggested kinds={['TAX']} link={`/map?kind=tax${where}`} />;
    case 'CATEGORIES':
      return <AcceptSuggested kinds={['CATEGORY', 'ITEM']} link={`/map?kind=category${where}`} />;
    case 'PARTIES':
      return <AcceptSuggested kinds={['PARTY']} link={`/map?kind=party${where}`} />;
    case 'DRY_RUN':
      return <Do says="Judge everything that waits" onDo={() => view.set({ view: 'readiness' })} />;
    case 'FIRST_BATCH':
      return (
        <p className="mt-1">
          <Link className="act act-main inline-flex" to={`/release?state=Ready&panel=batch${where}`}>
            See what the first batch will do
          </Link>
        </p>
      );
  }
}

function FetchDocuments() {
  const { route } = useSession();
  const notice = useNotice();
  const refresh = useConnectRefresh();
  const pull = useMutation({
    mutationFn: () => workDone(client.POST('/api/pull', { params: { query: { route: route?.code ?? '' } } })),
    onSuccess: async (pulled) => {
      await refresh();
      notice({ tone: 'done', text: pulled.sentence });
    },
  });
  return (
    <>
      {pull.error && <Failure error={pull.error} />}
      <Do
        says={pull.isPending ? 'Fetching…' : 'Fetch documents and codes'}
        pending={pull.isPending}
        onDo={() => pull.mutate()}
      />
    </>
  );
}
