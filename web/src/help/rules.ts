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
    'The total that was typed from a list of somebody’s own when the batch was made, or read from her file.',
    'If it had differed from the gross, or any line of the file from its document, the batch would have gone only with a reason.',
  ],
  'own-lines': [
    'What your list has less what the batch has, line by line. A credit note counts negative, also where it stands on your list without a minus.',
    'The lines add up to the difference of the two totals. A number is found without its prefix, blanks and leading zeros too, as long as it can be only one document.',
  ],
  'holds-up': [
    'The gross of all documents that are blocked or waiting because nothing answers for this code. Credit notes count negative.',
    'One document may be held up by several codes, and counts at each of them; what is in another currency than the books is not counted in.',
  ],
  cause: [
    'The gross of all documents that share this cause, each currency by itself. Credit notes count negative.',
    'A document with several causes counts at each of them, and is listed under the first.',
  ],
  'both-sides': [
    'Both sides are asked at this moment. The ledger counts all that is on its books, whoever entered it.',
    'Credit notes count negative. Only what tie-out explains is a proof; this is a first look.',
  ],
  moves: [
    'What the document books now on the accounts that the row decides is taken away, and what it would book is put there; this is how much that is.',
    'Amounts are in the currency of the books. What is booked again on the same account moves nothing.',
  ],
  'account-sums': [
    'What all those documents book on the account with the row as it is, and with the row as it would be, as a debit or as a credit balance.',
    'Only accounts that something moves on are listed.',
  ],
  coverage: [
    'Mapped codes have a row of their own; covered ones have none, but something more general answers for them.',
    'Open ones have no answer. What no record uses and no setting needs is not counted.',
    'The thin line is money: how much of what waits on the route is not held up by this crosswalk.',
  ],
} as const;

export type Rule = keyof typeof RULES;
