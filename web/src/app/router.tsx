import { createBrowserRouter, Navigate } from 'react-router';
import { ReturnPage } from '../connect/ReturnPage';
import { SignIn } from '../access/SignIn';
import { MapPage } from '../map/MapPage';
import { BothSidesPage } from '../release/BothSidesPage';
import { ReleasePage } from '../release/ReleasePage';
import { LoadPage } from '../load/LoadPage';
import { LogPage } from '../log/LogPage';
import { BatchPage } from '../send/BatchPage';
import { SendPage } from '../send/SendPage';
import { UndoPage } from '../send/UndoPage';
import { Shell } from './Shell';
import { TO_COME } from './stops';
import { ToCome } from './ToCome';

export const router = createBrowserRouter([
  { path: '/sign-in', element: <SignIn /> },
  {
    path: '/first',
    HydrateFallback: () => null,
    lazy: async () => ({ Component: (await import('../access/FirstPage')).FirstPage }),
  },
  {
    path: '/',
    element: <Shell />,
    HydrateFallback: () => null,
    children: [
      { index: true, element: <Navigate to="/release" replace /> },
      {
        path: 'connect',
        lazy: async () => ({ Component: (await import('../connect/ConnectPage')).ConnectPage }),
      },
      { path: 'connect/return', element: <ReturnPage /> },
      { path: 'you', lazy: async () => ({ Component: (await import('../you/YouPage')).YouPage }) },
      { path: 'map', element: <MapPage /> },
      {
        path: 'map/parties/:code',
        lazy: async () => ({ Component: (await import('../parties/PartyPage')).PartyPage }),
      },
      {
        path: 'map/what-if',
        lazy: async () => ({ Component: (await import('../whatif/WhatIfPage')).WhatIfPage }),
      },
      {
        path: 'map/history',
        lazy: async () => ({ Component: (await import('../map/ChangesPage')).ChangesPage }),
      },
      {
        path: 'map/bulk',
        lazy: async () => ({ Component: (await import('../bulk/BulkPage')).BulkPage }),
      },
      {
        path: 'map/then',
        lazy: async () => ({ Component: (await import('../map/ThenPage')).ThenPage }),
      },
      {
        path: 'map/twins',
        lazy: async () => ({ Component: (await import('../twins/TwinsPage')).TwinsPage }),
      },
      {
        path: 'map/names',
        lazy: async () => ({ Component: (await import('../items/NamesPage')).NamesPage }),
      },
      {
        path: 'map/corrections',
        lazy: async () => ({ Component: (await import('../whatif/CorrectionsPage')).CorrectionsPage }),
      },
      { path: 'release', element: <ReleasePage /> },
      { path: 'documents/:id', element: <BothSidesPage /> },
      { path: 'send', element: <SendPage /> },
      { path: 'send/load', element: <LoadPage /> },
      { path: 'send/log', element: <LogPage /> },
      { path: 'send/:id', element: <BatchPage /> },
      { path: 'send/:id/undo', element: <UndoPage /> },
      {
        path: 'clear',
        lazy: async () => ({ Component: (await import('../clear/ClearPage')).ClearPage }),
      },
      {
        path: 'clear/banking',
        lazy: async () => ({ Component: (await import('../clear/BankingPage')).BankingPage }),
      },
      {
        path: 'resolve',
        lazy: async () => ({ Component: (await import('../resolve/ResolvePage')).ResolvePage }),
      },
      ...TO_COME.map(({ path }) => ({ path: path.slice(1), element: <ToCome /> })),
      { path: '*', element: <Navigate to="/release" replace /> },
    ],
  },
]);
