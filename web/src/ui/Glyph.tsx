const SHAPES: Record<string, { left: string; right: string; between?: string }> = {
  Waiting: { left: 'ring', right: 'faint' },
  Blocked: { left: 'full', right: 'faint', between: 'post' },
  Ready: { left: 'full', right: 'dashed' },
  Queued: { left: 'full', right: 'dashed', between: 'dots' },
  Unconfirmed: { left: 'full', right: 'dashed', between: 'ask' },
  Posted: { left: 'full', right: 'full', between: 'bar' },
  Refused: { left: 'full', right: 'crossed' },
  Diverged: { left: 'full', right: 'shifted' },
  Voided: { left: 'ring', right: 'ring' },
  // What only the ledger has.
  'Asked about': { left: 'ring', right: 'full', between: 'ask' },
  'Not taken': { left: 'ring', right: 'full', between: 'post' },
};

const LEFT = 'M9 3a6 6 0 0 0 0 12z';
const RIGHT = 'M17 3a6 6 0 0 1 0 12z';

/** The crossing glyph: left half the source, right half the ledger. Its word is its accessible name. */
export function Glyph({ state, size = 27 }: { state: string; size?: number }) {
  const shape = SHAPES[state] ?? { left: 'ring', right: 'faint' };
  return (
    <svg
      role="img"
      aria-label={state}
      width={(size * 26) / 18}
      height={size}
      viewBox="0 0 26 18"
      className="inline-block align-middle"
    >
      <title>{state}</title>
      {shape.left === 'full' ? (
        <path d={LEFT} className="fill-primary" />
      ) : (
        <path d={LEFT} fill="none" strokeWidth="1.5" className="stroke-primary" />
      )}
      <RightHalf kind={shape.right} />
      {shape.between === 'post' && <path d="M13 1v16" strokeWidth="2.6" className="stroke-accent" />}
      {shape.between === 'bar' && <path d="M9 9h8" strokeWidth="2" className="stroke-base-content" />}
      {shape.between === 'dots' && (
        <path d="M11 9h4" strokeWidth="2" strokeDasharray="1.4 1.2" className="stroke-base-content" />
      )}
      {shape.between === 'ask' && (
        <text x="13" y="13" textAnchor="middle" fontSize="11" fontWeight="700" className="fill-accent">
          ?
        </text>
      )}
    </svg>
  );
}

function RightHalf({ kind }: { kind: string }) {
  switch (kind) {
    case 'full':
      return <path d={RIGHT} className="fill-secondary" />;
    case 'shifted':
      return <path d={RIGHT} transform="translate(0 3)" className="fill-accent" />;
    case 'dashed':
      return (
        <path d={RIGHT} fill="none" strokeWidth="1.4" strokeDasharray="2 2" className="stroke-secondary" />
      );
    case 'crossed':
      return (
        <g fill="none" strokeWidth="1.6" className="stroke-error">
          <path d={RIGHT} />
          <path d="M18 6l4 6m0-6l-4 6" />
        </g>
      );
    case 'ring':
      return <path d={RIGHT} fill="none" strokeWidth="1.5" className="stroke-secondary" />;
    default:
      return <path d={RIGHT} fill="none" strokeWidth="1.4" className="stroke-base-content opacity-35" />;
  }
}
