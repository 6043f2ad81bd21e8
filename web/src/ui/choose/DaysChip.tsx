import { lazy } from 'react';
import { day } from '../format';
import type { Span } from './DaySpan';
import { Opener } from './Opener';

const DaySpan = lazy(() => import('./DaySpan'));

interface Props {
  label: string;
  span: Span;
  onChoose: (span: Span) => void;
}

/** A span of days, folded away until it is wanted. */
export function DaysChip({ label, span, onChoose }: Props) {
  const says =
    span.from || span.to
      ? `${span.from ? day(span.from) : 'first'} – ${span.to ? day(span.to) : 'last'}`
      : 'All days';
  return (
    <Opener label={`${label}: ${says}`} says={<>{says} ▾</>} className="chip">
      {(close) => (
        <DaySpan
          label={label}
          span={span}
          onChoose={(chosen) => {
            onChoose(chosen);
            close();
          }}
        />
      )}
    </Opener>
  );
}
