/** Functions that load a module while the app runs, and which of its exports they take. */
import type * as t from '@babel/types';
import type { ValueFact } from '../../model/facts';
import { pathsIn } from './patterns';
import { isFunction } from './scope';
import { keyName, memberName } from './type-expr';
import { unwrap } from './unit';

/** `() => import('./x')`, alone or as the loader of some options, with the named export that is picked, if one is. */
export function lazyOf(node: t.Node): ValueFact['lazy'] {
  if (node.type === 'ObjectExpression') {
    const loader = node.properties.find((one) => one.type === 'ObjectProperty' && keyName(one) === 'loader');
    return loader?.type === 'ObjectProperty' ? lazyOf(unwrap(loader.value)) : undefined;
  }
  return isFunction(node) ? loadedBy(node, 'default') : undefined;
}

/** What a function gives back that loads a module; `name` is the export that is taken of it. */
function loadedBy({ body, params }: t.Function, name: string): ValueFact['lazy'] {
  let names = new Map<string, string>();
  let module: ValueFact['lazy'];
  let given: t.Node = body;
  if (body.type === 'BlockStatement') {
    const last = body.body.at(-1);
    if (params.length || last?.type !== 'ReturnStatement' || !last.argument) return undefined;
    given = last.argument;
    // `const { Card } = await import('./card')`, or the module under a name.
    for (const one of body.body.slice(0, -1)) {
      const [declared, more] = one.type === 'VariableDeclaration' ? one.declarations : [];
      const loaded = declared?.init && !more ? moduleLoaded(declared.init, '') : undefined;
      if (!loaded || module || !declared) continue;
      module = loaded;
      names = exportsBy(declared.id);
    }
  }
  if (!module) return moduleLoaded(given, name);
  const picked = pickedOf(given, names);
  return picked === undefined ? undefined : { from: module.from, name: picked };
}

/**
 * `import('./x')`, awaited, with the export that is taken of it or picked when it is there; `name` is what is given where
 * none is.
 */
export function moduleLoaded(node: t.Node, name: string): ValueFact['lazy'] {
  const bare = unwrap(node);
  if (bare.type === 'AwaitExpression') return moduleLoaded(bare.argument, name);
  if (bare.type === 'MemberExpression' && bare.property.type === 'Identifier' && !bare.computed)
    return moduleLoaded(bare.object, bare.property.name);
  if (bare.type === 'ObjectExpression') {
    const value = defaultOf(bare);
    return value && moduleLoaded(value, name);
  }
  if (bare.type === 'CallExpression' && bare.callee.type === 'MemberExpression') {
    const [then] = bare.arguments;
    const [module] = then && isFunction(then) ? then.params : [];
    if (memberName(bare.callee.property) !== 'then' || !then || !isFunction(then) || !module)
      return undefined;
    const picked = pickedOf(then.body, exportsBy(module));
    return picked === undefined ? undefined : moduleLoaded(bare.callee.object, picked);
  }
  const source =
    bare.type === 'ImportExpression'
      ? bare.source
      : bare.type === 'CallExpression' && bare.callee.type === 'Import'
        ? bare.arguments[0]
        : undefined;
  return source?.type === 'StringLiteral' ? { from: source.value, name } : undefined;
}

/** The exports of a module by the names that a pattern gives them; '' for the module itself. */
function exportsBy(pattern: t.Node): Map<string, string> {
  if (pattern.type === 'Identifier') return new Map([[pattern.name, '']]);
  if (pattern.type !== 'ObjectPattern') return new Map();
  return new Map(
    pathsIn(pattern).flatMap(({ name, path }) => (path.length === 1 ? [[name.name, path[0]!]] : [])),
  );
}

/** The export that is picked of a module: `m.Card`, `{ default: m.Card }`; `names` are exports by local name, '' the module. */
function pickedOf(node: t.Node, names: Map<string, string>): string | undefined {
  const bare = unwrap(node);
  if (bare.type === 'BlockStatement') {
    const last = bare.body.at(-1);
    return last?.type === 'ReturnStatement' && last.argument ? pickedOf(last.argument, names) : undefined;
  }
  if (bare.type === 'ObjectExpression') {
    const value = defaultOf(bare);
    return value && pickedOf(value, names);
  }
  if (bare.type === 'Identifier') {
    const taken = names.get(bare.name);
    return taken === '' ? 'default' : taken;
  }
  const isMember = bare.type === 'MemberExpression' && bare.object.type === 'Identifier' && !bare.computed;
  if (!isMember || names.get((bare.object as t.Identifier).name) !== '') return undefined;
  return bare.property.type === 'Identifier' ? bare.property.name : undefined;
}

/** The value of `{ default: … }`. */
function defaultOf({ properties }: t.ObjectExpression): t.Node | undefined {
  const [property] = properties;
  return property?.type === 'ObjectProperty' && keyName(property) === 'default' ? property.value : undefined;
}
