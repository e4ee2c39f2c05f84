import { configureStore } from '@reduxjs/toolkit';
import { api } from './api';
import { applyTheme, theme } from './theme';

export function makeStore() {
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, theme: theme.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });
  applyTheme(store.getState().theme);
  store.subscribe(() => applyTheme(store.getState().theme));
  return store;
}

export type State = ReturnType<ReturnType<typeof makeStore>['getState']>;
