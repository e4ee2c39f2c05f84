/** Components inside of what is put around them: React's own wrappers, and functions of others. */
import type * as t from '@babel/types';
import { isFunction } from '../script/scope';
import { keyName, memberName, typeArguments } from '../script/type-expr';
import { unwrap } from '../script/unit';
import { calledHook } from './dialect';
import type { ReactNames } from './names';

export interface Unwrapped {
  node: t.Node;
  /** React's own wrappers, and whether another one is around. */
  wrappers: string[];
  foreign: boolean;
  /** The type of its props that a wrapper is told. */
  props?: t.Node;
}

/** Functions that call what they are given, and make no component of it. */
const CALLS_BACK = /(^|\.)(use[A-Z]\w*|map|flatMap|forEach|filter|reduce|find|then)$/;

/**
 * Takes a component out of `memo(forwardRef(…))`, and of functions of others, one inside of the other, called once or
 * twice: `observer(function Card() {…})`, `withWind(connect(…)(() => …))`, a tagged template. Gives what is left where
 * there is none.
 */
export function unwrapComponent(names: ReactNames, start: t.Node): Unwrapped {
  const wrappers: string[] = [];
  let foreign = false;
  let props: t.Node | undefined;
  let node = unwrap(start);
  while (node.type === 'CallExpression' || node.type === 'TaggedTemplateExpression') {
    const own = node.type === 'CallExpression' ? calledHook(names, node) : undefined;
    let next: t.Node | undefined;
    if (node.type === 'CallExpression' && (own === 'memo' || own === 'forwardRef')) {
      props ??= typeArguments(node)[own === 'memo' ? 0 : 1];
      wrappers.push(own);
      next = node.arguments.find((arg) => arg.type !== 'SpreadElement');
    } else if (node.type === 'CallExpression' && memberName(node.callee) === 'Object.assign') {
      next = node.arguments[0];
    } else if (own === undefined) {
      next = givenTo(names, node) ?? (node.type === 'CallExpression' ? drawnBy(node) : undefined);
      if (next) foreign = true;
    }
    if (!next) break;
    node = unwrap(next);
  }
  return { node, wrappers, foreign, ...(props ? { props } : {}) };
}

const isComponentCode = (node: t.Node): boolean =>
  node.type === 'ClassExpression' || (isFunction(node) && node.hasMarkup === true);

/** What a function of others is given that is a component, or leads to one; of several functions the one that draws. */
function givenTo(names: ReactNames, node: t.Node): t.Node | undefined {
  if (node.type === 'TaggedTemplateExpression') return givenTo(names, unwrap(node.tag));
  // What is chained to a call goes on with what it made: `styled(Card).attrs(…)`.
  if (node.type === 'MemberExpression') return givenTo(names, unwrap(node.object));
  if (node.type !== 'CallExpression') return undefined;
  const own = calledHook(names, node);
  if (own === 'memo' || own === 'forwardRef') return node;
  // What the page offers takes functions to call them, not to make components of them.
  if (own !== undefined || !isBoundName(node.callee) || CALLS_BACK.test(memberName(node.callee) ?? ''))
    return undefined;
  const given = node.arguments.map(unwrap);
  const code = given.find(isComponentCode);
  if (code) return code;
  for (const one of given) {
    const isMade = one.type === 'CallExpression' || one.type === 'TaggedTemplateExpression';
    if (isMade && givenTo(names, one)) return one;
  }
  return given.find((one) => isFunction(one)) ?? givenTo(names, unwrap(node.callee));
}

/** A name, or one of its members, that the file imports or declares. */
export function isBoundName(node: t.Node): boolean {
  let at = unwrap(node);
  while (at.type === 'MemberExpression' || at.type === 'CallExpression')
    at = unwrap(at.type === 'MemberExpression' ? at.object : at.callee);
  return at.type === 'Identifier' && at.binding !== undefined;
}

/** `makePart('button')({ Component: (props) => … })`: the function that draws, in an object of settings. */
function drawnBy({ arguments: given }: t.CallExpression): t.Function | undefined {
  for (const arg of given) {
    const object = unwrap(arg);
    if (object.type !== 'ObjectExpression') continue;
    for (const one of object.properties) {
      const name = one.type === 'SpreadElement' ? undefined : keyName(one);
      if (name === undefined || !/^([Cc]omponent|render)$/.test(name)) continue;
      const value = one.type === 'ObjectProperty' ? unwrap(one.value) : one;
      if (isFunction(value) && value.hasMarkup) return value;
    }
  }
  return undefined;
}
