/** By which rule a figure comes about. */
export const RULES = {
  'hash-total': [
    'The digits of all document numbers, added up.',
    'It shows a document that was exchanged for another of the same amount, which no sum of money does.',
  ],
  net: ['The net amounts of all documents of the batch, without tax. Credit notes count negative.'],
  tax: [
    'The tax that the documents state, added up. Credit notes count negative.',
    'What the ledger would compute is compared with each document before it may go; rounding explains at most one unit on each taxed line.',
  ],
  gross: [
    'What the documents come to with their tax, in the currency they are in. Credit notes count negative.',
    'Payments are never added to the documents that they settle, nor one currency to another.',
  ],
  count: ['How many documents the batch was made of. It never changes, whatever becomes of them.'],
  'own-list': [
    'The total that was typed from a list of somebody’s own when the batch was made.',
    'If it had differed from the gross, the batch would have gone only with a reason.',
  ],
  'holds-up': [
    'The gross of all documents that are blocked or waiting because nothing answers for this code. Credit notes count negative.',
    'One document may be held up by several codes, and counts at each of them; what is in another currency than the books is not counted in.',
  ],
  coverage: [
    'Mapped codes have a row of their own; covered ones have none, but something more general answers for them.',
    'Open ones have no answer. What no record uses and no setting needs is not counted.',
    'The thin line is money: how much of what waits on the route is not held up by this crosswalk.',
  ],
} as const;

export type Rule = keyof typeof RULES;
