/** One file of JavaScript or TypeScript to facts, as React means it. */
import type * as t from '@babel/types';
import type { ComponentFacts, ExprFact, FileFacts, ValueFact } from '../../model/facts';
import { isNamedLikeComponent, nameFromPath } from '../../model/names';
import { UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { takeParams, typeParams } from '../script/type-params';
import { readClassHelper } from '../script/classes';
import { settleCaptured } from '../script/captured';
import { settleEarly } from '../script/early';
import { declareParameter } from '../script/functions';
import type { InferContext } from '../script/infer';
import type { MarkupDialect } from '../script/jsx';
import { noteFound, readModuleFacts, readTypes } from '../script/modules';
import { newUnit } from '../script/new-unit';
import { parseScript } from '../script/parse';
import { declareBag } from '../script/patterns';
import { mentionsIn, type NamedNode, readScopes, type Scopes } from '../script/scope';
import { readStatements } from '../script/statements';
import { memberReads } from '../script/member-reads';
import { memberName } from '../script/type-expr';
import { place, placeGiven, shownBy } from '../script/placing';
import {
  type Dialect,
  emptyFacts,
  fileContext,
  type FileContext,
  handsOn,
  keepsState,
  moduleTypes,
  settleMissing,
  settleWhole,
  SETUP,
  spanOf,
  typeOf,
  type Unit,
  UNPLACED,
  unwrap,
  use,
} from '../script/unit';
import { partsGiven, staticMembers, takenApart, valueOf } from '../script/values';
import { atomsOf } from './atoms';
import { formsOf } from './hook-forms';
import { readClass, readDefaults } from './classes';
import { type Candidate, candidateOf } from './components';
import { comparedProps } from './compared';
import { calledHook, reactDialect } from './dialect';
import { reactMarkup, readConsumers } from './elements';
import { factoriesIn, readFactories } from './factories';
import { type Connected, connectedIn, readConnected } from './connected';
import { declareKept } from './kept';
import { REACT_TRAITS, type ReactNames, reactNames, reactTypes } from './names';
import { readPropTypes } from './prop-types';
import { readReducers } from './reducers';
import { noteOutlets, noteTables, type RouterNames, routerNames } from './routes';
import { sagaAnswers } from './sagas';
import { type Picker, pickerOf, readPicker } from './selectors';
import { keepsParts, readStores } from '../script/store-parts';
import { markAsking, readParts } from './slices';
import { type StoreCalls, storeCalls } from '../script/store-calls';
import { keeperMakers, storeMakers } from './stores';
import { makerOf, rendersGiven, wrapperOf } from './wrappers';

/** What all units of a file share. */
interface ReactFile {
  names: ReactNames;
  dialect: Dialect;
  markup: MarkupDialect;
  router: RouterNames;
  connected: Connected;
}

/** Reads a file. Never throws: what cannot be parsed gives facts with a problem. */
export function readReactFile(path: string, text: string): FileFacts {
  const facts = emptyFile(path);
  const parsed = parseScript(path, text);
  if ('problem' in parsed) return { ...facts, problem: parsed.problem };
  const { program, comments } = parsed;
  readModuleFacts(facts, program, comments, text);
  const names = reactNames(facts.imports, /\b(createElement|cloneElement|createPortal)\b/.test(text));
  const stores = storeCalls(facts.imports);
  markAsking(facts.imports);
  const named = reactTypes(names);
  facts.types = readTypes(program, named);
  const scopes = readScopes(program);
  const file = fileContext(path, text, named);
  const factories = factoriesIn(scopes, names);
  scopes.named.push(...partsMade(program, scopes));
  const candidates = findCandidates(scopes, names, file, factories, stores);
  if (factories.size) facts.factories = readFactories(scopes, factories, file);
  facts.values = readValues(program, scopes, candidates, names, file);
  const router = routerNames(facts.imports);
  const forms = formsOf(facts.imports);
  const react = {
    names,
    dialect: reactDialect(names, {
      makers: storeMakers(facts.imports),
      stores,
      atoms: atomsOf(facts.imports),
      forms,
      router,
    }),
    markup: reactMarkup(names, forms),
    router,
    connected: connectedIn(program, facts.imports),
  };
  readUnits(facts, candidates, react, file);
  readModule(facts, program, react, file, stores, keeperMakers(facts.imports));
  readParts(facts, partsIn(scopes, stores), stores);
  const answers = [...(file.answers ?? []), ...sagaAnswers(program, facts.imports)];
  if (answers.length) facts.answers = answers;
  readStatics(facts, program, moduleTypes(file));
  facts.mentions = readMentions(scopes, names);
  facts.elementReads = [...scopes.elementReads, ...comparedProps(scopes, names)];
  noteFound(facts, scopes);
  facts.mounts = names.hasDom && /\b(createRoot|hydrateRoot|hydrate|render)\s*\(/.test(text);
  if (facts.components.length) facts.language = 'react';
  if (isBesideComponents(facts)) facts.memberReads = memberReads(program);
  return facts;
}

/** Whether code that draws nothing imports what may be a class, of which it may hold objects. */
const isBesideComponents = ({ components, imports }: FileFacts): boolean =>
  components.every(({ role }) => role !== 'component') &&
  imports.some(({ local }) => /^\p{Lu}/u.test(local ?? ''));

function findCandidates(
  scopes: Scopes,
  names: ReactNames,
  file: FileContext,
  factories: Map<t.Node, string[]>,
  stores: StoreCalls,
): Map<NamedNode, Candidate> {
  const fallback = hookFromPath(file.path) ?? nameFromPath(file.path);
  const found = new Map<NamedNode, Candidate>();
  for (const one of scopes.named) {
    const within = makerOf(one.scope);
    const isNamed = isNamedLikeComponent(one.name ?? '');
    if (one.returned && !isNamed && !(within && rendersGiven(one.node, within))) continue;
    const inFactory = factories.has(one.scope.owner) && one.scope.parent !== undefined;
    const picker = pickerOf(one, stores);
    const candidate = picker
      ? pickerCandidate(one, picker)
      : candidateOf(one, names, file.named, within?.name ?? fallback, inFactory);
    if (!candidate || file.units.has(candidate.node)) continue;
    if (within) candidate.within = within;
    // Whoever gets it, or what it is a part of, may draw it.
    if (one.returned || one.local !== undefined) candidate.injected = true;
    if (one.scope.parent !== undefined && one.id?.binding) {
      file.inner.set(one.id.binding, found.size);
      if (one.id.binding.uses.some((use) => use.role === 'value')) candidate.injected = true;
    }
    found.set(one, candidate);
    file.units.set(candidate.node, candidate.name);
  }
  return found;
}

/** What a file exports without a name is a hook where the file is named like one: `usePages.ts`, `use-pages.ts`. */
function hookFromPath(path: string): string | undefined {
  const name = nameFromPath(path);
  const hook = name[0]!.toLowerCase() + name.slice(1);
  return /(^|\/)use[-\p{Lu}][^/]*$/u.test(path) && /^use\p{Lu}/u.test(hook) ? hook : undefined;
}

const pickerCandidate = ({ id, name }: NamedNode, picker: Picker): Candidate => ({
  name: name || 'default',
  role: 'helper',
  node: picker.fn,
  id,
  local: id?.name ?? 'default',
  wrapped: false,
  injected: false,
  inherits: false,
  takesRef: false,
  picker,
});

function readValues(
  program: t.Program,
  scopes: Scopes,
  candidates: Map<NamedNode, Candidate>,
  names: ReactNames,
  file: FileContext,
) {
  const ctx = moduleTypes(file);
  const own = (call: t.CallExpression) => calledHook(names, call);
  const values: ValueFact[] = [];
  let component = 0;
  for (const one of scopes.named) {
    const candidate = candidates.get(one);
    if (candidate) {
      if (candidate.local !== undefined) {
        const value: ValueFact = {
          name: candidate.local,
          kind: 'component',
          component,
          ...spanOf(one.id ?? one.node),
        };
        const members = partsGiven(one.node);
        if (members) value.members = members;
        if (candidate.role === 'helper') value.type = valueOf(one, own, ctx).type ?? UNKNOWN;
        values.push(value);
      }
      component++;
    } else if (one.scope.parent === undefined && one.local === undefined) values.push(valueOf(one, own, ctx));
  }
  values.push(...takenApart(program));
  return values;
}

/** What a build writes for older browsers takes the props from `arguments`. */
const readsArguments = ({ type, start, end }: t.Node, text: string): boolean =>
  type !== 'ArrowFunctionExpression' && /\barguments\b/.test(text.slice(start!, end!));

function readUnits(
  facts: FileFacts,
  candidates: Map<NamedNode, Candidate>,
  react: ReactFile,
  file: FileContext,
) {
  const { names } = react;
  const units: Unit[] = [];
  for (const candidate of candidates.values()) {
    const { node } = candidate;
    const name = candidate.id ? spanOf(candidate.id) : { start: 0, end: 0 };
    const component = emptyFacts(candidate.name, spanOf(node), name, REACT_TRAITS);
    component.role = candidate.role;
    component.wrapped = candidate.wrapped;
    component.injected = candidate.injected;
    // Without a parameter its props are for others to read, from the element.
    const idle =
      node.type !== 'ClassDeclaration' && node.type !== 'ClassExpression' && node.params.length === 0;
    if (
      (candidate.inherits && !candidate.extends) ||
      (idle && (candidate.propsType !== undefined || readsArguments(node, file.text)))
    )
      component.openProps = true;
    takeParams(component, typeParams(node, file.named));
    if (candidate.propsType) component.propsType = candidate.propsType;
    if (candidate.propsParam !== undefined) component.propsParam = candidate.propsParam;
    if (candidate.extends) {
      component.extends = candidate.extends;
      component.mixins = [candidate.extends.name];
    }
    if (candidate.takesRef) component.traits = { ...REACT_TRAITS, refExposes: 'everything' };
    const u = newUnit(component, node, react.dialect, file, react.markup);
    units.push(u);
    if (node.type === 'ClassDeclaration' || node.type === 'ClassExpression') {
      if (candidate.plain) readClassHelper(u, node, { fieldKind: () => undefined });
      else readClass(u, node, SETUP, names, candidate);
    } else if (candidate.picker) readPicker(u, candidate.picker);
    else {
      readParameters(u, node, candidate.role);
      if (candidate.role === 'component') noteClashes(u);
      if (node.body.type === 'BlockStatement') {
        const kept = candidate.keeps && declareKept(u, node.body);
        const rest = kept ? node.body.body.filter((one) => !kept.has(one)) : node.body.body;
        u.statements(rest, SETUP);
      } else {
        const body = use(u, u.expr(node.body, SETUP), SETUP, 'text');
        if (candidate.role === 'helper')
          component.result = { ...body, type: body.type ?? typeOf(u, node.body) };
        place(u, shownBy(u, body), -1);
      }
    }
    noteOutlets(u, react.router);
    const fed = candidate.role === 'component' ? react.connected.get(candidate.name) : undefined;
    if (fed) readConnected(u, fed);
    finish(u);
    const wrapper = candidate.within && wrapperOf(u, candidate.within, facts.components.length);
    if (wrapper) (facts.wrappers ??= []).push(wrapper);
    if (candidate.within && !candidate.within.givesObject && candidate.role === 'component')
      (facts.makers ??= []).push({ name: candidate.within.name, component: facts.components.length });
    facts.components.push(component);
  }
  settleCaptured(file, units);
}

function readParameters(u: Unit, node: t.Function, role: Candidate['role']): void {
  node.params.forEach((param, i) => {
    if (role === 'helper' || i > 0) {
      declareParameter(u, param, i);
      return;
    }
    declareBag(u, param.type === 'AssignmentPattern' ? param.left : param, SETUP);
  });
}

/** A function or variable of the body under the name of a prop hides it. */
function noteClashes(u: Unit): void {
  for (const [binding, symbol] of u.refs) {
    const { kind, port } = u.facts.symbols[symbol]!;
    if (kind !== 'prop' || !binding.again) continue;
    (u.facts.clashes ??= []).push({ prop: port!, ...spanOf(binding.again) });
  }
}

/** Everything that was not placed is drawn somewhere under the component. */
function finish(u: Unit): void {
  settleEarly(u);
  placeGiven(u, u.facts.result);
  readConsumers(u);
  settleMissing(u);
  settleWhole(u);
  for (const node of u.facts.render) {
    if (node.parent !== UNPLACED) continue;
    node.parent = -1;
    if (!node.mounted && !node.route) node.loose = true;
  }
  // `return children` and `return renderRow(x)` draw what they are given.
  for (const read of u.facts.reads) {
    const symbol = u.facts.symbols[read.symbol]!;
    if (read.where !== 'text' || read.fn !== -1 || symbol.kind !== 'prop') continue;
    if (u.facts.render.some((node) => node.outletSymbol === read.symbol)) continue;
    u.facts.render.push({
      kind: 'outlet',
      parent: -1,
      attributes: [],
      outlet: symbol.port!,
      outletSymbol: read.symbol,
      start: read.start,
      end: read.end,
    });
  }
}

/** Constants of a file that are made by a call of a package that makes stores. */
const partsIn = (scopes: Scopes, calls: StoreCalls): { name: string; node: t.Node }[] =>
  (calls.any ? scopes.named : []).flatMap(({ id, node, scope }) =>
    id && scope.parent === undefined && calls.name(node) !== undefined ? [{ name: id.name, node }] : [],
  );

/** The loose code of the file: mounted roots, route tables, markup in constants. */
function readModule(
  facts: FileFacts,
  program: t.Program,
  react: ReactFile,
  file: FileContext,
  stores: StoreCalls,
  keepers: ReadonlySet<string>,
): void {
  const component = emptyFacts(nameFromPath(file.path), spanOf(program), { start: 0, end: 0 }, REACT_TRAITS);
  component.role = 'module';
  const u = newUnit(component, program, react.dialect, file, react.markup);
  const loose = program.body.filter((node) => !(node.type === 'FunctionDeclaration' && file.units.has(node)));
  u.refs = new Map();
  const kept = declareKept(u, program, keepers);
  readStatements(
    u,
    loose.filter((one) => !kept.has(one)),
    SETUP,
  );
  readReducers(u, program, stores);
  readStores(u, program, stores);
  noteTables(u, program, react.router);
  noteOutlets(u, react.router);
  finish(u);
  // What is declared in a function has it from who calls that.
  const surrounds =
    settleCaptured(file, [u], facts.components.length) ||
    (file.captured.length > 0 && component.invokes !== undefined);
  const keeps = surrounds || keepsState(component) || keepsParts(component) || keepsObjects(component);
  if (component.render.length || keeps || hasReducer(component) || handsOn(component))
    facts.components.push(component);
}

/** What classes or functions made for it may keep something for all that use the module. */
const keepsObjects = ({ symbols }: ComponentFacts): boolean =>
  symbols.some(({ kind, init }) => kind === 'derived' && init?.from);

/** A function that is given what there is and something more, and gives back what there was, or that with changes. */
function hasReducer({ functions }: ComponentFacts): boolean {
  const goesOn = ({ kind, symbol, spreads = [] }: ExprFact, state: number): boolean =>
    (kind === 'identity' && symbol === state) || spreads.some((one) => goesOn(one, state));
  return functions.some(
    ({ params, gives = [] }) => params.length === 2 && gives.some((one) => goesOn(one, params[0]!)),
  );
}

/** The object that a constant of the module holds, or the expression itself. */
function constantOf(node: t.Node): t.Node {
  const bare = unwrap(node);
  const binding = bare.type === 'Identifier' ? bare.binding : undefined;
  const init =
    binding?.kind === 'const' && binding.node.type === 'VariableDeclarator' ? binding.node.init : undefined;
  const object = init && unwrap(init);
  return object?.type === 'ObjectExpression' ? object : bare;
}

/** The name by which a file knows what is written as a member: no identifier is like it. */
const partName = (owner: string, member: string): string => `#${owner}#${member}`;

/** `Menu.Item = function MenuItem(props) { … }`: a component that only its owner names. */
const partsMade = (program: t.Program, { program: scope }: Scopes): NamedNode[] =>
  staticMembers(program)
    .filter(({ member, value }) => isNamedLikeComponent(member) && unwrap(value).type !== 'Identifier')
    .map(({ owner, member, value }) => ({
      name: member,
      node: value,
      declaration: value,
      id: undefined,
      scope,
      local: partName(owner, member),
    }));

/** Members and defaults that are assigned to a component after it is made. */
function readStatics(facts: FileFacts, program: t.Program, types: InferContext): void {
  for (const { owner, member, value: written } of staticMembers(program)) {
    const value = constantOf(written);
    const known = facts.values.find((one) => one.name === owner);
    const component = known?.component === undefined ? undefined : facts.components[known.component];
    if (member === 'defaultProps' && component) readDefaults(component, value, types);
    else if (member === 'propTypes' && component) readPropTypes(component, value);
    else {
      const local = partName(owner, member);
      const target = facts.values.some((one) => one.name === local) ? local : memberName(unwrap(written));
      if (!target || member === 'displayName') continue;
      if (known) known.members = { ...known.members, [member]: target };
      (facts.statics ??= []).push({ owner, member, value: target });
    }
  }
}

/** Module-level names that are used as values, not only rendered or exported. */
function readMentions(scopes: Scopes, names: ReactNames): string[] {
  const wrapped = new Set<t.Node>();
  for (const one of scopes.named) {
    if (one.scope.parent !== undefined) continue;
    const node = unwrap(one.node);
    if (node.type !== 'CallExpression') continue;
    const own = names.own(memberName(node.callee) ?? '');
    const [first] = node.arguments;
    if ((own === 'memo' || own === 'forwardRef') && first) wrapped.add(first);
  }
  return mentionsIn(scopes, (one) => !wrapped.has(one.id));
}
