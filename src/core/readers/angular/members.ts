/** What members of a class are: inputs, outputs, handles, what is asked for, signals. */
import type * as t from '@babel/types';
import type { EmitFact, PortFact } from '../../model/facts';
import { type TypeExpr, UNKNOWN, widen } from '../../model/types';
import { type ClassDialect, type ClassMember, type FieldKind, readMethod } from '../script/classes';
import { readFunction } from '../script/functions';
import { declarePattern } from '../script/patterns';
import { portSymbol } from '../script/ports';
import { annotationOf, keyName, memberName, readType, typeArguments } from '../script/type-expr';
import { addSymbol, noteRead, SETUP, spanOf, typeOf, unwrap, use } from '../script/unit';
import { readInject, readParameter } from './asks';
import { readDerived } from './dialect';
import { type Decorated, decoratorsOf, type Metadata, metadata, textOf } from '../script/decorators';
import { calledOwn, eventPort } from './names';
import { type AngularUnit, isAngularUnit } from './unit';

const QUERY = /^(View|Content)Child(ren)?$/;
const QUERY_CALL = /^(view|content)Child(ren)?(\.required)?$/;

/** Fields of services and of plain classes: `open = signal(false)`, `count = computed(() => …)`. */
const signalField =
  (names: (local: string) => string | undefined): FieldKind =>
  (value) => {
    const name = calledOwn(names, value);
    const call = value as t.CallExpression;
    if (name === 'signal')
      return {
        kind: 'state',
        read: (u, ctx) =>
          call.arguments[0]
            ? use(u, u.expr(call.arguments[0], ctx), ctx)
            : { kind: 'computed', ...spanOf(call) },
      };
    if (name && /^(computed|linkedSignal|toSignal)$/.test(name))
      return { kind: 'derived', read: (u, ctx) => readDerived(u, name, call, ctx) };
    return undefined;
  };

/** `isMade`: an injector makes its objects, and hands in what the constructor takes. */
export function classDialect(u: AngularUnit, isMade: boolean): ClassDialect {
  return {
    fieldKind: signalField(u.angular.names),
    typed: true,
    hooks: { first: /^ngOnInit$/, renews: /^(ngOnChanges|ngDoCheck|ngAfter(View|Content)Checked)$/ },
    member: (unit, name, node) => (isAngularUnit(unit) ? readMember(unit, name, node) : undefined),
    parameter: (unit, node) => isMade && isAngularUnit(unit) && readParameter(unit, node, SETUP),
  };
}

const isHidden = (node: ClassMember): boolean =>
  ('accessibility' in node && (node.accessibility === 'private' || node.accessibility === 'protected')) ||
  node.key.type === 'PrivateName';

/** Takes over what the framework gives a meaning; gives back what is read when all members are there. */
function readMember(u: AngularUnit, name: string, node: ClassMember): (() => void) | undefined {
  if (isHidden(node)) u.hidden.add(name);
  const decorators = decoratorsOf(node, u.angular.names);
  if (decorators.some((one) => one.name === 'HostBinding')) u.bound.add(name);
  const input = decorators.find((one) => one.name === 'Input');
  if (input) return declareInput(u, name, node, input);
  const output = decorators.find((one) => one.name === 'Output');
  if (output) return declareOutput(u, name, node, textOf(output.args[0]) ?? name);
  const query = decorators.find((one) => QUERY.test(one.name));
  if (query) return declareQuery(u, name, node, query.name, query.args, false);
  if (name === 'ngOnChanges' && node.type === 'ClassMethod') declareChanges(u, node.params[0]);
  if (node.type === 'ClassMethod' || node.type === 'ClassPrivateMethod' || !node.value) return undefined;
  return readField(u, name, node, unwrap(node.value));
}

/** `ngOnChanges(changes)`: by the names of the inputs, what these are now and were before. */
function declareChanges(u: AngularUnit, param: t.Node | undefined): void {
  if (param?.type !== 'Identifier' || !param.binding) return;
  u.changes = addSymbol(u, { name: param.name, kind: 'derived', ...spanOf(param) }, param.binding);
}

type Field = Exclude<ClassMember, t.ClassMethod | t.ClassPrivateMethod>;

function readField(u: AngularUnit, name: string, node: Field, value: t.Node): (() => void) | undefined {
  const own = calledOwn(u.angular.names, value);
  if (own === undefined) return undefined;
  const call = value as t.CallExpression;
  if (own === 'input' || own === 'input.required' || own === 'model' || own === 'model.required')
    return declareSignalInput(u, name, node, call, own);
  if (own === 'output' || own === 'outputFromObservable') return declareSignalOutput(u, name, node, call);
  if (QUERY_CALL.test(own)) return declareQuery(u, name, node, own, call.arguments, true);
  if (own === 'inject') {
    const asked = readInject(u, call, SETUP);
    if (asked?.symbol === undefined) return undefined;
    const fact = u.facts.symbols[asked.symbol]!;
    Object.assign(fact, { name, ...spanOf(node.key) });
    u.members.set(name, asked.symbol);
    return () => undefined;
  }
  if (own === 'signal') {
    const symbol = addSymbol(u, { name, kind: 'state', ...spanOf(node.key) });
    u.members.set(name, symbol);
    u.signals.add(symbol);
    return () => {
      const [first] = call.arguments;
      const fact = u.facts.symbols[symbol]!;
      const [written] = typeArguments(call);
      if (first) fact.init = use(u, u.expr(first, SETUP), SETUP);
      const type = written ? readType(written, u.file.named) : widen(typeOf(u, first));
      if (type.t !== 'unknown') fact.type = type;
    };
  }
  if (/^(computed|linkedSignal|toSignal)$/.test(own)) {
    const symbol = addSymbol(u, { name, kind: 'derived', ...spanOf(node.key) });
    u.members.set(name, symbol);
    u.signals.add(symbol);
    return () => {
      const fact = u.facts.symbols[symbol]!;
      fact.init = readDerived(u, own, call, SETUP);
      const [written] = typeArguments(call);
      const type = written ? readType(written, u.file.named) : returned(typeOf(u, call.arguments[0]));
      if (own === 'computed' && type.t !== 'unknown') fact.type = type;
    };
  }
  return undefined;
}

function returned(type: TypeExpr): TypeExpr {
  if (type.t === 'fn') return type.returns;
  return type.t === 'value' || type.t === 'sym' ? { t: 'ret', of: type } : UNKNOWN;
}

/** Adds a port under the name that call sites write, and the symbol of the member that holds it. */
function declarePort(u: AngularUnit, member: string, port: PortFact): number {
  const { name } = port;
  u.facts.ports.push(port);
  const symbol = addSymbol(u, { name: member, kind: 'prop', port: name, start: port.start, end: port.end });
  u.props.set(name, symbol);
  u.members.set(member, symbol);
  return symbol;
}

const optional = <K extends string, V>(key: K, value: V | undefined): { [k in K]?: V } =>
  value === undefined ? {} : ({ [key]: value } as { [k in K]: V });

/** `@Input({ required: true, alias: 'x' }) level: number` and accessors. */
function declareInput(
  u: AngularUnit,
  name: string,
  node: ClassMember,
  { args }: Decorated,
): (() => void) | undefined {
  const options = metadata(args[0]);
  const alias = textOf(args[0]) ?? textOf(options.get('alias')) ?? name;
  const known = u.facts.ports.find((one) => one.name === alias);
  if (known) return undefined;
  const isMethod = node.type === 'ClassMethod' || node.type === 'ClassPrivateMethod';
  const setter = isMethod ? accessor(u, name, 'set') : undefined;
  const annotation = isMethod ? setter?.params[0] && annotationOf(setter.params[0]) : annotationOf(node);
  const value = isMethod ? undefined : node.value;
  const written = annotation ? readType(annotation, u.file.named) : value ? widen(typeOf(u, value)) : UNKNOWN;
  const converts =
    options.get('transform') !== undefined ||
    acceptsOthers(u, name) ||
    (setter && isPlain(written) && convertsGiven(setter));
  const isOptional = !isMethod && 'optional' in node && node.optional === true;
  const required = options.isTrue('required');
  const symbol = declarePort(u, name, {
    name: alias,
    channel: 'prop',
    declared: 'list',
    ...(alias === name ? {} : { member: name }),
    ...(required ? { required } : {}),
    ...(!required &&
    annotation &&
    !isMethod &&
    !value &&
    !isOptional &&
    !mayBeNothing(written) &&
    'definite' in node &&
    node.definite
      ? { expected: true }
      : {}),
    ...(converts || written.t === 'unknown' ? {} : { type: written }),
    ...spanOf(node.key),
  });
  return () => {
    const port = u.facts.ports.find((one) => one.name === alias)!;
    if (value) port.default = use(u, u.expr(value, SETUP), SETUP);
    if (value) port.default!.type ??= typeOf(u, value);
    if (setter) readSetter(u, setter, symbol);
    const getter = accessor(u, name, 'get');
    if (getter) readAccessor(u, name, getter);
  };
}

/** What a getter works out is what the class reads by the name. */
function readAccessor(u: AngularUnit, name: string, getter: t.ClassMethod): void {
  const derived = addSymbol(u, { name, kind: 'derived', ...spanOf(getter.key) });
  readMethod(u, derived, getter);
  u.members.set(name, derived);
}

/** What is handed in is the setter's parameter; setting it is something that the class does. */
function readSetter(u: AngularUnit, setter: t.ClassMethod, symbol: number): void {
  const [param] = setter.params;
  if (param?.type === 'Identifier' && param.binding) u.refs.set(param.binding, symbol);
  else if (param)
    declarePattern(u, param, { kind: 'identity', symbol, ...spanOf(param) }, SETUP, { kind: 'derived' });
  const { fn } = readFunction(u, setter, { ...SETUP, where: 'effect' }, 'effect');
  u.facts.functions[fn!]!.onInput = u.facts.symbols[symbol]!.port!;
  // That it is handed in at all is what counts.
  const isIdle = param?.type === 'Identifier' && param.binding?.uses.length === 0;
  if (isIdle && setter.body.body.length) noteRead(u, symbol, spanOf(param), { ...SETUP, where: 'effect' });
}

function accessor(u: AngularUnit, name: string, kind: 'get' | 'set'): t.ClassMethod | undefined {
  const body = (u.node as t.Class).body.body;
  return body.find(
    (one): one is t.ClassMethod => one.type === 'ClassMethod' && one.kind === kind && keyName(one) === name,
  );
}

/** `static ngAcceptInputType_lit: boolean | ''`: templates may hand over something else than what the class reads. */
const acceptsOthers = (u: AngularUnit, name: string): boolean =>
  (u.node as t.Class).body.body.some(
    (one) => one.type === 'ClassProperty' && one.static && keyName(one) === `ngAcceptInputType_${name}`,
  );

const isPlain = (type: TypeExpr): boolean =>
  type.t === 'union' ? type.of.every(isPlain) : type.t === 'prim' || type.t === 'lit';

/** `set lit(lit: boolean) { this.kept = toBoolean(lit); }`: it makes what it keeps of whatever it is given. */
function convertsGiven({ params, body }: t.ClassMethod): boolean {
  const [param] = params;
  const isGiven = (node: t.Node): boolean => {
    const bare = unwrap(node);
    return bare.type === 'Identifier' && param?.type === 'Identifier' && bare.binding === param.binding;
  };
  const isMade = (node: t.Node): boolean => {
    const bare = unwrap(node);
    if (bare.type === 'ConditionalExpression') return isMade(bare.consequent) || isMade(bare.alternate);
    return (
      bare.type === 'CallExpression' && bare.callee.type === 'Identifier' && bare.arguments.some(isGiven)
    );
  };
  return body.body.some(
    (one) =>
      one.type === 'ExpressionStatement' &&
      one.expression.type === 'AssignmentExpression' &&
      isMade(one.expression.right),
  );
}

const mayBeNothing = (type: TypeExpr): boolean =>
  type.t === 'unknown' ||
  type.t === 'any' ||
  (type.t === 'lit' && (type.v === null || type.v === undefined)) ||
  (type.t === 'union' && type.of.some(mayBeNothing));

/** `level = input.required<number>()`, `value = model(0)` */
function declareSignalInput(
  u: AngularUnit,
  name: string,
  node: Field,
  call: t.CallExpression,
  own: string,
): () => void {
  const required = own.endsWith('.required');
  const isModel = own.startsWith('model');
  const [first, second] = call.arguments;
  const options = metadata(required ? first : second);
  const alias = textOf(options.get('alias')) ?? name;
  const value = required ? undefined : first;
  const [written, given] = typeArguments(call);
  const converts = options.get('transform') !== undefined;
  const type = converts
    ? given
      ? readType(given, u.file.named)
      : UNKNOWN
    : written
      ? readType(written, u.file.named)
      : value
        ? widen(typeOf(u, value))
        : UNKNOWN;
  const symbol = declarePort(u, name, {
    name: alias,
    channel: 'prop',
    declared: 'list',
    ...(alias === name ? {} : { member: name }),
    ...(required ? { required } : {}),
    ...optional('type', type.t === 'unknown' ? undefined : type),
    ...spanOf(node.key),
  });
  u.signals.add(symbol);
  if (isModel) {
    const port = eventPort(`${alias}Change`);
    u.facts.ports.push({
      name: port,
      channel: 'event',
      declared: 'list',
      implied: true,
      type: payload(type),
      ...spanOf(node.key),
    });
    portSymbol(u, port, 'event', spanOf(node.key));
    u.models.set(symbol, port);
  }
  return () => {
    if (!value) return;
    const given = use(u, u.expr(value, SETUP), SETUP);
    given.type ??= typeOf(u, value);
    if (given.type.t === 'lit' && given.type.v === undefined) return;
    u.facts.ports.find((one) => one.name === alias)!.default = given;
  };
}

const payload = (type: TypeExpr): TypeExpr => ({
  t: 'fn',
  params: [{ name: '$event', type }],
  returns: UNKNOWN,
});

/** `@Output() held = new EventEmitter<number>()` */
function declareOutput(u: AngularUnit, name: string, node: ClassMember, alias: string): () => void {
  const value = 'value' in node && node.value ? unwrap(node.value) : undefined;
  const annotation = annotationOf(node);
  const held = value?.type === 'NewExpression' ? typeArguments(value)[0] : typeArgumentOf(annotation);
  const type = held ? readType(held, u.file.named) : UNKNOWN;
  const raised = declareEvent(u, name, node, alias, type, isOwnEmitter(value));
  return () => {
    if (value && !isOwnEmitter(value)) comesFrom(u, raised, value);
  };
}

const isOwnEmitter = (value: t.Node | undefined): boolean =>
  value?.type === 'NewExpression' && /(EventEmitter|Subject)$/.test(memberName(value.callee) ?? '');

const typeArgumentOf = (annotation: t.Node | undefined): t.Node | undefined =>
  annotation ? typeArguments(annotation)[0] : undefined;

function declareSignalOutput(u: AngularUnit, name: string, node: Field, call: t.CallExpression): () => void {
  const isOwn = calledOwn(u.angular.names, call) === 'output';
  const options = metadata(call.arguments[isOwn ? 0 : 1]);
  const alias = textOf(options.get('alias')) ?? name;
  const [written] = typeArguments(call);
  const type = written ? readType(written, u.file.named) : UNKNOWN;
  const raised = declareEvent(u, name, node, alias, type, isOwn);
  return () => {
    if (!isOwn && call.arguments[0]) comesFrom(u, raised, call.arguments[0]);
  };
}

/** What comes from elsewhere is what it is raised with. */
function comesFrom(u: AngularUnit, raised: EmitFact | undefined, source: t.Node): void {
  const { type: _, ...value } = use(u, u.expr(source, SETUP), SETUP);
  if (raised) raised.args = [value];
}

/** `raises`: it is raised by the class alone; what comes from elsewhere is raised whenever that comes, which is given back. */
function declareEvent(
  u: AngularUnit,
  member: string,
  node: ClassMember,
  name: string,
  type: TypeExpr,
  raises: boolean,
): EmitFact | undefined {
  const symbol = declarePort(u, member, {
    name: eventPort(name),
    channel: 'event',
    declared: 'list',
    ...(name === member ? {} : { member }),
    ...optional('type', type.t === 'unknown' ? undefined : payload(type)),
    ...spanOf(node.key),
  });
  if (raises) return undefined;
  const raised: EmitFact = {
    symbol,
    event: eventPort(name),
    args: [],
    fn: -1,
    guarded: true,
    how: 'handed',
    ...spanOf(node.key),
  };
  u.facts.emits.push(raised);
  return raised;
}

/** `@ViewChild(Boom) boom`, `rail = viewChild<ElementRef>('rail')` */
function declareQuery(
  u: AngularUnit,
  name: string,
  node: ClassMember,
  how: string,
  args: t.Node[],
  isSignal: boolean,
): () => void {
  const isSetter = node.type === 'ClassMethod' && node.kind === 'set';
  const many = /ren(\.|$)/.test(how);
  const nested = /^content/i.test(how);
  const options: Metadata = metadata(args[1]);
  const symbol = addSymbol(u, {
    name,
    kind: many ? 'derived' : 'ref',
    ...(many || nested ? {} : { empty: true }),
    ...(options.get('static') ? { soon: true as const } : {}),
    ...spanOf(node.key),
  });
  u.members.set(name, symbol);
  if (args[0]) u.angular.said.push(spanOf(args[0]));
  if (isSignal) u.signals.add(symbol);
  const text = textOf(args[0]);
  const component = args[0] && text === undefined ? memberName(unwrap(args[0])) : undefined;
  if (nested || many || isSetter || u.facts.attached || options.get('read')) {
    // What is found is somebody else's, many things, another side of one, or handed to code.
    u.facts.symbols[symbol]!.kind = 'derived';
    delete u.facts.symbols[symbol]!.empty;
    if (nested && !many && !isSetter && text !== undefined) u.lookedFor.set(symbol, text);
    if (nested && component !== undefined) (u.facts.asksContent ??= []).push(component);
    return () => {
      if (isSetter) readSetter(u, node, symbol);
    };
  }
  if (text !== undefined)
    for (const one of text.split(/\s*,\s*/)) u.wanted.set(one, [...(u.wanted.get(one) ?? []), symbol]);
  else if (component !== undefined) (u.facts.queries ??= []).push({ symbol, component });
  else u.facts.symbols[symbol]!.kind = 'derived';
  return () => undefined;
}

/** A port that a text declares: the member that it names is one from now on. */
export function declareListed(
  u: AngularUnit,
  channel: 'prop' | 'event',
  member: string,
  alias: string,
  { required, start, end }: { required: boolean; start: number; end: number },
): void {
  const name = channel === 'event' ? eventPort(alias) : alias;
  const symbol = u.members.get(member);
  if (symbol === undefined || u.inherited.has(member)) {
    const known = [...u.members.keys()];
    if (!u.facts.ports.some((one) => one.name === name))
      (u.facts.orphans ??= []).push({ name: member, port: name, channel, known, start, end });
  }
  if (u.facts.ports.some((one) => one.name === name)) return;
  const fact = symbol === undefined ? undefined : u.facts.symbols[symbol]!;
  u.facts.ports.push({
    name,
    channel,
    declared: 'list',
    ...(member === alias ? {} : { member }),
    ...(required ? { required } : {}),
    ...(channel === 'prop' && fact?.type ? { type: fact.type } : {}),
    ...(channel === 'prop' && fact?.init ? { default: fact.init } : {}),
    start,
    end,
  });
  if (!fact) return;
  fact.kind = 'prop';
  fact.port = name;
  delete fact.init;
  u.props.set(name, symbol!);
}

/** What the host shows of a member, the class need not read. */
export function readBound(u: AngularUnit): void {
  for (const name of u.bound) {
    const symbol = u.members.get(name);
    if (symbol !== undefined) noteRead(u, symbol, u.facts.symbols[symbol]!, { ...SETUP, where: 'attribute' });
  }
}

/** Of a component, all members that others may use: what a handle on it reaches. */
export function exposeMembers(u: AngularUnit): void {
  const members = [...u.members].flatMap(([name, symbol]) => {
    if (u.hidden.has(name) || u.inherited.has(name)) return [];
    const { kind, start, end } = u.facts.symbols[symbol]!;
    return [{ name, start, end, ...(kind === 'ref' ? { handle: true } : {}) }];
  });
  u.facts.exposes = [{ port: 'ref', members, ...(u.openMembers ? { open: true } : {}) }];
}
