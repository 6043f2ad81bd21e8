import type { Schemas } from '../api/client';

const SAYS: Record<Schemas['CheckJson']['verdict'], { word: string; tone: string; path: string }> = {
  PASSES: { word: 'passes', tone: 'text-primary', path: 'M2 8h12' },
  WARNS: { word: 'warns', tone: 'text-accent', path: 'M2 8h5m2 0h5' },
  BLOCKS: { word: 'blocks', tone: 'text-error', path: 'M2 8h4m4 0h4M8 2v12' },
};

/** A way that is open, has a gap, or has a post in it; always with its word. */
export function Verdict({ verdict }: { verdict: Schemas['CheckJson']['verdict'] }) {
  const { word, tone, path } = SAYS[verdict];
  return (
    <span className={`inline-flex items-center gap-2 font-semibold ${tone}`}>
      <svg aria-hidden="true" width="16" height="16" viewBox="0 0 16 16">
        <path d={path} strokeWidth="2.4" className="fill-none stroke-current" />
      </svg>
      {word}
    </span>
  );
}
