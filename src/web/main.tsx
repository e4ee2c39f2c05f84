import { createRoot } from 'react-dom/client';
import { Provider } from 'react-redux';
import { RouterProvider } from 'react-router';
import { router } from './router';
import { makeStore } from './store';
import './theme.css';

createRoot(document.getElementById('root')!).render(
  <Provider store={makeStore()}>
    <RouterProvider router={router} />
  </Provider>,
);
