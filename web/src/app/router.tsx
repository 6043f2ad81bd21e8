import { createBrowserRouter, Navigate } from 'react-router';
import { ConnectPage } from '../connect/ConnectPage';
import { ReturnPage } from '../connect/ReturnPage';
import { FirstPage } from '../access/FirstPage';
import { SignIn } from '../access/SignIn';
import { MapPage } from '../map/MapPage';
import { BothSidesPage } from '../release/BothSidesPage';
import { ReleasePage } from '../release/ReleasePage';
import { BatchPage } from '../send/BatchPage';
import { SendPage } from '../send/SendPage';
import { YouPage } from '../you/YouPage';
import { Shell } from './Shell';

export const router = createBrowserRouter([
  { path: '/sign-in', element: <SignIn /> },
  { path: '/first', element: <FirstPage /> },
  {
    path: '/',
    element: <Shell />,
    children: [
      { index: true, element: <Navigate to="/release" replace /> },
      { path: 'connect', element: <ConnectPage /> },
      { path: 'connect/return', element: <ReturnPage /> },
      { path: 'you', element: <YouPage /> },
      { path: 'map', element: <MapPage /> },
      { path: 'release', element: <ReleasePage /> },
      { path: 'documents/:id', element: <BothSidesPage /> },
      { path: 'send', element: <SendPage /> },
      { path: 'send/:id', element: <BatchPage /> },
      { path: '*', element: <Navigate to="/release" replace /> },
    ],
  },
]);
