import type { ReactNode } from 'react';
import { Opener } from '../ui/choose/Opener';
import { RULES, type Rule } from './rules';

interface Props {
  rule: Rule;
  /** What the figure is called. */
  name: string;
  children: ReactNode;
  className?: string;
}

/** A figure that can be asked how it came about: by pressing it, or by `w` when one is on it. */
export const Figure = ({ rule, name, children, className = '' }: Props) => (
  <Opener label={`${name}: why?`} says={children} className={`figure cursor-help ${className}`}>
    {() => (
      <div className="max-w-[340px] p-2.5 text-[13px] font-normal">
        <h2 className="title mb-1">{name}</h2>
        {RULES[rule].map((sentence) => (
          <p key={sentence} className="mb-1">
            {sentence}
          </p>
        ))}
      </div>
    )}
  </Opener>
);
