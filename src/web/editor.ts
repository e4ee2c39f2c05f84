/** How a place is opened in the user's editor: an address with {path}, {line} and {column} in it. */
import { createSlice, type PayloadAction } from '@reduxjs/toolkit';

const KEY = 'zinc-rope-editor';

const stored = (): string => {
  try {
    return localStorage.getItem(KEY) ?? '';
  } catch {
    return '';
  }
};

export const editor = createSlice({
  name: 'editor',
  initialState: stored,
  reducers: {
    chosen: (_state, action: PayloadAction<string>) => action.payload,
  },
});

export function keepEditor(template: string): void {
  try {
    localStorage.setItem(KEY, template);
  } catch {
    // Without storage the choice lasts as long as the page.
  }
}

/** An address is good if it has a scheme of its own, a place for the path, and runs nothing. */
export const isTemplate = (text: string): boolean =>
  /^[a-z][a-z0-9+.-]*:/i.test(text) && text.includes('{path}') && !/^(javascript|data|vbscript):/i.test(text);

export function addressInEditor(
  template: string,
  { root, file, line, column }: { root: string; file: string; line: number; column: number },
): string {
  const path = `${root.replaceAll('\\', '/').replace(/\/$/, '')}/${file}`;
  return template
    .replaceAll('{path}', encodeURI(path))
    .replaceAll('{line}', String(line))
    .replaceAll('{column}', String(column));
}
