import { queryOptions } from '@tanstack/react-query';
import { client, type Schemas } from '../api/client';
import { workDone } from '../api/work';

export type TwinPair = Schemas['TwinPair'];
export type Side = Schemas['TwinsApart']['side'];

export const twinsQuery = (route: string, side: Side) =>
  queryOptions({
    queryKey: ['map', route, 'twins', side],
    queryFn: () => workDone(client.GET('/api/map/twins', { params: { query: { route, side } } })),
    staleTime: 60_000,
  });
