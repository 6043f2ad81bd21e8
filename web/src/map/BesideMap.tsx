import type { ReactNode } from 'react';
import { Link } from 'react-router';

interface Props {
  /** What it is, for who hears it. */
  label: string;
  title: string;
  back: { to: string; name: string };
  /** What stands in its head beside the title. */
  head?: ReactNode;
  children: ReactNode;
}

/** A sheet that one comes to from Map, and goes back to it from. */
export const BesideMap = ({ label, title, back, head, children }: Props) => (
  <section aria-label={label} className="sheet flex min-h-0 flex-1 flex-col rounded-b-none border-b-0">
    <div className="border-base-300 flex flex-wrap items-center gap-3 border-b px-4 py-1.5 text-[13px]">
      <Link className="underline" to={back.to}>
        {back.name}
      </Link>
      <h2 className="title text-[16px]">{title}</h2>
      {head}
    </div>
    {children}
  </section>
);

/** Which part of such a sheet is looked at. */
export const Parts = <Part extends string>({
  parts,
  at,
  onPart,
}: {
  parts: { part: Part; name: string }[];
  at: Part;
  onPart: (part: Part) => void;
}) => (
  <span className="flex gap-1.5">
    {parts.map(({ part, name }) => (
      <button
        key={part}
        type="button"
        className="chip"
        aria-pressed={part === at}
        onClick={() => onPart(part)}
      >
        {name}
      </button>
    ))}
  </span>
);
