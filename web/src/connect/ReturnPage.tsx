import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { ApiError, client } from '../api/client';
import { workDone } from '../api/work';
import { troubleOf } from './troubles';

/** Where a ledger sends its people back to. Brings the code to the server and goes on to choose a company. */
export function ReturnPage() {
  const [params] = useSearchParams();
  const navigate = useNavigate();
  const begun = useRef(false);
  const state = params.get('state') ?? '';
  const code = params.get('code') ?? '';
  const bring = useMutation({
    mutationFn: () =>
      workDone(client.POST('/api/connect/consents/{state}', { params: { path: { state } }, body: { code } })),
    onSuccess: () => navigate(`/connect?consent=${encodeURIComponent(state)}`, { replace: true }),
    onError: (error) => {
      const unknown = error instanceof ApiError && error.code === 'consent-unknown';
      return navigate(`/connect?trouble=${unknown ? 'unknown' : 'failed'}`, { replace: true });
    },
  });
  useEffect(() => {
    // A code is good once, and effects run twice in development.
    if (begun.current) {
      return;
    }
    begun.current = true;
    if (code === '') {
      void navigate(`/connect?trouble=${troubleOf(params.get('error') ?? '')}`, { replace: true });
    } else {
      bring.mutate();
    }
  }, [bring, code, navigate, params]);
  return <p className="p-8">Taking the consent in…</p>;
}
