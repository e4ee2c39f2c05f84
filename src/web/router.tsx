import { createBrowserRouter, Navigate } from 'react-router';
import { Failed, Waiting } from './parts/states';
import { Shell } from './shell/Shell';

/** Views are loaded when they are opened; the one before stays until then. */
export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: (
      <Failed reason="This page cannot be shown. Reload it; if that does not help, the server may have been updated." />
    ),
    hydrateFallbackElement: <Waiting what="the workbench" />,
    children: [
      {
        path: '/',
        lazy: async () => ({ Component: (await import('./views/projects/ProjectsView')).ProjectsView }),
      },
      { path: '/p/:id', element: <Navigate to="rigging" replace /> },
      {
        path: '/p/:id/rigging',
        lazy: async () => ({ Component: (await import('./views/rigging/RiggingView')).RiggingView }),
      },
      {
        path: '/p/:id/strand',
        lazy: async () => ({ Component: (await import('./views/strand/StrandView')).StrandView }),
      },
      {
        path: '/p/:id/catalogue',
        lazy: async () => ({ Component: (await import('./views/catalogue/CatalogueView')).CatalogueView }),
      },
      {
        path: '/p/:id/component',
        lazy: async () => ({ Component: (await import('./views/component/ComponentPage')).ComponentPage }),
      },
      {
        path: '/p/:id/joint',
        lazy: async () => ({ Component: (await import('./views/joint/JointPage')).JointPage }),
      },
      {
        path: '/p/:id/audits',
        lazy: async () => ({ Component: (await import('./views/audits/AuditsView')).AuditsView }),
      },
      {
        path: '/p/:id/joined',
        lazy: async () => ({ Component: (await import('./views/joined/JoinedView')).JoinedView }),
      },
      {
        path: '/p/:id/findings',
        lazy: async () => ({ Component: (await import('./views/findings/FindingsView')).FindingsView }),
      },
      { path: '*', element: <Failed reason="There is nothing at this address." /> },
    ],
  },
]);
