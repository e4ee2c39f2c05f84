/** What values are provided and consumed under. */
import type { KeyFact } from './code';

/** A key as people write it. */
export const keyName = (key: KeyFact): string =>
  'name' in key ? key.name : 'text' in key ? key.text : key.shown;

/** The same for keys that are written the same way in one file. */
export const keyId = (key: KeyFact): string =>
  'name' in key ? `=${key.name}` : 'text' in key ? `"${key.text}` : `:${key.shown}${key.service ? '()' : ''}`;
