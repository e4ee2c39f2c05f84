/** Light or dark: what the reader chose, else what the system says. */
import { createSlice } from '@reduxjs/toolkit';

const KEY = 'zinc-rope-theme';

export type Theme = 'light' | 'dark';

function initial(): Theme {
  const kept = localStorage.getItem(KEY);
  if (kept === 'light' || kept === 'dark') return kept;
  return matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light';
}

export const theme = createSlice({
  name: 'theme',
  initialState: initial,
  reducers: { toggled: (state) => (state === 'dark' ? 'light' : 'dark') },
});

export function applyTheme(value: Theme): void {
  document.documentElement.dataset.theme = value;
  if (value !== initial()) localStorage.setItem(KEY, value);
}
