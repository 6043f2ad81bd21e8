import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useRefresh } from '../api/useRefresh';
import { DoOrLeave } from '../ui/DoOrLeave';
import { Failure } from '../ui/Failure';
import { useNotice } from '../ui/notices';
import { send as sendMail, type Subject } from './queries';
import { addressesIn, filled, type Mails } from './wording';

interface Props {
  about: Subject;
  mails: Mails;
  onClose: () => void;
}

/** The wording with words in braces, and the letter as it would be. */
export function MailForm({ about, mails, onClose }: Props) {
  const [to, setTo] = useState(mails.recipients.join(', '));
  const [subject, setSubject] = useState(mails.subject);
  const [body, setBody] = useState(mails.body);
  const [keep, setKeep] = useState(false);
  const refresh = useRefresh();
  const notice = useNotice();
  const recipients = addressesIn(to);
  const send = useMutation({
    mutationFn: () => sendMail(about, { recipients, subject, body, keep }),
    onSuccess: async () => {
      setTo('');
      await refresh();
      notice({ tone: 'done', text: `It goes to ${recipients.join(', ')}` });
    },
  });
  return (
    <form
      aria-label="E-mail"
      className="flex flex-col gap-2 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        send.mutate();
      }}
    >
      <label className="flex flex-col gap-1">
        To
        <input
          className="field"
          autoFocus
          maxLength={2000}
          value={to}
          onChange={(event) => setTo(event.target.value)}
        />
      </label>
      <label className="flex flex-col gap-1">
        Subject
        <input
          className="field"
          maxLength={200}
          value={subject}
          onChange={(event) => setSubject(event.target.value)}
        />
      </label>
      <div className="grid grid-cols-2 gap-3">
        <label className="flex flex-col gap-1">
          Wording
          <textarea
            className="field h-28 resize-none py-1"
            maxLength={5000}
            value={body}
            onChange={(event) => setBody(event.target.value)}
          />
        </label>
        <div className="flex flex-col gap-1">
          As it goes
          <div
            role="group"
            tabIndex={0}
            aria-label="As it goes"
            className="border-base-300 h-28 overflow-auto border px-2 py-1 whitespace-pre-wrap"
          >
            <b>{filled(subject, mails.words)}</b>
            {'\n'}
            {filled(body, mails.words)}
          </div>
        </div>
      </div>
      <p className="soft">
        With {mails.files.join(', ')}. Words in braces stand for what differs:{' '}
        {Object.keys(mails.words)
          .map((word) => `{${word}}`)
          .join(' ')}
        .
      </p>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={keep} onChange={(event) => setKeep(event.target.checked)} />
        Word it so the next time on this route too
      </label>
      {send.error && <Failure error={send.error} />}
      <DoOrLeave
        says={recipients.length > 1 ? `Send to ${recipients.length} addresses` : 'Send the e-mail'}
        disabled={send.isPending || recipients.length === 0}
        onLeave={onClose}
      />
    </form>
  );
}
