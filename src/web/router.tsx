import type { ComponentType } from 'react';
import { createBrowserRouter, Navigate } from 'react-router';
import { Failed, Waiting } from './parts/states';
import { Shell } from './shell/Shell';

/** Each view by its address; it is loaded when it is opened, and the one before stays until then. */
const VIEWS: [path: string, load: () => Promise<ComponentType>][] = [
  ['/', async () => (await import('./views/projects/ProjectsView')).ProjectsView],
  ['/p/:id/overview', async () => (await import('./views/overview/OverviewPage')).OverviewPage],
  ['/p/:id/rigging', async () => (await import('./views/rigging/RiggingView')).RiggingView],
  ['/p/:id/strand', async () => (await import('./views/strand/StrandView')).StrandView],
  ['/p/:id/catalogue', async () => (await import('./views/catalogue/CatalogueView')).CatalogueView],
  ['/p/:id/component', async () => (await import('./views/component/ComponentPage')).ComponentPage],
  ['/p/:id/joint', async () => (await import('./views/joint/JointPage')).JointPage],
  ['/p/:id/beside', async () => (await import('./views/beside/BesideView')).BesideView],
  ['/p/:id/audits', async () => (await import('./views/audits/AuditsView')).AuditsView],
  ['/p/:id/joined', async () => (await import('./views/joined/JoinedView')).JoinedView],
  ['/p/:id/rule', async () => (await import('./views/rules/RulesView')).RulesView],
  ['/p/:id/sheet', async () => (await import('./views/sheet/SheetView')).SheetView],
  ['/p/:id/findings', async () => (await import('./views/findings/FindingsView')).FindingsView],
];

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: (
      <Failed reason="This page cannot be shown. Reload it; if that does not help, the server may have been updated." />
    ),
    hydrateFallbackElement: <Waiting what="the workbench" />,
    children: [
      ...VIEWS.map(([path, load]) => ({ path, lazy: async () => ({ Component: await load() }) })),
      { path: '/p/:id', element: <Navigate to="overview" replace /> },
      { path: '*', element: <Failed reason="There is nothing at this address." /> },
    ],
  },
]);
