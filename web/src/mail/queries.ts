import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

const SOON = 2000;

/** What a mail tells of. */
export type Subject =
  | { about: 'batch'; id: number }
  | { about: 'banking'; id: number }
  | { about: 'register'; route: string; from: string; to: string };

/** Among what is asked for again when anything of it changes. */
const keyOf = (subject: Subject) =>
  subject.about === 'register'
    ? ['batches', 'mail', subject.route, subject.from, subject.to]
    : [subject.about === 'batch' ? 'batch' : 'bankings', subject.id, 'mail'];

function ask(subject: Subject) {
  switch (subject.about) {
    case 'batch':
      return client.GET('/api/batches/{id}/mail', { params: { path: { id: subject.id } } });
    case 'banking':
      return client.GET('/api/bankings/{id}/mail', { params: { path: { id: subject.id } } });
    case 'register': {
      const { route, from, to } = subject;
      return client.GET('/api/register/mail', { params: { query: { route, from, to } } });
    }
  }
}

export function send(subject: Subject, body: Schemas['MailOrderJson']) {
  switch (subject.about) {
    case 'batch':
      return answer(client.POST('/api/batches/{id}/mail', { params: { path: { id: subject.id } }, body }));
    case 'banking':
      return answer(client.POST('/api/bankings/{id}/mail', { params: { path: { id: subject.id } }, body }));
    case 'register': {
      const { route, from, to } = subject;
      return answer(client.POST('/api/register/mail', { params: { query: { route, from, to } }, body }));
    }
  }
}

/** What was sent of it, and how the next mail would be worded. */
export const mailsQuery = (subject: Subject) =>
  queryOptions({
    queryKey: keyOf(subject),
    queryFn: () => answer(ask(subject)),
    refetchInterval: (query) =>
      query.state.data?.mails.some((each) => each.outcome === 'queued') === true && SOON,
  });
