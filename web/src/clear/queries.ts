import { queryOptions } from '@tanstack/react-query';
import { answer, client, type Schemas } from '../api/client';

export type Banking = Schemas['BankingJson'];
export type Receipt = Schemas['ReceiptJson'];
export type Sheet = Schemas['BankingSheetJson'];
export type Order = Schemas['BankingOrderJson'];

/** @param year 0 for the one that it is */
export const bankingsQuery = (route: string, year = 0) =>
  queryOptions({
    queryKey: ['bankings', route, year],
    queryFn: () => answer(client.GET('/api/bankings', { params: { query: { route, year } } })),
  });

/** What waits, and what is wrong, for the road. */
export const bankingsWaitingQuery = (route: string) =>
  queryOptions({
    queryKey: ['bankings', route, 'waiting'],
    queryFn: () => answer(client.GET('/api/bankings/waiting', { params: { query: { route } } })),
  });

export interface SheetAsked {
  route: string;
  account?: string | undefined;
  day?: string | undefined;
  since?: string | undefined;
}

export const sheetQuery = (asked: SheetAsked) =>
  queryOptions({
    queryKey: ['bankings', asked.route, 'sheet', asked],
    queryFn: () => answer(client.GET('/api/bankings/sheet', { params: { query: asked } })),
  });

export const bankingPreviewQuery = (order: Order) =>
  queryOptions({
    queryKey: ['bankings', order.route, 'preview', order],
    queryFn: () => answer(client.POST('/api/bankings/preview', { body: order })),
  });
