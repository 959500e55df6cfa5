import { createBrowserRouter, Navigate, useParams } from 'react-router';
import { BaysPage } from '../pages/bays/BaysPage.tsx';
import { FailurePage } from '../pages/FailurePage.tsx';
import { Shell } from './Shell.tsx';

function ToNext() {
  const { id } = useParams();
  return <Navigate to={`/jobs/${id}/next`} replace />;
}

export const router = createBrowserRouter([
  {
    element: <Shell bare />,
    errorElement: <FailurePage />,
    hydrateFallbackElement: <></>,
    children: [
      {
        path: '/jobs/:id/bay',
        lazy: async () => ({ Component: (await import('../pages/bay/BayPage.tsx')).BayPage }),
      },
    ],
  },
  {
    element: <Shell />,
    errorElement: <FailurePage />,
    hydrateFallbackElement: <></>,
    children: [
      { path: '/', element: <BaysPage /> },
      {
        path: '/new',
        lazy: async () => ({ Component: (await import('../pages/newSetup/NewSetupPage.tsx')).NewSetupPage }),
      },
      {
        path: '/book',
        lazy: async () => ({ Component: (await import('../pages/book/BookPage.tsx')).BookPage }),
      },
      ...['/paper', '/jobs/:id/paper'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../pages/PaperPage.tsx')).PaperPage }),
      })),
      { path: '/jobs/:id', element: <ToNext /> },
      {
        path: '/jobs/:id/handover',
        lazy: async () => ({ Component: (await import('../pages/job/HandoverPage.tsx')).HandoverPage }),
      },
      {
        path: '/jobs/:id/:stage',
        lazy: async () => ({ Component: (await import('../pages/job/JobPage.tsx')).JobPage }),
      },
      { path: '*', element: <FailurePage notFound /> },
    ],
  },
]);
