import { useHotkeys } from 'react-hotkeys-hook';
import { Key } from '../ui/Key';

interface Props {
  /** Where it is had, without how. */
  path: string;
  /** What is printed, as it ends a sentence that begins with a verb. */
  what: string;
}

const inMedium = (path: string, medium: string) => `${path}${path.includes('?') ? '&' : '?'}as=${medium}`;

/** On paper, or for a spreadsheet. */
export function Prints({ path, what }: Props) {
  const print = () => window.open(inMedium(path, 'PDF'), '_blank');
  useHotkeys('shift+p', print);
  return (
    <span className="flex items-center gap-2 text-[13px]">
      <a
        className="act"
        href={inMedium(path, 'PDF')}
        target="_blank"
        rel="noreferrer"
        aria-label={`Print ${what}`}
      >
        Print <Key>Shift p</Key>
      </a>
      <span className="soft">
        or save as{' '}
        <a className="underline" href={inMedium(path, 'XLSX')} download aria-label={`Save ${what} as XLSX`}>
          XLSX
        </a>
        ,{' '}
        <a className="underline" href={inMedium(path, 'CSV')} download aria-label={`Save ${what} as CSV`}>
          CSV
        </a>
      </span>
    </span>
  );
}
