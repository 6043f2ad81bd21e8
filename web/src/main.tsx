import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { QueryClientProvider } from '@tanstack/react-query';
import { queryClient } from './api/client';
import { router } from './app/router';
import { followSystem } from './app/theme';
import { NoticeProvider } from './ui/Notice';
import './index.css';

followSystem();

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queryClient}>
        <NoticeProvider>
          <RouterProvider router={router} />
        </NoticeProvider>
      </QueryClientProvider>
    </StrictMode>,
  );
}
