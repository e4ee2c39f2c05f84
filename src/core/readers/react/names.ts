/** What React's own exports mean to a reader. */
import type { ImportFact, Traits } from '../../model/facts';
import { prim, UNKNOWN, type TypeExpr } from '../../model/types';
import type { NamedType } from '../script/type-expr';

export const REACT_TRAITS: Traits = {
  callbackProps: true,
  attributesFallThrough: false,
  refExposes: 'nothing',
  refIsPropFrom: 19,
  statementHandlers: false,
  inputsWritable: false,
  contentPort: 'children',
  contextByIdentity: true,
  contextAtSetup: true,
};

const MODULES = new Set([
  'react',
  'react-dom',
  'react-dom/client',
  'preact',
  'preact/compat',
  'preact/hooks',
  '@wordpress/element',
]);
/** Two of these from one package are the framework's, handed on by somebody. */
const HOOKS =
  /^use(State|Reducer|Effect|LayoutEffect|Memo|Callback|Ref|Context|ImperativeHandle|Transition|DeferredValue)$/;

/** Modules that a file imports the framework from: its own, and packages that hand it on. */
function modulesIn(imports: ImportFact[]): ReadonlySet<string> {
  const hooks = new Map<string, number>();
  for (const { from, name } of imports)
    if (HOOKS.test(name) && !/^[./~@#]?\//.test(from)) hooks.set(from, (hooks.get(from) ?? 0) + 1);
  return new Set([...MODULES, ...[...hooks].flatMap(([from, count]) => (count > 1 ? [from] : []))]);
}

/** Local names to React's own: `useState` for `React.useState` and for `import { useState as keep }`. */
export interface ReactNames {
  own(name: string): string | undefined;
  /** The file imports what mounts trees into a page. */
  hasDom: boolean;
  /** The file may make elements by calls. */
  creates: boolean;
}

export function reactNames(imports: ImportFact[], creates = true): ReactNames {
  const named = new Map<string, string>();
  const spaces = new Set<string>(['React', 'ReactDOM']);
  const taken = new Set<string>();
  const modules = modulesIn(imports);
  const mounts = /^(createRoot|hydrateRoot|hydrate|render)$/;
  for (const one of imports) {
    if (!modules.has(one.from)) {
      taken.add(one.local);
      continue;
    }
    if (one.name === '*' || one.name === 'default') spaces.add(one.local);
    else named.set(one.local, one.name);
  }
  return {
    creates,
    hasDom: imports.some(
      ({ from, name }) => from.startsWith('react-dom') || (modules.has(from) && mounts.test(name)),
    ),
    own(name) {
      const dot = name.indexOf('.');
      if (dot < 0) return named.get(name);
      const space = name.slice(0, dot);
      const part = name.slice(dot + 1);
      if (spaces.has(space)) return taken.has(space) ? undefined : part;
      const own = named.get(space);
      return own === undefined ? undefined : `${own}.${part}`;
    },
  };
}

const CONTENT = new Set([
  'ReactNode',
  'ReactElement',
  'ReactChild',
  'ReactFragment',
  'ReactPortal',
  'ReactText',
  'JSX.Element',
]);
const COMPONENT_TYPES = new Set([
  'FC',
  'FunctionComponent',
  'VFC',
  'SFC',
  'VoidFunctionComponent',
  'StatelessComponent',
  'ForwardRefRenderFunction',
  'ForwardRefExoticComponent',
  'NamedExoticComponent',
  'MemoExoticComponent',
]);

/** The names of React's types that say what a component takes: `FC<Props>`. */
export const isComponentType = (own: string | undefined): boolean =>
  own !== undefined && COMPONENT_TYPES.has(own);

/** Types that React defines, by the name that the file uses for them. */
export function reactTypes(names: ReactNames): NamedType {
  return (name, args) => {
    if (name === 'JSX.Element' || name === 'JSX.Node') return { t: 'content' };
    const own = names.own(name);
    if (own === undefined) return undefined;
    if (CONTENT.has(own)) return { t: 'content' };
    if (own === 'PropsWithChildren') {
      const children: TypeExpr = {
        t: 'object',
        members: [{ name: 'children', type: { t: 'content' }, optional: true, start: -1, end: -1 }],
      };
      return { t: 'all', of: [...args(), children] };
    }
    if (/EventHandler$/.test(own)) return { t: 'handler' };
    if (own === 'Key') return { t: 'union', of: [prim('string'), prim('number'), prim('bigint')] };
    if (own === 'Dispatch') {
      return { t: 'fn', params: [{ name: 'value', type: UNKNOWN }], returns: prim('void') };
    }
    return UNKNOWN;
  };
}
