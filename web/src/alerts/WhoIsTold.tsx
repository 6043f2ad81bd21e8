import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, client, type Schemas } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { WallTimeField } from '../ui/WallFields';
import { NOBODY, saidOf, type Recipient } from './recipients';
import { Recipients } from './Recipients';

type Rule = Schemas['AlertRuleJson'];

interface Props {
  route: string;
  rule: Rule;
  mail: boolean;
  mayChange: boolean;
}

const USUAL = { waiting: 3, consent: 7 };

/** Of what somebody is told, who is written to, and when. */
export function WhoIsTold({ route, rule, mail, mayChange }: Props) {
  const [recipients, setRecipients] = useState<Recipient[]>([...rule.recipients, NOBODY]);
  const [failedRuns, setFailedRuns] = useState(rule.failedRuns);
  const [waiting, setWaiting] = useState<number | undefined>(rule.waitingDays);
  const [consent, setConsent] = useState<number | undefined>(rule.consentDays);
  const [at, setAt] = useState(rule.digestAt.slice(0, 5));
  const notice = useNotice();
  const refresh = useRefresh();
  const said = saidOf(recipients);
  const save = useMutation({
    mutationFn: () =>
      answer(
        client.PUT('/api/alerts', {
          body: {
            route,
            recipients: said,
            failedRuns,
            waitingDays: waiting,
            consentDays: consent,
            digestAt: `${at}:00`,
            expectedVersion: rule.version,
          },
        }),
      ),
    onSuccess: () => notice({ tone: 'done', text: 'Told so from now on' }),
    onSettled: refresh,
  });
  return (
    <form
      aria-label="Who is told of what"
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="title text-[17px]">Who is told of what</h2>
      <fieldset disabled={!mayChange || save.isPending} className="flex flex-col gap-3">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={failedRuns}
            onChange={(event) => setFailedRuns(event.target.checked)}
          />
          When a run fails
        </label>
        <Days
          says="When something waits longer than"
          days={waiting}
          usual={USUAL.waiting}
          onDays={setWaiting}
        />
        <Days says="When a consent ends within" days={consent} usual={USUAL.consent} onDays={setConsent} />
        <Recipients recipients={recipients} onRecipients={setRecipients} />
        <div className="flex items-end gap-2">
          <WallTimeField label="At" value={at} onValue={(value) => setAt(value?.slice(0, 5) ?? '')} />
          <span className="soft pb-1 text-[12.5px]">in {rule.zone}; none where there is nothing to say</span>
        </div>
        {mayChange && (
          <button
            type="submit"
            className="act act-main justify-center"
            disabled={save.isPending || at === '' || said.some((each) => each.kinds.length === 0)}
          >
            Tell so
          </button>
        )}
      </fieldset>
      {!mail && (
        <p className="text-accent text-[13px]">
          No mail server is set up, so that no letter leaves. Here alerts are shown all the same.
        </p>
      )}
      {!mayChange && <p className="soft text-[13px]">An administrator says who is told.</p>}
      {rule.setBy !== '' && <p className="soft text-[12.5px]">Said by {rule.setBy}.</p>}
      {save.error && <Failure error={save.error} />}
    </form>
  );
}

interface DaysProps {
  says: string;
  days: number | undefined;
  usual: number;
  onDays: (days: number | undefined) => void;
}

function Days({ says, days, usual, onDays }: DaysProps) {
  return (
    <div className="flex items-center gap-2">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={days !== undefined}
          onChange={(event) => onDays(event.target.checked ? usual : undefined)}
        />
        {says}
      </label>
      <input
        type="number"
        aria-label={`${says}, days`}
        className="field w-16"
        min={1}
        max={365}
        required={days !== undefined}
        disabled={days === undefined}
        value={days ?? ''}
        onChange={(event) => onDays(event.target.value === '' ? usual : Number(event.target.value))}
      />
      days
    </div>
  );
}
