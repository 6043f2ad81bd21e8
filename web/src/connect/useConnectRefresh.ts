import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';
import { useRefresh } from '../api/useRefresh';

/** After a change of what is connected, everything may have changed. */
export function useConnectRefresh() {
  const queries = useQueryClient();
  const refresh = useRefresh();
  return useCallback(async () => {
    await queries.invalidateQueries({ queryKey: ['connect'] });
    await queries.invalidateQueries({ queryKey: ['routes'] });
    await refresh();
  }, [queries, refresh]);
}
