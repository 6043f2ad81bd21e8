import { amount, day } from './format';

const MONEY = new Set(['Net', 'Tax', 'Gross', 'Paid', 'Amount', 'Open credit']);
const DATES = new Set(['Date', 'Issue date', 'Due date']);
const ISO = /^\d{4}-\d{2}-\d{2}$/;
const DECIMAL = /^-?\d+(\.\d+)?$/;

/** A fact about a document, by its name: an amount, a day, or what it says. */
export function factSaid(name: string, value: string): string {
  if (MONEY.has(name) && DECIMAL.test(value)) {
    return amount(value);
  }
  return DATES.has(name) && ISO.test(value) ? day(value) : value;
}
