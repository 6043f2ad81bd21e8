import { moment } from '../ui/format';
import type { Mails } from './wording';

const WORDS: Record<string, string> = { queued: 'on its way', sent: 'sent', failed: 'not sent' };

/** What was sent to whom, the newest first. */
export const SentMails = ({ mails }: { mails: Mails['mails'] }) => (
  <section aria-label="Sent mail" className="max-h-72 overflow-auto px-4 py-2">
    <h2 className="title text-secondary text-[15px]">What was sent of it</h2>
    {mails.length === 0 && <p className="soft text-[13px]">Nobody was told of it so far.</p>}
    {mails.map((mail) => (
      <article key={mail.id} className="border-base-300 border-b py-1 text-[13px]">
        <p>
          <b>{mail.subject}</b> to {mail.recipients.join(', ')}
        </p>
        <p className={mail.outcome === 'failed' ? 'text-error' : 'soft'}>
          {WORDS[mail.outcome] ?? mail.outcome} {moment(mail.sentAt ?? mail.askedAt)} by {mail.askedBy}, with{' '}
          {mail.files.join(', ')}
          {mail.sentence !== '' && <span className="block">{mail.sentence}</span>}
        </p>
      </article>
    ))}
  </section>
);
