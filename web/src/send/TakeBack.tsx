import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, client } from '../api/client';
import { useRefresh } from '../api/useRefresh';
import { useCurrent } from '../app/current';
import { Failure } from '../ui/Failure';

interface Props {
  id: number;
  says: string;
  records: number[];
  shown: number;
  on: string | undefined;
  files: boolean;
}

/** Says why, and does it. */
export function TakeBack({ id, says, records, shown, on, files }: Props) {
  const { route } = useCurrent();
  const navigate = useNavigate();
  const refresh = useRefresh();
  const [reason, setReason] = useState('');
  const undo = useMutation({
    mutationFn: () =>
      answer(
        client.POST('/api/batches/{id}/undo', {
          params: { path: { id } },
          body: { records, reason, shown, ...(on !== undefined && { on }) },
        }),
      ),
    onSuccess: async (made) => {
      await refresh();
      await navigate(`/send/${made.id}?route=${route.code}`);
    },
  });
  return (
    <form
      aria-label="Take back"
      className="border-base-300 flex flex-col gap-2 border-t px-4 py-3 text-[13px]"
      onSubmit={(event) => {
        event.preventDefault();
        undo.mutate();
      }}
    >
      <label className="flex flex-col gap-1">
        Why it is taken back
        <input
          className="field"
          maxLength={300}
          value={reason}
          onChange={(event) => setReason(event.target.value)}
        />
      </label>
      <p className="soft">
        {files
          ? `A file with the opposite of each is written for ${route.ledger}; once that is accepted, they are ready again.`
          : 'They are ready again then, and go only when somebody sends them.'}
      </p>
      {undo.error && <Failure error={undo.error} />}
      <button type="submit" className="act act-main" disabled={undo.isPending || reason.trim() === ''}>
        {says}
      </button>
    </form>
  );
}
