import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { queryClient } from '../api/jobs.ts';
import { openQueue } from '../api/queue.ts';
import { Gate } from './Gate.tsx';
import { router } from './router.tsx';
import './style.css';

void openQueue();
const root = document.getElementById('root');
if (!root) throw new Error('expected #root in the page, got none');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <Gate>
        <RouterProvider router={router} />
      </Gate>
    </QueryClientProvider>
  </StrictMode>,
);
