/** What keys stand for that code gives by names: `[types.HOLD]`, `case HOLD:`, `Act.Raise`. */
import { NAMED_KEY } from '../../model/code';
import type { Linked } from '../linked';

/**
 * A key as it is told from others in the whole project: its text, or the constant that it is, where that is worked out.
 * What stands before the last `/` of a key is its space, and no part of the name.
 */
export function keyOf({ lookup, names }: Linked, file: number, key: string): string {
  const at = key.lastIndexOf('/') + 1;
  if (!key.startsWith(NAMED_KEY, at)) return key;
  const parts = key.slice(at + NAMED_KEY.length).split('.');
  for (let length = parts.length; length > 0; length--) {
    const name = parts.slice(0, length).join('.');
    const found = lookup(file, name);
    const rest = parts.slice(length);
    if (found.kind === 'value') {
      const { name: own, type } = found.value;
      if (!rest.length && type?.t === 'lit') return key.slice(0, at) + String(type.v);
      return key.slice(0, at) + placed(found.file, [own, ...rest]);
    }
    const declared = names.lookupType(file, name);
    if (declared) return key.slice(0, at) + placed(declared.file, [declared.decl.name, ...rest]);
  }
  return key.slice(0, at) + placed(file, parts);
}

const placed = (file: number, names: string[]): string => `${NAMED_KEY}${file}:${names.join('.')}`;
