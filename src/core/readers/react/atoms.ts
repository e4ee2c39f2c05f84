/**
 * Atoms: single values that modules keep for all components, by the public interface of the packages that make them.
 * `const wind = atom(0)`, `const [value, setValue] = useAtom(wind)`, `atom((get) => get(wind) * 2)`.
 */
import type * as t from '@babel/types';
import type { ExprFact, ImportFact } from '../../model/facts';
import { workedOut } from '../script/results';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { type Binding, isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import {
  addState,
  addSymbol,
  type Call,
  type Ctx,
  spanOf,
  typeOf,
  type Unit,
  unwrap,
  use,
} from '../script/unit';
import { noteWrite } from '../script/writes';

type Offer = 'atom' | 'described' | 'pair' | 'value' | 'setter';

const OFFERS: Record<string, Record<string, Offer>> = {
  jotai: { atom: 'atom', useAtom: 'pair', useAtomValue: 'value', useSetAtom: 'setter' },
  recoil: {
    atom: 'described',
    selector: 'described',
    useRecoilState: 'pair',
    useRecoilValue: 'value',
    useSetRecoilState: 'setter',
  },
};

export interface Atoms {
  /** What a call is of such a package. */
  offer(node: t.Node): Offer | undefined;
  /** Parameters that read and write other atoms inside of one. */
  reads: Set<Binding>;
  writes: Set<Binding>;
}

/** What a file calls of these packages, or undefined if it imports none. */
export function atomsOf(imports: ImportFact[]): Atoms | undefined {
  const known = new Map(
    imports.flatMap(({ from, name, local }) => {
      const offer = OFFERS[from]?.[name];
      return offer ? [[local, offer] as const] : [];
    }),
  );
  if (!known.size) return undefined;
  return {
    offer(node) {
      const call = unwrap(node);
      return call.type === 'CallExpression' ? known.get(memberName(call.callee) ?? '') : undefined;
    },
    reads: new Set(),
    writes: new Set(),
  };
}

/** Declares an atom of the module, or what a component takes of one; gives back whether it is one. */
export function declareAtom(u: Unit, pattern: t.LVal, init: t.Expression, atoms: Atoms, ctx: Ctx): boolean {
  const offer = atoms.offer(init);
  const [first, second] = offer ? (unwrap(init) as t.CallExpression).arguments : [];
  if (!offer || !first) return false;
  switch (offer) {
    case 'atom':
      return declareKept(u, pattern, first, second, atoms, ctx);
    case 'described': {
      const [value, sets] = describedBy(first);
      return value !== undefined && declareKept(u, pattern, value, sets, atoms, ctx);
    }
    case 'pair': {
      if (pattern.type !== 'ArrayPattern') return false;
      const [value, setter] = pattern.elements;
      const atom = u.expr(first, ctx);
      if (value) declarePattern(u, value, atom, ctx, { kind: 'derived', type: typeOf(u, first) });
      if (setter) declareSetter(u, setter, atom);
      return true;
    }
    case 'setter':
      return declareSetter(u, pattern, u.expr(first, ctx));
    case 'value':
      return false;
  }
}

/** The value that an object describes an atom by, and the function that is called with what is written to it. */
function describedBy(node: t.Node): [t.Node?, t.Node?] {
  const object = unwrap(node);
  if (object.type !== 'ObjectExpression') return [];
  const member = (...names: string[]): t.Node | undefined => {
    const found = object.properties.find(
      (one) => one.type !== 'SpreadElement' && names.includes(keyName(one) ?? ''),
    );
    return found?.type === 'ObjectProperty'
      ? unwrap(found.value)
      : found?.type === 'ObjectMethod'
        ? found
        : undefined;
  };
  return [member('default', 'get'), member('set')];
}

function declareKept(
  u: Unit,
  pattern: t.LVal,
  first: t.Node,
  second: t.Node | undefined,
  atoms: Atoms,
  ctx: Ctx,
): boolean {
  if (pattern.type !== 'Identifier' || u.facts.role !== 'module') return false;
  const made = unwrap(first);
  const sets = second && unwrap(second);
  const written = sets && isFunction(sets) ? readWriter(u, sets, atoms, ctx) : undefined;
  if (!isFunction(made)) {
    const value = { ...use(u, u.expr(made, ctx), ctx), ...(written === undefined ? {} : { sets: written }) };
    addState(u, pattern, value, typeOf(u, made));
    return true;
  }
  note(atoms.reads, made.params[0], 'get');
  const value = workedOut(u, readFunction(u, made, ctx, 'derivation'));
  const init = { ...value, ...(written === undefined ? {} : { sets: written }) };
  addSymbol(u, { name: pattern.name, kind: 'derived', init, ...spanOf(pattern) }, pattern.binding);
  return true;
}

/** The function that is called with what is written to an atom; what it reads and writes others by is no argument. */
function readWriter(u: Unit, fn: t.Function, atoms: Atoms, ctx: Ctx): number | undefined {
  const [get, set, ...given] = fn.params;
  const isPattern = get?.type === 'ObjectPattern';
  note(atoms.reads, get, 'get');
  note(atoms.writes, isPattern ? get : set, 'set');
  const params = isPattern ? fn.params.slice(1) : given;
  return readFunction(u, { ...fn, params } as t.Function, ctx, 'handler').fn;
}

/** `get`, or `{ get }`. */
function note(into: Set<Binding>, param: t.Node | undefined, name: string): void {
  if (param?.type === 'Identifier' && param.binding) into.add(param.binding);
  if (param?.type !== 'ObjectPattern') return;
  for (const one of param.properties)
    if (one.type === 'ObjectProperty' && keyName(one) === name) note(into, one.value, name);
}

function declareSetter(u: Unit, id: t.Node, { symbol, uses = [] }: ExprFact): boolean {
  const of = symbol ?? uses[0];
  if (id.type !== 'Identifier' || of === undefined) return false;
  addSymbol(u, { name: id.name, kind: 'setter', of, ...spanOf(id) }, id.binding);
  return true;
}

/** A call that gives what an atom holds, or writes it; undefined for others. */
export function readAtomCall(u: Unit, call: Call, atoms: Atoms, ctx: Ctx): ExprFact | undefined {
  const [first, given] = call.arguments;
  if (!first) return undefined;
  if (atoms.offer(call) === 'value') return u.expr(first, ctx);
  const { binding } = call.callee as t.Identifier;
  if (!binding) return undefined;
  if (atoms.reads.has(binding)) return u.expr(first, ctx);
  if (!atoms.writes.has(binding)) return undefined;
  const value = given && use(u, u.expr(given, ctx), ctx);
  noteWrite(u, first, value, call, ctx);
  return { kind: 'computed', ...spanOf(call) };
}
