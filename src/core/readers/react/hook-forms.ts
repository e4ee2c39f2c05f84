/**
 * Forms, by the public interface of the package that keeps them: what is put into one under a name is read there. A form is
 * state of whoever makes it; who is handed it, or its `control`, has the same.
 */
import type * as t from '@babel/types';
import { ANY_MEMBER } from '../../model/code';
import type { ExprFact, ImportFact, KeyFact, MemberFact, Span } from '../../model/facts';
import { UNKNOWN } from '../../model/types';
import { memberKey } from '../script/constants';
import { addConsume } from '../script/contexts';
import { functionIn } from '../script/invokes';
import { declarePattern } from '../script/patterns';
import { resultOf } from '../script/results';
import { type Binding, isFunction } from '../script/scope';
import { keyName, memberName } from '../script/type-expr';
import {
  addFunction,
  addSymbol,
  type Call,
  type Ctx,
  isHeld,
  noteGiven,
  noteRead,
  spanOf,
  symbolOf,
  type Unit,
  unwrap,
  use,
  usesOf,
} from '../script/unit';

const PACKAGE = 'react-hook-form';

/** What forms that are provided are asked for by. */
const PROVIDED: KeyFact = { text: 'FormProvider' };

/** What a form is asked to do. */
const METHODS =
  /^(watch|getValues|setValue|reset|register|handleSubmit|resetField|trigger|setError|clearErrors)$/;

export interface Forms {
  /** The package's own names by those that the file gives them. */
  names: ReadonlyMap<string, string>;
  /** Variables that hold a form, or its `control`. */
  held: Set<Binding>;
  /** Functions of a form that have names of their own. */
  parts: Map<Binding, { method: string; form: ExprFact }>;
}

/** What a file calls of the package, or undefined if it imports nothing of it. */
export function formsOf(imports: ImportFact[]): Forms | undefined {
  const names = new Map(
    imports.flatMap(({ from, name, local }) => (from === PACKAGE ? [[local, name]] : [])),
  );
  return names.size ? { names, held: new Set(), parts: new Map() } : undefined;
}

/** Declares a form, or what is taken of one; gives back whether it is one. */
export function declareForm(u: Unit, pattern: t.LVal, init: t.Expression, forms: Forms, ctx: Ctx): boolean {
  const call = unwrap(init);
  if (pattern.type === 'ObjectPattern' && call.type === 'Identifier') {
    const form = formOf(u, call, forms);
    // What was handed in is a form if it is taken apart like one.
    const isForm = form && (forms.held.has(call.binding!) || pattern.properties.some(isOwnPart));
    return isForm === true && takeParts(u, pattern, form, forms, ctx);
  }
  if (call.type !== 'CallExpression') return false;
  const name = forms.names.get(memberName(call.callee) ?? '');
  const isMade = name === 'useForm';
  if (!isMade && name !== 'useFormContext') return false;
  const id = pattern.type === 'Identifier' ? pattern : undefined;
  const options = call.arguments.map((one) => use(u, u.expr(one, ctx), ctx));
  const form = isMade ? keptBy(u, id ?? pattern, id, options[0]) : askedFor(u, pattern, id, ctx);
  if (id?.binding) forms.held.add(id.binding);
  return id !== undefined || (pattern.type === 'ObjectPattern' && takeParts(u, pattern, form, forms, ctx));
}

const isOwnPart = (one: t.ObjectProperty | t.RestElement): boolean =>
  one.type === 'ObjectProperty' && /^(setValue|getValues|handleSubmit|formState)$/.test(keyName(one) ?? '');

/** The state that a form is, with what it starts from. */
function keptBy(u: Unit, at: t.Node, id: t.Identifier | undefined, options: ExprFact | undefined): ExprFact {
  const given = options?.members?.find(({ name }) => name === 'defaultValues' || name === 'values')?.value;
  const fn = given && functionIn(u, given);
  const init = fn === undefined ? given : resultOf(u, given!, fn);
  const name = id?.name ?? 'form';
  const symbol = addSymbol(
    u,
    { name, kind: 'state', boxed: 'fields', ...spanOf(at), ...(init ? { init } : {}) },
    id?.binding,
  );
  return { kind: 'identity', symbol, ...spanOf(at) };
}

const askedFor = (u: Unit, at: t.Node, id: t.Identifier | undefined, ctx: Ctx): ExprFact =>
  addConsume(u, PROVIDED, spanOf(at), ctx, id, UNKNOWN, 'handled');

/** `const { register, control, formState: { errors } } = form` */
function takeParts(u: Unit, pattern: t.ObjectPattern, form: ExprFact, forms: Forms, ctx: Ctx): boolean {
  const other: ExprFact = { kind: 'computed', uses: [form.symbol!], ...spanOf(pattern) };
  noteRead(u, form.symbol!, spanOf(pattern), ctx);
  for (const property of pattern.properties) {
    const name = property.type === 'RestElement' ? undefined : keyName(property);
    const value = (property.type === 'RestElement' ? property.argument : property.value) as t.LVal;
    const binding = value.type === 'Identifier' ? value.binding : undefined;
    if (binding && name === 'control') {
      u.refs.set(binding, form.symbol!);
      forms.held.add(binding);
      continue;
    }
    if (binding && METHODS.test(name ?? '')) {
      forms.parts.set(binding, { method: name!, form });
      addSymbol(u, { name: binding.name, kind: 'module', ...spanOf(value) }, binding);
      continue;
    }
    declarePattern(u, value, other, ctx, { kind: 'derived' });
  }
  return true;
}

/** The form that an expression is: a variable that holds one, or, where the file deals with forms, what was handed in. */
function formOf(u: Unit, node: t.Node, forms: Forms): ExprFact | undefined {
  const bare = unwrap(node);
  if (bare.type === 'MemberExpression' || bare.type === 'OptionalMemberExpression') {
    return memberKey(bare) === 'control' ? formOf(u, bare.object, forms) : undefined;
  }
  if (bare.type !== 'Identifier') return undefined;
  const symbol = symbolOf(u, bare);
  if (symbol === undefined) return undefined;
  const form: ExprFact = { kind: 'identity', symbol, ...spanOf(bare) };
  const { kind, init } = u.facts.symbols[symbol]!;
  // What a hook of the project gives back may be one, too.
  const isGiven = kind === 'derived' && init?.from !== undefined;
  return (bare.binding && forms.held.has(bare.binding)) || isGiven || isInput(u, form) ? form : undefined;
}

/** `form.control` is the form, under another name. */
export function controlOf(
  u: Unit,
  node: t.MemberExpression | t.OptionalMemberExpression,
  forms: Forms,
  ctx: Ctx | undefined,
): ExprFact | undefined {
  if (memberKey(node) !== 'control' || unwrap(node.object).type !== 'Identifier') return undefined;
  const form = formOf(u, node.object, forms);
  if (!form) return undefined;
  if (ctx) noteRead(u, form.symbol!, spanOf(node), ctx);
  return { ...form, ...spanOf(node) };
}

const isInput = (u: Unit, { kind, symbol }: ExprFact): boolean =>
  kind === 'identity' && u.facts.symbols[symbol!]!.kind === 'prop';

/** `watch('speed')`, `form.setValue('speed', v)`, `useWatch({ control, name })`; undefined for any other call. */
export function readFormCall(u: Unit, call: Call, forms: Forms, ctx: Ctx): ExprFact | undefined {
  const callee = unwrap(call.callee);
  if (callee.type === 'Identifier') {
    const part = callee.binding && forms.parts.get(callee.binding);
    if (part) return ask(u, part.method, part.form, call, ctx);
    return hooked(u, forms.names.get(callee.name), call, forms, ctx);
  }
  if (callee.type !== 'MemberExpression' && callee.type !== 'OptionalMemberExpression') return undefined;
  const method = memberKey(callee);
  if (method === undefined || !METHODS.test(method)) return undefined;
  const form = formOf(u, callee.object, forms);
  return form && ask(u, method, form, call, ctx);
}

function ask(u: Unit, method: string, form: ExprFact, call: Call, ctx: Ctx): ExprFact | undefined {
  const [first, second, ...others] = call.arguments;
  const at = spanOf(call);
  switch (method) {
    case 'watch':
    case 'getValues': {
      if (!first || !isFunction(unwrap(first))) return valueUnder(u, form, first, at, ctx);
      // A function is told of all of it, whenever it changes.
      const told = use(u, u.expr(first, { ...ctx, where: 'effect' }), ctx, 'effect');
      noteGiven(u, functionIn(u, told), [{ ...form, ...at }]);
      return { kind: 'computed', ...at };
    }
    case 'setValue': {
      const value = second && use(u, u.expr(second, ctx), ctx, 'argument');
      for (const one of others) use(u, u.expr(one, ctx), ctx);
      write(u, form, pathTo(u, first, ctx), value, at, ctx);
      return { kind: 'computed', ...at };
    }
    case 'reset': {
      const value = first && use(u, u.expr(first, ctx), ctx, 'argument');
      if (second) use(u, u.expr(second, ctx), ctx);
      if (value) write(u, form, { path: [] }, value, at, ctx);
      return { kind: 'computed', ...at };
    }
    case 'register': {
      const to = pathTo(u, first, ctx);
      const rest = second && use(u, u.expr(second, ctx), ctx);
      return {
        kind: 'object',
        open: true,
        members: [{ name: 'onChange', value: writer(u, form, to, 0, at, ctx), ...at }],
        uses: rest ? usesOf(rest) : [],
        ...at,
      };
    }
    case 'handleSubmit': {
      const [taker, failed] = call.arguments.map((one) => use(u, u.expr(one, ctx), ctx, 'argument'));
      if (!taker) return undefined;
      noteGiven(u, functionIn(u, taker), [{ ...form, ...at }]);
      noteRead(u, form.symbol!, at, ctx);
      // The event that it is called with is none of what the function is given.
      return { kind: 'computed', wraps: [taker, ...(failed ? [failed] : [])], bound: 2, uses: [], ...at };
    }
  }
  return undefined;
}

/** The hooks that ask a form by its `control`, or the one that is provided. */
function hooked(u: Unit, hook: string | undefined, call: Call, forms: Forms, ctx: Ctx): ExprFact | undefined {
  if (!hook || !/^use(Watch|Controller|FieldArray)$/.test(hook)) return undefined;
  const [options] = call.arguments;
  const given = options && unwrap(options);
  const at = spanOf(call);
  const member = (name: string): t.Node | undefined => {
    const found = given?.type === 'ObjectExpression' ? given.properties : [];
    for (const one of found)
      if (one.type === 'ObjectProperty' && keyName(one) === name) return one.value as t.Node;
    return undefined;
  };
  const control = member('control');
  const form = control ? formOf(u, control, forms) : askedFor(u, call, undefined, ctx);
  if (!form) return undefined;
  const name = member('name');
  if (hook === 'useWatch') return valueUnder(u, form, name, at, ctx);
  if (hook === 'useController') return fieldOf(u, form, name, at, ctx);
  const to = pathTo(u, name, ctx);
  const entry = { ...to, path: [...to.path, ANY_MEMBER] };
  const put = (method: string, index: number, where = entry): MemberFact => ({
    name: method,
    value: writer(u, form, where, index, at, ctx),
    ...at,
  });
  return {
    kind: 'object',
    open: true,
    members: [
      { name: 'fields', value: valueAt(u, form, to, at, ctx), ...at },
      ...[put('append', 0), put('prepend', 0), put('insert', 1), put('update', 1), put('replace', 0, to)],
    ],
    ...at,
  };
}

/** Where a name leads in a form; where nobody sees the name, anywhere. */
interface To {
  path: string[];
  under?: ExprFact;
}

function pathTo(u: Unit, name: t.Node | undefined, ctx: Ctx): To {
  const bare = name && unwrap(name);
  if (bare?.type === 'StringLiteral') return { path: entries(bare.value) };
  const under = bare && use(u, u.expr(bare, ctx), ctx);
  return { path: [ANY_MEMBER], ...(under && isHeld(under) ? { under } : {}) };
}

/** `rows.0.speed`: the place of an entry is one of a list. */
const entries = (name: string): string[] =>
  name.split('.').map((one) => (/^\d+$/.test(one) ? ANY_MEMBER : one));

function valueUnder(u: Unit, form: ExprFact, name: t.Node | undefined, at: Span, ctx: Ctx): ExprFact {
  const bare = name && unwrap(name);
  const symbol = form.symbol!;
  if (!bare) {
    noteRead(u, symbol, at, ctx);
    return { ...form, ...at };
  }
  if (bare.type === 'ArrayExpression') {
    const elements = bare.elements.map((one) => valueUnder(u, form, one ?? undefined, at, ctx));
    return { kind: 'array', elements, uses: [symbol], ...at };
  }
  return valueAt(u, form, pathTo(u, bare, ctx), at, ctx);
}

/** What a form holds where a name leads. */
function valueAt(u: Unit, form: ExprFact, { path, under }: To, at: Span, ctx: Ctx): ExprFact {
  const symbol = form.symbol!;
  noteRead(u, symbol, at, ctx, under ? undefined : path);
  if (!path.includes(ANY_MEMBER)) return { kind: 'member', symbol, path, ...at };
  const isGiven = under !== undefined && u.facts.symbols[under.symbol!]!.kind === 'param';
  const picks = isGiven ? { picks: { of: form, under } } : {};
  return { kind: 'computed', uses: [symbol], entryOf: form, ...picks, ...at };
}

/** `{ field: { value, onChange } }`: what is under a name, and what writes it. */
function fieldOf(u: Unit, form: ExprFact, name: t.Node | undefined, at: Span, ctx: Ctx): ExprFact {
  const to = pathTo(u, name, ctx);
  const value = valueAt(u, form, to, at, ctx);
  const onChange = writer(u, form, to, 0, at, ctx);
  const members = [
    { name: 'value', value, ...at },
    { name: 'onChange', value: onChange, ...at },
  ];
  const field: ExprFact = { kind: 'object', members, ...at };
  return { kind: 'object', members: [{ name: 'field', value: field, ...at }], ...at };
}

function write(
  u: Unit,
  { symbol }: ExprFact,
  { path, under }: To,
  value: ExprFact | undefined,
  at: Span,
  ctx: Pick<Ctx, 'where' | 'fn'>,
): void {
  u.facts.writes.push({
    symbol: symbol!,
    ...(path.length ? { path, through: {} } : {}),
    ...(under ? { under } : {}),
    ...(value ? { value } : {}),
    // What was handed in is a form only if whoever handed it in has one.
    ...(u.facts.symbols[symbol!]!.kind === 'prop' ? { held: 'maybe' as const } : {}),
    where: ctx.where,
    fn: ctx.fn,
    start: at.start,
    end: at.end,
  });
}

/** A function that writes what it is called with, at a place of its parameters. */
function writer(u: Unit, form: ExprFact, to: To, index: number, at: Span, ctx: Ctx): ExprFact {
  const node = { type: 'Identifier', ...at } as t.Node;
  const fn = addFunction(u, node, ctx.fn, 'handler');
  const param = addSymbol(u, { name: 'value', kind: 'param', within: fn, index, ...at });
  u.facts.functions[fn]!.params = Array.from({ length: index + 1 }, (_, place) =>
    place === index ? param : -1,
  );
  write(u, form, to, { kind: 'identity', symbol: param, ...at }, at, { where: 'handler', fn });
  return { kind: 'function', fn, ...at };
}

/**
 * `<Controller control={control} name="speed" render={({ field }) => …} />`, and whatever tag hands the same to one: what
 * the function is given is the field of that name. `<FormProvider {...form}>` provides the form.
 */
export function readFormTag(u: Unit, index: number, node: t.JSXElement, forms: Forms, ctx: Ctx): void {
  const { name, attributes } = node.openingElement;
  const own = name.type === 'JSXIdentifier' ? forms.names.get(name.name) : undefined;
  const fact = u.facts.render[index]!;
  if (own === 'FormProvider') {
    const spread = attributes.find((one) => one.type === 'JSXSpreadAttribute');
    const form = spread && formOf(u, spread.argument, forms);
    const at = spanOf(name);
    if (form)
      u.facts.provides.push({
        key: PROVIDED,
        keyStart: at.start,
        keyEnd: at.end,
        value: form,
        node: index,
        where: 'setup',
        ...spanOf(node.openingElement),
      });
    return;
  }
  const render = fact.attributes.find((one) => one.name === 'render')?.value;
  if (render?.fn === undefined) return;
  const given = (wanted: string): t.Node | undefined => {
    const found = attributes.find((one) => one.type === 'JSXAttribute' && one.name.name === wanted);
    const value = found?.type === 'JSXAttribute' ? found.value : undefined;
    return value?.type === 'JSXExpressionContainer' ? value.expression : (value ?? undefined);
  };
  const control = given('control');
  // What is spread may bring another form than the one that is provided.
  const isAlone = own === 'Controller' && attributes.every((one) => one.type === 'JSXAttribute');
  const form = control ? formOf(u, control, forms) : isAlone ? askedFor(u, name, undefined, ctx) : undefined;
  const at = spanOf(node.openingElement);
  if (form) noteGiven(u, render.fn, [fieldOf(u, form, given('name'), { ...at, end: at.start + 1 }, ctx)]);
}
