import { useQuery } from '@tanstack/react-query';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';
import { MailForm } from './MailForm';
import { SentMails } from './SentMails';
import { mailsQuery, type Subject } from './queries';

/** Tells somebody of a batch, a banking, or what was sent in a period: the letter on the left page, what was sent already on the right. */
export function MailOf({ subject, onClose }: { subject: Subject; onClose: () => void }) {
  const { me } = useCurrent();
  const mails = useQuery(mailsQuery(subject));
  if (mails.error) {
    return <Failure error={mails.error} />;
  }
  if (!mails.data) {
    return <p className="soft px-4 py-2">Looking for its mail…</p>;
  }
  return (
    <div className="border-base-300 grid grid-cols-[1.4fr_54px_1fr] border-b">
      <section aria-label="Letter" className="px-4 py-2">
        <h2 className="title text-[15px]">By e-mail</h2>
        {!mails.data.possible && (
          <p className="text-accent text-[13px]">
            No mail server is set up, so that nothing can be sent. Whoever runs Alcabala gives it one (
            <code>ALCABALA_MAIL_HOST</code>).
          </p>
        )}
        {mails.data.possible && !me.mayChange && <p className="text-[13px]">You may read what was sent.</p>}
        {mails.data.possible && me.mayChange && (
          <MailForm key={JSON.stringify(subject)} about={subject} mails={mails.data} onClose={onClose} />
        )}
      </section>
      <span className="gutter" aria-hidden="true" />
      <SentMails mails={mails.data.mails} />
    </div>
  );
}
