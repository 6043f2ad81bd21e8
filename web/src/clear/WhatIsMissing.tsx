import { Link } from 'react-router';
import { useCurrent } from '../app/current';
import { day } from '../ui/format';
import type { Sheet } from './queries';

/** Why nothing is on the list, and what to do about it. */
export function WhatIsMissing({ sheet }: { sheet: Sheet }) {
  const { route } = useCurrent();
  const on = `?route=${route.code}`;
  if (sheet.account === '') {
    return (
      <p className="max-w-[60ch] px-4 py-3">{route.ledger} has no active account of a bank to bank into.</p>
    );
  }
  if (sheet.waiting === '') {
    return (
      <p className="max-w-[60ch] px-4 py-3">
        Say first on which account of {route.ledger} cash and cheques wait until they are banked: the role{' '}
        <Link className="underline" to={`/map${on}&kind=role`}>
          receipts awaiting banking
        </Link>
        .
      </p>
    );
  }
  if (sheet.together.length === 0) {
    return (
      <p className="max-w-[60ch] px-4 py-3">
        No means of payment goes to account {sheet.waiting}, so nothing is taken to the bank together. On{' '}
        <Link className="underline" to={`/map${on}&kind=means`}>
          means of payment
        </Link>{' '}
        say of cash and cheques that they do.
      </p>
    );
  }
  return (
    <p className="max-w-[60ch] px-4 py-3">
      Nothing was received by {sheet.together.join(' or ')} since {day(sheet.since)} that is not banked.
    </p>
  );
}
