import { useMutation } from '@tanstack/react-query';
import { useNotice } from '../notices';
import { csvOf, linesOf, save } from './file';
import type { BookTable } from './useBook';

interface Props<Row extends object> {
  book: BookTable<Row>;
  label: string;
  /** All rows of the list, those that are not read yet included. */
  all: () => Promise<Row[]>;
}

/** The list as it is shown, as a file. */
export function SaveAsFile<Row extends object>({ book, label, all }: Props<Row>) {
  const notice = useNotice();
  const saving = useMutation({
    mutationFn: async () => csvOf(linesOf(book, await all())),
    onSuccess: (content) => save(`${label}, ${new Date().toISOString().slice(0, 10)}.csv`, content),
    onError: (error) => notice({ tone: 'failed', text: error.message }),
  });
  return (
    <button
      type="button"
      className="soft cursor-pointer font-sans text-[12px] font-normal underline"
      disabled={saving.isPending}
      onClick={() => saving.mutate()}
    >
      {saving.isPending ? 'Reading all of it…' : 'Save as a file'}
    </button>
  );
}
