import { useQueryClient } from '@tanstack/react-query';
import { useCallback } from 'react';

/** After a change: everything that shows documents, rows, batches or counts is asked for again. */
export function useRefresh() {
  const client = useQueryClient();
  return useCallback(
    () =>
      Promise.all(
        [
          'documents',
          'map',
          'road',
          'batches',
          'batch',
          'load',
          'bankings',
          'choices',
          'readiness',
          'cut-over',
          'held',
          'alerts',
          'practise',
          'log',
          'layouts',
        ].map((key) => client.invalidateQueries({ queryKey: [key] })),
      ),
    [client],
  );
}
