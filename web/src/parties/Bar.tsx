interface Props {
  speaksFor: number;
  against: number;
  tall?: boolean;
}

/** In pixels for one bit. */
const SCALE = 3.2;
const MIDDLE = 70;
const WIDTH = 200;

/** Right of the line for, left of it against, as long as it weighs. Words beside it say the same. */
export const Bar = ({ speaksFor, against, tall = false }: Props) => {
  const height = tall ? 16 : 11;
  return (
    <div className="relative">
      <svg aria-hidden="true" className="absolute inset-0 h-full w-full overflow-visible">
        <defs>
          <pattern
            id="against"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0v5" className="stroke-accent" strokeWidth="2" />
          </pattern>
        </defs>
        <line x1={MIDDLE} x2={MIDDLE} y1="0" y2="100%" className="stroke-base-content/40" strokeWidth="1.5" />
        <rect
          x={MIDDLE}
          y={tall ? 12 : 16}
          width={Math.min(speaksFor * SCALE, WIDTH - MIDDLE)}
          height={height}
          className="fill-secondary"
        />
        {against > 0 && (
          <rect
            x={MIDDLE - Math.min(against * SCALE, MIDDLE)}
            y={tall ? 12 : 16}
            width={Math.min(against * SCALE, MIDDLE)}
            height={height}
            fill="url(#against)"
            className="stroke-accent"
          />
        )}
      </svg>
    </div>
  );
};
