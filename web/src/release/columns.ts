import { useState } from 'react';

/** Columns that can be left out; the choice is remembered. */
export const OPTIONAL = ['Due', 'Net', 'Tax', 'Number there', 'Payment'] as const;
export type Optional = (typeof OPTIONAL)[number];
const STORE = 'alcabala-columns';

function remembered(): Set<Optional> {
  const kept = localStorage.getItem(STORE);
  return new Set(kept === null ? ['Payment'] : OPTIONAL.filter((name) => kept.split(',').includes(name)));
}

export function useColumns() {
  const [columns, setColumns] = useState(remembered);
  const toggle = (name: Optional) => {
    const next = new Set(columns);
    if (!next.delete(name)) {
      next.add(name);
    }
    localStorage.setItem(STORE, [...next].join(','));
    setColumns(next);
  };
  return { columns, toggle };
}
