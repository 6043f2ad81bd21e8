import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type BatchFiles = Schemas['FilesJson'];
export type Layout = Schemas['LayoutJson'];
export type LayoutFile = Schemas['LayoutFileJson'];
export type LayoutColumn = Schemas['LayoutColumnJson'];
export type KnownLayout = Schemas['KnownLayout'];
export type Field = Schemas['LayoutFieldJson'];

export const filesQuery = (batch: number) =>
  queryOptions({
    queryKey: ['batch', batch, 'files'],
    queryFn: () => answer(client.GET('/api/batches/{id}/files', { params: { path: { id: batch } } })),
  });

export const layoutsQuery = (route: string) =>
  queryOptions({
    queryKey: ['layouts', route],
    queryFn: () => answer(client.GET('/api/layouts', { params: { query: { route } } })),
  });
