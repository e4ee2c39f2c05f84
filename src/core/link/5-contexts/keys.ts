/** What a key means: the same thing for whoever provides and whoever asks. */
import type { KeyFact } from '../../model/facts';
import type { ContextKey } from './context-types';
import type { Tree } from '../linked';

type Known = Pick<ContextKey, 'id' | 'file' | 'value' | 'component'>;

/** The key that some code of a file means; undefined where it is made in a way that is not followed. */
export function contextKey(project: Tree, file: number, key: KeyFact): Known | undefined {
  if ('text' in key)
    return {
      id: textId(project, file, key.text),
      file,
      value: { name: key.text, kind: 'context', key: key.text, start: 0, end: 0 },
    };
  return 'name' in key ? valueKey(project, file, key.name) : typeKey(project, file, key);
}

/** A text means the same in all files of a package, whether it is written out or kept under a name. */
const textId = (project: Tree, file: number, text: string): string =>
  `${project.files[file]!.pkg?.dir ?? ''}"${text}`;

/** A value made for it, an object that is nothing else, a text under a name, or a class. */
function valueKey(project: Tree, file: number, name: string): Known | undefined {
  const target = project.lookup(file, name);
  if (target.kind === 'component') {
    const { file: home, facts } = project.components[target.component]!;
    const { name: own, nameStart: start, nameEnd: end } = facts;
    const value = { name: own, kind: 'context' as const, start, end };
    return { id: `${home}:${own}`, file: home, value, component: target.component };
  }
  if (target.kind !== 'value') return undefined;
  const { value, file: home } = target;
  const { kind, type, members } = value;
  if (kind === 'value' && type?.t === 'lit' && typeof type.v === 'string') {
    const { name: own, start, end } = value;
    return {
      id: textId(project, home, type.v),
      file: home,
      value: { name: own, kind: 'context', start, end },
    };
  }
  const isMade = kind === 'context' || (kind === 'object' && members && !Object.keys(members).length);
  return isMade ? { id: `${home}:${value.name}`, file: home, value } : undefined;
}

/** A type that is declared in one place is itself; one of the language is what it is called. */
function typeKey(
  project: Tree,
  file: number,
  { type, shown, service }: Extract<KeyFact, { type: unknown }>,
): Known | undefined {
  const found = type.t === 'ref' ? project.names.lookupType(file, type.name) : undefined;
  const home = found?.file ?? file;
  const id = found ? `${home}:${found.decl.name}` : type.t === 'prim' ? `:${type.n}` : undefined;
  return id === undefined
    ? undefined
    : {
        id: service ? `${id}()` : id,
        file: home,
        value: { name: shown, kind: 'context', type, start: 0, end: 0 },
      };
}
