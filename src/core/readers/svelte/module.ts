/** What the module-level code of a file makes known: values, keys, and functions whose state is their caller's. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { readClassHelper } from '../script/classes';
import { typeOfKey } from '../script/contexts';
import { settleEarly } from '../script/early';
import { readHelper } from '../script/functions';
import { isFunction, type NamedNode, type Scopes } from '../script/scope';
import { memberName, readType, typeArguments } from '../script/type-expr';
import { type Dialect, emptyFacts, type FileContext, moduleTypes, spanOf, unwrap } from '../script/unit';
import { valueOf } from '../script/values';
import { runeField } from './dialect';
import { isFollowed, type SvelteNames, svelteTraits } from './names';
import { settleContexts, svelteUnit } from './unit';

/** What all units of a file share. */
export interface SvelteFile {
  file: FileContext;
  facts: FileFacts;
  scopes: Scopes;
  names: SvelteNames;
  dialect: Dialect;
}

/** `skip` is the script that runs for every instance. */
export function readModuleLevel(svelte: SvelteFile, program: t.Program, skip?: t.Node): void {
  const { facts, scopes, file } = svelte;
  const types = moduleTypes(file);
  const helpers: (() => ComponentFacts)[] = [];
  const follow = (name: string, at: t.Node, make: () => ComponentFacts) => {
    const component = facts.components.length + helpers.length;
    facts.values.push({ name, kind: 'component', component, type: UNKNOWN, ...spanOf(at) });
    helpers.push(make);
  };
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined || one.node === skip) continue;
    const fn = unwrap(one.node);
    const name = one.id?.name ?? '';
    if (fn.type === 'ClassDeclaration' && one.id) {
      follow(name, one.id, () => classOf(svelte, one.id!, fn));
    } else if (isFunction(fn) && isFollowed(file.path, name)) {
      follow(name, one.id!, () => helperOf(svelte, one, fn));
      facts.values.at(-1)!.type = valueOf(one, () => undefined, types).type ?? UNKNOWN;
    } else facts.values.push(valueOf(one, () => undefined, types));
  }
  for (const pair of contextPairs(svelte, program)) {
    const key = `${pair.get.name}()`;
    facts.values.push({ name: key, kind: 'context', type: pair.type, ...spanOf(pair.get) });
    // Its two functions use it.
    facts.mentions.push(key);
    follow(pair.get.name, pair.get, () => consumer(pair.get, key));
    follow(pair.set.name, pair.set, () => provider(pair.set, key));
  }
  for (const make of helpers) facts.components.push(make());
}

function helperOf(svelte: SvelteFile, one: NamedNode, fn: t.Function): ComponentFacts {
  const component = emptyHelper(one.id!, spanOf(fn));
  const u = svelteUnit(component, fn, svelte.dialect, svelte.file, svelte.scopes, svelte.facts.imports);
  readHelper(u, fn);
  settleEarly(u);
  settleContexts(u);
  return component;
}

/** A class whose fields are runes, or plain: each object of it keeps its own. */
function classOf(
  { dialect, file, scopes, facts }: SvelteFile,
  id: t.Identifier,
  node: t.Class,
): ComponentFacts {
  const component = emptyHelper(id, spanOf(node));
  const u = svelteUnit(component, node, dialect, file, scopes, facts.imports);
  readClassHelper(u, node, { fieldKind: runeField });
  settleEarly(u);
  settleContexts(u);
  return component;
}

function emptyHelper(id: t.Identifier, span = spanOf(id)): ComponentFacts {
  return { ...emptyFacts(id.name, span, spanOf(id), svelteTraits(true)), role: 'helper' };
}

/** `const [getFleet, setFleet] = createContext<Fleet>()`: two functions for one key. */
function* contextPairs({ names, file }: SvelteFile, program: t.Program) {
  for (const node of program.body) {
    const declared = node.type === 'ExportNamedDeclaration' ? node.declaration : node;
    if (declared?.type !== 'VariableDeclaration') continue;
    for (const { id, init } of declared.declarations) {
      if (id.type !== 'ArrayPattern' || init?.type !== 'CallExpression') continue;
      const [get, set] = id.elements;
      if (names(memberName(init.callee) ?? '') !== 'createContext') continue;
      if (get?.type !== 'Identifier' || set?.type !== 'Identifier') continue;
      const [written] = typeArguments(init);
      yield { get, set, type: written ? readType(written, file.named) : UNKNOWN };
    }
  }
}

function consumer(id: t.Identifier, key: string): ComponentFacts {
  const span = spanOf(id);
  const type = typeOfKey({ name: key });
  return {
    ...emptyHelper(id),
    symbols: [{ name: id.name, kind: 'injected', type, ...span }],
    consumes: [{ key: { name: key }, symbol: 0, where: 'setup', fn: -1, missing: 'bare', ...span }],
    result: { kind: 'identity', symbol: 0, ...span },
  };
}

function provider(id: t.Identifier, key: string): ComponentFacts {
  const span = spanOf(id);
  const value = { kind: 'identity', symbol: 0, ...span } as const;
  return {
    ...emptyHelper(id),
    symbols: [{ name: 'value', kind: 'param', index: 0, ...span }],
    provides: [
      { key: { name: key }, keyStart: span.start, keyEnd: span.end, value, node: 0, where: 'setup', ...span },
    ],
    result: value,
  };
}
