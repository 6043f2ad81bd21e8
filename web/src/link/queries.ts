import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type Choice = Schemas['Choice'];
export type There = Schemas['There'];

/** What can be done with a single record, each with what it will do. */
export const choicesQuery = (id: number) =>
  queryOptions({
    queryKey: ['documents', id, 'choices'],
    queryFn: () => answer(client.GET('/api/documents/{id}/choices', { params: { path: { id } } })),
  });
