import { ApiError } from '../api/client';

/** What happened and what to do, with the technical detail one fold away. */
export function Failure({ error }: { error: Error }) {
  const detail = error instanceof ApiError ? error.detail : '';
  return (
    <div role="alert" className="text-error border-error rounded border p-2 text-[13px]">
      {error.message}
      {detail !== '' && (
        <details className="soft mt-1">
          <summary>Technical detail</summary>
          {detail}
        </details>
      )}
    </div>
  );
}
