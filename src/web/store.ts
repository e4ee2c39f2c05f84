import { configureStore } from '@reduxjs/toolkit';
import { api } from './api';
import { editor, keepEditor } from './editor';
import { live, progress } from './shell/progress';
import { applyTheme, theme } from './theme';
import { steps } from './steps';

export function makeStore() {
  const store = configureStore({
    reducer: {
      [api.reducerPath]: api.reducer,
      theme: theme.reducer,
      editor: editor.reducer,
      progress: progress.reducer,
      live: live.reducer,
      steps: steps.reducer,
    },
    middleware: (usual) => usual().concat(api.middleware),
  });
  let known = store.getState();
  applyTheme(known.theme);
  // Most actions change neither: only a change is written.
  store.subscribe(() => {
    const state = store.getState();
    if (state.theme !== known.theme) applyTheme(state.theme);
    if (state.editor !== known.editor) keepEditor(state.editor);
    known = state;
  });
  return store;
}

export type Store = ReturnType<typeof makeStore>;
export type State = ReturnType<ReturnType<typeof makeStore>['getState']>;
