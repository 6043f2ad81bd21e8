import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import type { Schemas } from '../api/client';
import { whoChangedQuery } from '../api/queries';
import { useCurrent } from '../app/current';
import { Changes } from './Changes';
import { GoneAnswer } from './GoneAnswer';
import { undecided, type Decided } from './decided';
import { Settle } from './Settle';

interface Props {
  document: Schemas['DocumentRow'];
  sides: Schemas['BothSides'];
  /** Whether one stays where one is after sending it. */
  stay?: boolean;
}

/** A record that differs: what happened, field by field, and what can be done. What both changed is decided in its row. */
export function Diverged({ document, sides, stay = false }: Props) {
  const { me, route } = useCurrent();
  const [decided, setDecided] = useState<Decided>({});
  const open = undecided(sides.changes, decided);
  const decides =
    me.mayChange &&
    sides.since.gone === '' &&
    sides.since.notTogether === '' &&
    sides.since.changedOnLedger &&
    !route.toFiles;
  const decide = (field: string | undefined, whose: 'SOURCE' | 'LEDGER') => {
    if (field) {
      setDecided({ ...decided, [field]: whose });
    }
  };
  const who = useQuery({ ...whoChangedQuery(document.id), enabled: me.mayChange });
  const keys = { enabled: decides, preventDefault: true };
  useHotkeys('1', () => decide(open[0], 'SOURCE'), keys);
  useHotkeys('2', () => decide(open[0], 'LEDGER'), keys);
  if (sides.since.gone !== '') {
    return <GoneAnswer document={document} gone={sides.since.gone} />;
  }
  return (
    <>
      <Settle document={document} since={sides.since} stay={stay} open={open} decided={decided} />
      <Changes
        changes={sides.changes}
        source={route.source}
        ledger={route.ledger}
        {...(who.data ? { who: who.data } : {})}
        {...(decides ? { decided, onDecide: decide } : {})}
      />
    </>
  );
}
