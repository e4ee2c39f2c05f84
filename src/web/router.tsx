import { createBrowserRouter, Navigate } from 'react-router';
import { Shell } from './shell/Shell';
import { AuditsView } from './views/audits/AuditsView';
import { CatalogueView } from './views/catalogue/CatalogueView';
import { ComponentPage } from './views/component/ComponentPage';
import { FindingsView } from './views/findings/FindingsView';
import { JoinedView } from './views/joined/JoinedView';
import { JointPage } from './views/joint/JointPage';
import { ProjectsView } from './views/projects/ProjectsView';
import { RiggingView } from './views/rigging/RiggingView';
import { StrandView } from './views/strand/StrandView';
import { Failed } from './parts/states';

export const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <Failed reason="This page cannot be shown." />,
    children: [
      { path: '/', element: <ProjectsView /> },
      { path: '/p/:id', element: <Navigate to="rigging" replace /> },
      { path: '/p/:id/rigging', element: <RiggingView /> },
      { path: '/p/:id/strand', element: <StrandView /> },
      { path: '/p/:id/catalogue', element: <CatalogueView /> },
      { path: '/p/:id/component', element: <ComponentPage /> },
      { path: '/p/:id/joint', element: <JointPage /> },
      { path: '/p/:id/audits', element: <AuditsView /> },
      { path: '/p/:id/joined', element: <JoinedView /> },
      { path: '/p/:id/findings', element: <FindingsView /> },
      { path: '*', element: <Failed reason="There is nothing at this address." /> },
    ],
  },
]);
