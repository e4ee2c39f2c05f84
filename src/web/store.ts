import { configureStore } from '@reduxjs/toolkit';
import { api } from './api';
import { editor, keepEditor } from './editor';
import { applyTheme, theme } from './theme';

export function makeStore() {
  const store = configureStore({
    reducer: { [api.reducerPath]: api.reducer, theme: theme.reducer, editor: editor.reducer },
    middleware: (usual) => usual().concat(api.middleware),
  });
  applyTheme(store.getState().theme);
  store.subscribe(() => {
    applyTheme(store.getState().theme);
    keepEditor(store.getState().editor);
  });
  return store;
}

export type State = ReturnType<ReturnType<typeof makeStore>['getState']>;
