import { createBrowserRouter, Navigate, useParams } from 'react-router';
import { BaysPage } from '../pages/BaysPage.tsx';
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
        path: '/bays',
        lazy: async () => ({ Component: (await import('../pages/TwoBaysPage.tsx')).TwoBaysPage }),
      },
      {
        path: '/jobs/:id/bay',
        lazy: async () => ({ Component: (await import('../pages/BayPage.tsx')).BayPage }),
      },
      {
        path: '/jobs/:id/tape',
        lazy: async () => ({ Component: (await import('../pages/TapePage.tsx')).TapePage }),
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
        lazy: async () => ({ Component: (await import('../pages/NewSetupPage.tsx')).NewSetupPage }),
      },
      {
        path: '/book',
        lazy: async () => ({ Component: (await import('../pages/BookPage.tsx')).BookPage }),
      },
      {
        path: '/settings',
        lazy: async () => ({ Component: (await import('../pages/SettingsPage.tsx')).SettingsPage }),
      },
      // A code that was filmed leads here; whoever is in by now goes on to the jobs.
      { path: '/pair', element: <Navigate to="/" replace /> },
      {
        path: '/help',
        lazy: async () => ({ Component: (await import('../pages/HelpPage.tsx')).HelpPage }),
      },
      {
        path: '/sag',
        lazy: async () => ({ Component: (await import('../pages/SagStartPage.tsx')).SagStartPage }),
      },
      {
        path: '/jobs/:id/riders',
        lazy: async () => ({ Component: (await import('../features/sag/RiderCards.tsx')).RiderCards }),
      },
      {
        path: '/stack',
        lazy: async () => ({ Component: (await import('../pages/StackPage.tsx')).StackPage }),
      },
      {
        path: '/rack/search',
        lazy: async () => ({
          Component: (await import('../pages/RackSearchPage.tsx')).RackSearchPage,
        }),
      },
      ...['/kits', '/kits/:id'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../pages/KitsPage.tsx')).KitsPage }),
      })),
      ...['/lessons', '/lessons/:id'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../pages/LessonsPage.tsx')).LessonsPage }),
      })),
      {
        path: '/practice',
        lazy: async () => ({ Component: (await import('../pages/PracticePage.tsx')).PracticePage }),
      },
      {
        path: '/practice/:id',
        lazy: async () => ({ Component: (await import('../pages/PracticeRunPage.tsx')).PracticeRunPage }),
      },
      {
        path: '/practice/notebook/:id',
        lazy: async () => ({ Component: (await import('../pages/NotebookPage.tsx')).NotebookPage }),
      },
      {
        path: '/practice/challenges/:id',
        lazy: async () => ({ Component: (await import('../pages/ChallengePage.tsx')).ChallengePage }),
      },
      {
        path: '/rack',
        lazy: async () => ({ Component: (await import('../pages/RackPage.tsx')).RackPage }),
      },
      ...['/paper', '/jobs/:id/paper'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../pages/PaperPage.tsx')).PaperPage }),
      })),
      { path: '/jobs/:id', element: <ToNext /> },
      ...['/jobs/:id/picture/:corner', '/jobs/:id/picture/:corner/sag/:base'].map((path) => ({
        path,
        lazy: async () => ({ Component: (await import('../pages/PicturePage.tsx')).PicturePage }),
      })),
      {
        path: '/marks',
        lazy: async () => ({ Component: (await import('../pages/MarksPage.tsx')).MarksPage }),
      },
      {
        path: '/jobs/:id/handover',
        lazy: async () => ({ Component: (await import('../pages/HandoverPage.tsx')).HandoverPage }),
      },
      {
        path: '/jobs/:id/:stage',
        lazy: async () => ({ Component: (await import('../pages/JobPage.tsx')).JobPage }),
      },
      { path: '*', element: <FailurePage notFound /> },
    ],
  },
]);
