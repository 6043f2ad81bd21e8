import { withFile } from './draft';
import type { Layout } from './queries';

interface Props {
  layout: Layout;
  /** The first record as it comes out; empty as long as there is none. */
  text: string;
  disabled: boolean;
  onChange: (layout: Layout) => void;
}

/** An invoice as it comes out: laid out by its standard, so that there is nothing to choose but its name. */
export function InvoiceSheet({ layout, text, disabled, onChange }: Props) {
  return (
    <section aria-label="An invoice" className="mt-3">
      <fieldset disabled={disabled} className="mb-1 flex flex-wrap items-end gap-3">
        <label className="flex flex-col gap-[2px] text-[12px]">
          <span className="soft">Name of the file</span>
          <input
            className="field w-40"
            maxLength={30}
            value={layout.files[0]?.name ?? ''}
            onChange={(event) => onChange(withFile(layout, 0, { name: event.target.value }))}
          />
        </label>
        <p className="soft pb-1 text-[13px]">
          One invoice or credit note for each document, several together in a ZIP. Accounts stand as
          accounting cost of the lines, dimensions and tax codes as properties of their items.
        </p>
      </fieldset>
      {text !== '' && (
        <pre
          tabIndex={0}
          aria-label="The first one as it comes out"
          className="border-base-300 max-h-[340px] overflow-auto border px-3 py-2 font-mono text-[12px]"
        >
          {text}
        </pre>
      )}
    </section>
  );
}
