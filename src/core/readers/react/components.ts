/** Which functions and classes of a file are components, helpers that draw, or neither. */
import type * as t from '@babel/types';
import { superArguments } from '../script/bases';
import { returnsOf } from '../script/choices';
import { isFunction, type NamedNode, type Scope } from '../script/scope';
import { eachChild } from '../script/walk';
import {
  annotationOf,
  entityName,
  memberName,
  readType,
  typeArguments,
  type NamedType,
} from '../script/type-expr';
import { isNamedLikeComponent } from '../../model/names';
import type { ComponentFacts } from '../../model/facts';
import type { TypeExpr } from '../../model/types';
import { unwrap } from '../script/unit';
import { calledHook } from './dialect';
import { isStateMaker } from './kept';
import { isComponentType, type ReactNames } from './names';
import type { Picker } from './selectors';
import { isBoundName, unwrapComponent } from './unwrapped';
import type { Maker } from './wrappers';

export interface Candidate {
  name: string;
  role: 'component' | 'helper';
  /** The function or class whose body is read. */
  node: t.Function | t.Class;
  /** Where the name is written, if anywhere. */
  id: t.Identifier | undefined;
  /** The module-level name by which the file knows it, if any. */
  local: string | undefined;
  propsType?: TypeExpr;
  /** Wrapped by a function that React does not define. */
  wrapped: boolean;
  /** Handed on as a value. */
  injected: boolean;
  /** Which of its own type parameters is what it takes. */
  propsParam?: number;
  /** A class whose base is one of the project or of a package. */
  inherits: boolean;
  /** The base class, where React does not define it. */
  extends?: NonNullable<ComponentFacts['extends']>;
  /** A class of no framework: what `new` makes of it keeps what its fields keep. */
  plain?: true;
  /** What its functions set goes on being there for whoever called it. */
  keeps?: true;
  /** The base draws in its place. */
  drawsBase?: boolean;
  /** A ref is handed in beside the props. */
  takesRef: boolean;
  /** It is made of functions that pick parts of a store. */
  picker?: Picker;
  /** The function of the module that makes it from the component it is given first. */
  within?: Maker;
}

/** Every return gives nothing, the children, or an element made by a call: a component without markup. */
function drawsNothing(node: t.Function, names: ReactNames): boolean {
  if (node.async || node.generator) return false;
  if (node.body.type !== 'BlockStatement') return isDrawn(unwrap(node.body), names) === 'drawn';
  let returns = 0;
  let drawn = true;
  const look = (part: t.Node) => {
    if (part.type === 'ReturnStatement' && part.argument) {
      returns++;
      if (!isDrawn(unwrap(part.argument), names)) drawn = false;
    }
    if (!isFunction(part)) eachChild(part, look);
  };
  node.body.body.forEach(look);
  return drawn && returns > 0;
}

/** `null` alone proves little; an element made by a call, or the children, proves a component. */
function isDrawn(value: t.Node, names: ReactNames): 'drawn' | 'nothing' | false {
  if (value.type === 'NullLiteral') return 'nothing';
  if (value.type === 'ConditionalExpression') {
    const arms = [value.consequent, value.alternate].map((one) => isDrawn(unwrap(one), names));
    return arms.includes(false) ? false : arms.includes('drawn') ? 'drawn' : 'nothing';
  }
  if (value.type === 'Identifier' && (value.name === 'children' || isMarkup(value))) return 'drawn';
  if (value.type === 'MemberExpression' && memberName(value) === 'props.children') return 'drawn';
  return /^(createElement|cloneElement|createPortal)$/.test(calledHook(names, value) ?? '') ? 'drawn' : false;
}

/** A name for markup: `const sign = <b />;`. */
function isMarkup({ binding }: t.Identifier): boolean {
  const made = binding?.kind === 'const' && binding.node.type === 'VariableDeclarator' && binding.node.init;
  return made ? /^JSX(Element|Fragment)$/.test(unwrap(made).type) : false;
}

/** A function that picks a part of what an app's store keeps: it is followed into, as hooks are. */
function isSelector({ params, body }: t.Function, name: string): boolean {
  const [first, second] = params;
  if (first?.type !== 'Identifier' || (second?.type === 'Identifier' && second.name === 'action'))
    return false;
  const type = annotationOf(first);
  const named = type?.type === 'TSTypeReference' ? entityName(type.typeName) : undefined;
  const isPick = /^select\p{Lu}|Selector$/u.test(name);
  const isState =
    named === undefined
      ? isPick || /^(state|rootState)$/.test(first.name)
      : (isPick ? /State$/ : /(^|\.)\w*(Root|App|Store)\w*State$/).test(named);
  return isState && (body.type !== 'BlockStatement' || body.body.at(-1)?.type === 'ReturnStatement');
}

/** It calls a hook itself, which only components and hooks do. */
function callsHook(node: t.Function): boolean {
  let found = false;
  const look = (part: t.Node) => {
    if (part.type === 'CallExpression' && /^([A-Z]\w*\.)?use[A-Z]\w*$/.test(memberName(part.callee) ?? ''))
      found = true;
    if (!found && !isFunction(part)) eachChild(part, look);
  };
  look(node.body);
  return found;
}

const isCall = (node: t.Node): boolean => unwrap(node).type === 'CallExpression';

const hasRender = (node: t.Class): boolean =>
  node.body.body.some(
    (member) =>
      (member.type === 'ClassMethod' || member.type === 'ClassProperty') &&
      !member.static &&
      member.key.type === 'Identifier' &&
      member.key.name === 'render',
  );

/** The props type that a variable's annotation gives: `const Card: FC<Props> = …`. */
function annotatedProps(names: ReactNames, id: t.Node | undefined): { props?: t.Node } | undefined {
  const type = annotationOf(id);
  if (type?.type !== 'TSTypeReference') return undefined;
  const own = names.own(entityName(type.typeName) ?? '');
  if (!isComponentType(own)) return undefined;
  const args = typeArguments(type);
  const props = own === 'ForwardRefRenderFunction' ? args[1] : args[0];
  return props ? { props } : {};
}

/** What draws no markup is a component all the same where it is a tag, or calls hooks under a name that hooks do not have. */
const isDrawnAs = ({ id, local }: NamedNode, node: t.Function): boolean =>
  !node.async &&
  !node.generator &&
  node.params.length <= 2 &&
  (id?.binding?.uses.some(({ role }) => role === 'tag') === true ||
    callsHook(node) ||
    (local !== undefined && takesProps(node)));

/** Whether a function that is a part of something by a component's name, `Menu.Item = …`, takes what components do. */
function takesProps({ params: [first], body }: t.Function): boolean {
  if (!first) return body.type === 'MemberExpression' || body.type === 'CallExpression';
  const given = first.type === 'AssignmentPattern' ? first.left : first;
  return given.type === 'ObjectPattern' || (given.type === 'Identifier' && given.name === 'props');
}

const isModule = (scope: Scope): boolean => scope.parent === undefined;

/** A quick look before the thorough one: most variables hold neither functions nor calls. */
const mayHold = (node: t.Node): boolean =>
  /(Function|Class|Call|Tagged|TSAs|TSSatisfies|Parenthesized)/.test(node.type);

function baseOf(node: t.Class, names: ReactNames, args: t.Node[]): Pick<Candidate, 'extends'> {
  const name = node.superClass ? memberName(node.superClass) : undefined;
  if (!name || names.own(name)) return {};
  const given = args.length ? { given: true as const } : {};
  return { extends: { name, ...given, start: node.superClass!.start!, end: node.superClass!.end! } };
}

/** The place among a class's own type parameters of the one that is what it takes: `class Dial<P> extends Component<P>`. */
function ownParameter(node: t.Class, given: t.Node | undefined): number | undefined {
  const params = (node.typeParameters as { params?: t.TSTypeParameter[] } | null | undefined)?.params ?? [];
  const name = given?.type === 'TSTypeReference' ? entityName(given.typeName) : undefined;
  const at = params.findIndex((one) => (one.name as unknown) === name);
  return at < 0 ? undefined : at;
}

/** A class of the module's own: what its objects keep belongs to whoever makes one. */
const plainClass = (one: NamedNode, node: t.Class, local: string): Candidate => ({
  name: local,
  role: 'helper',
  node,
  id: one.id ?? node.id ?? undefined,
  local,
  plain: true,
  wrapped: false,
  injected: false,
  inherits: false,
  takesRef: false,
});

/** The component or helper that a declaration holds, or undefined. `fallback` names an anonymous export. */
export function candidateOf(
  one: NamedNode,
  names: ReactNames,
  named: NamedType,
  fallback: string,
  /** It stands in a function that makes contexts. */
  inFactory = false,
): Candidate | undefined {
  if (!mayHold(one.node)) return undefined;
  const { node, wrappers, foreign, props } = unwrapComponent(names, one.node);
  const local = isModule(one.scope) ? (one.id?.name ?? one.local ?? 'default') : undefined;
  const isDefault = one.id === undefined && one.local === undefined;
  if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
    if (!node.superClass) return local === undefined ? undefined : plainClass(one, node, local);
    const own = /^(Pure)?Component$/.test(names.own(memberName(node.superClass) ?? '') ?? '');
    const draws = hasRender(node);
    if (!draws && !own && !isBoundName(node.superClass)) return undefined;
    const name = one.name ?? node.id?.name ?? fallback;
    const args = superArguments(node);
    const [type] = args;
    const param = ownParameter(node, type);
    return {
      name,
      // Without a word on what it draws, its base says what it is.
      role: draws || own ? 'component' : 'helper',
      node,
      id: one.id ?? node.id ?? undefined,
      local,
      ...(type ? { propsType: readType(type, named) } : {}),
      wrapped: foreign,
      injected: false,
      ...baseOf(node, names, args),
      ...(param === undefined ? {} : { propsParam: param }),
      ...(draws ? {} : { drawsBase: true }),
      inherits: !own,
      takesRef: true,
    };
  }
  if (!isFunction(node)) return undefined;
  const inner = node.type === 'FunctionExpression' ? node.id : undefined;
  const name = one.name ?? inner?.name ?? fallback;
  const annotated = annotatedProps(names, one.id);
  // What a call makes of a function that draws is a component if it is named like one; rows of a list are not.
  const wrapped =
    wrappers.length > 0 || (foreign && node.hasMarkup === true && (isNamedLikeComponent(name) || isDefault));
  const draws =
    node.hasMarkup === true ||
    (node.params.length <= 2 && drawsNothing(node, names)) ||
    (isNamedLikeComponent(name) && !foreign && isDrawnAs(one, node));
  const component =
    annotated !== undefined ||
    wrapped ||
    ((isNamedLikeComponent(name) || (isDefault && node.hasMarkup === true)) && draws);
  if (!component) {
    const isHook = (inFactory ? /^use([A-Z]|$)/ : /^use[A-Z]/).test(name) || isSelector(node, name);
    // What a call makes of a function is not that function.
    if (foreign && !node.hasMarkup) return undefined;
    if (names.creates && returnsOf(node).some((it) => isDrawn(unwrap(it), names) === 'drawn' && isCall(it)))
      node.hasMarkup = true;
    const keeps = isModule(one.scope) && isStateMaker(name, node);
    if (inFactory ? !isHook : !isModule(one.scope) || !(node.hasMarkup || isHook || keeps)) return undefined;
    return {
      name,
      role: 'helper',
      node,
      id: one.id,
      local,
      ...(keeps ? { keeps } : {}),
      wrapped: false,
      injected: false,
      inherits: false,
      takesRef: false,
    };
  }
  const first = node.params[0];
  const written = annotationOf(first?.type === 'AssignmentPattern' ? first.left : first);
  const type = written ?? annotated?.props ?? props;
  return {
    name,
    role: 'component',
    node,
    id: one.id ?? inner ?? undefined,
    local,
    ...(type ? { propsType: readType(type, named) } : {}),
    wrapped: foreign,
    injected: false,
    inherits: false,
    takesRef: wrappers.includes('forwardRef'),
  };
}
