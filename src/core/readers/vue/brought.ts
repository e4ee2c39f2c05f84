/** Names that a build brings into scope from the project's own folders: composables that no import names. */
import type * as t from '@babel/types';
import type { ImportFact } from '../../model/facts';
import { readScopes, type Scopes } from '../script/scope';
import { BROUGHT, isAuto } from './names';

const COMPOSABLE = /^use[\p{Lu}]/u;

/**
 * The scopes of a program in which composables that nothing declares are imported from where a build would bring them;
 * the imports are added to `imports`, and dropped again at link where nobody brings anything.
 */
export function scopesWith(program: t.Program, imports: ImportFact[]): Scopes {
  const scopes = readScopes(program);
  const names = new Set(
    scopes.unbound.flatMap(({ id, role }) =>
      role === 'value' && COMPOSABLE.test(id.name) && !isAuto(id.name) ? [id.name] : [],
    ),
  );
  if (!names.size) return scopes;
  program.body.unshift(importOf([...names]));
  for (const name of names)
    imports.push({ local: name, name, from: BROUGHT, brought: true, start: 0, end: 0 });
  return readScopes(program);
}

/** `import { useLine, useCrew } from '#imports'`, which stands nowhere. */
function importOf(names: string[]): t.ImportDeclaration {
  const at = { start: 0, end: 0 };
  const identifier = (name: string) => ({ type: 'Identifier', name, ...at }) as t.Identifier;
  return {
    type: 'ImportDeclaration',
    importKind: 'value',
    source: { type: 'StringLiteral', value: BROUGHT, ...at },
    specifiers: names.map((name) => ({
      type: 'ImportSpecifier',
      imported: identifier(name),
      local: identifier(name),
      ...at,
    })),
    ...at,
  } as t.ImportDeclaration;
}
