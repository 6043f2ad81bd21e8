import type { Field, Layout, LayoutFile } from './queries';

/** What a column can hold, as a bookkeeper says it. */
export const FIELDS: Record<Field['field'], string> = {
  FIXED: 'a fixed text',
  RUNNING_NUMBER: 'a running number',
  DELIVERY: 'batch and revision',
  REFERENCE: 'our reference',
  KIND: 'kind of document',
  NUMBER: 'number',
  DATE: 'date',
  DUE_DATE: 'due date',
  PARTY: 'party, as the ledger has it',
  SOURCE_PARTY: 'party, as the source has it',
  PARTY_NAME: 'name of the party',
  CURRENCY: 'currency',
  RATE: 'rate of exchange',
  PRICES: 'prices net or gross',
  CONTROL_ACCOUNT: 'receivables or payables account',
  PRECEDING_NUMBER: 'number of what it corrects',
  TERMS: 'terms',
  NOTE: 'note',
  RECORD_TAX_CODE: 'tax code of the document',
  NET: 'net',
  TAX: 'tax',
  GROSS: 'gross',
  MEANS: 'means of payment (UNCL4461)',
  MONEY_ACCOUNT: 'account of the money',
  REMITTANCE: 'text of the payment',
  OWN_FIELD: 'a field of the ledger’s own',
  LINE_NUMBER: 'number of the line',
  ITEM: 'item',
  DESCRIPTION: 'description of the line',
  QUANTITY: 'quantity',
  PRICE: 'price',
  ADJUSTMENT: 'charges less allowances of the line',
  AMOUNT: 'amount of the line',
  ACCOUNT: 'account of the line',
  TAX_CODE: 'tax code of the line',
  TAXED: 'taxed: yes or no',
  DIMENSION: 'a dimension',
  BOOKING_NUMBER: 'number of the booking',
  BOOKED_ACCOUNT: 'account booked',
  BOOKED_PARTY: 'party booked',
  BOOKED_TAX_CODE: 'tax code booked',
  DEBIT: 'debit',
  CREDIT: 'credit',
  SIGNED: 'amount, credits negative',
  BASE_DEBIT: 'debit in base currency',
  BASE_CREDIT: 'credit in base currency',
  SETTLES: 'number of what it settles',
};

export const CARRIES: Record<Layout['carries'], string> = {
  SALES: 'sales',
  PURCHASES: 'purchases',
  SETTLEMENTS: 'payments',
};

export const MEDIA: Record<Layout['medium'], string> = {
  CSV: 'text with separators (CSV)',
  XLSX: 'workbook (XLSX)',
  JSON_LINES: 'lines of JSON',
  UBL: 'invoices (UBL 2.1, EN 16931)',
};

export const ENCODINGS: Record<Layout['encoding'], string> = {
  UTF_8: 'UTF-8',
  WINDOWS_1252: 'Windows-1252',
  ISO_8859_15: 'ISO 8859-15',
  UTF_16: 'UTF-16',
};

export const SEPARATORS: Record<string, string> = { ';': 'semicolon', ',': 'comma', '\t': 'tab', '|': 'bar' };

export const DAYS: Record<string, string> = {
  'uuuu-MM-dd': '2026-12-31',
  'dd/MM/uuuu': '31/12/2026',
  'MM/dd/uuuu': '12/31/2026',
  'dd.MM.uuuu': '31.12.2026',
  'dd.MM.uu': '31.12.26',
  uuuuMMdd: '20261231',
  ddMMuu: '311226',
};

export const SIGNS: Record<string, string> = { '.': 'point', ',': 'comma' };

export const GROUPINGS: Record<string, string> = {
  '': 'nothing',
  '.': 'point',
  ',': 'comma',
  "'": 'apostrophe',
  ' ': 'blank',
};

export const ROWS: Record<LayoutFile['per'], string> = {
  FILE: 'the file',
  RECORD: 'a document',
  LINE: 'a line of a document',
  BOOKING: 'a booking',
};

/** What a field may say when it is translated, where that is a closed list. */
export const VALUES: Partial<Record<Field['field'], Record<Layout['carries'], string[]>>> = {
  KIND: {
    SALES: ['invoice', 'credit-note'],
    PURCHASES: ['bill', 'supplier-credit'],
    SETTLEMENTS: ['payment-in', 'refund', 'returned-in', 'payment-out', 'supplier-refund', 'returned-out'],
  },
  PRICES: { SALES: ['net', 'gross'], PURCHASES: ['net', 'gross'], SETTLEMENTS: [] },
  TAXED: { SALES: ['yes', 'no'], PURCHASES: ['yes', 'no'], SETTLEMENTS: [] },
};
