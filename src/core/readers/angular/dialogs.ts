/**
 * Dialogs that services of packages open: `dialog.open(JobDialog, { data: { job } })` draws the component, and the component
 * asks for what it was given by a token of the package. As the public documentation of the packages describes them.
 */
import type * as t from '@babel/types';
import type { ExprFact, KeyFact, RenderFact } from '../../model/facts';
import { spread } from '../script/attributes';
import { metadata, type Metadata } from '../script/decorators';
import { isChain, symbolAt } from '../script/own';
import { keepOnPage, keptOnPage } from '../script/page-kept';
import { memberName } from '../script/type-expr';
import {
  type Call,
  type Ctx,
  isModuleLevel,
  meaningOf,
  spanOf,
  typeOf,
  unwrap,
  usesOf,
} from '../script/unit';
import { madeAs } from './created';
import type { AngularUnit } from './unit';

interface Dialogs {
  opens: string;
  /** The token by which a component asks for what it was given. */
  token: string;
  /** The option that holds this; without one, all options are handed over. */
  data?: string;
  /** The option that holds the component, where it is not the first argument. */
  component?: string;
  /** The methods by which its handle closes it, and what tells of that: a method, or a stream. */
  closes: string[];
  result: string;
}

const BY_PACKAGE: Record<string, Dialogs> = {
  '@angular/cdk/dialog': {
    opens: 'open',
    token: 'DIALOG_DATA',
    data: 'data',
    closes: ['close'],
    result: 'closed',
  },
  '@angular/material/dialog': {
    opens: 'open',
    token: 'MAT_DIALOG_DATA',
    data: 'data',
    closes: ['close'],
    result: 'afterClosed()',
  },
  '@angular/material/bottom-sheet': {
    opens: 'open',
    token: 'MAT_BOTTOM_SHEET_DATA',
    data: 'data',
    closes: ['dismiss'],
    result: 'afterDismissed()',
  },
  '@angular/material/snack-bar': {
    opens: 'openFromComponent',
    token: 'MAT_SNACK_BAR_DATA',
    data: 'data',
    closes: ['dismissWithAction'],
    result: 'afterDismissed()',
  },
  'ng-zorro-antd/modal': {
    opens: 'create',
    token: 'NZ_MODAL_DATA',
    data: 'nzData',
    component: 'nzContent',
    closes: ['close', 'destroy'],
    result: 'afterClose',
  },
  'ng-zorro-antd/drawer': {
    opens: 'create',
    token: 'NZ_DRAWER_DATA',
    data: 'nzData',
    component: 'nzContent',
    closes: ['close'],
    result: 'afterClose',
  },
  'primeng/dynamicdialog': {
    opens: 'open',
    token: 'DynamicDialogConfig',
    closes: ['close'],
    result: 'onClose',
  },
};

const ALL = Object.values(BY_PACKAGE);
const RESULTS: ReadonlySet<string> = new Set(ALL.map((one) => one.result));
const METHODS: ReadonlySet<string> = new Set(ALL.flatMap((one) => [one.opens, ...one.closes]));

/** The package that a name of the file comes from, and what it is called there. */
function importOf(u: AngularUnit, local: string): { dialogs: Dialogs; name: string } | undefined {
  const found = u.angular.facts.imports.find((one) => one.local === local);
  const dialogs = found && Object.hasOwn(BY_PACKAGE, found.from) ? BY_PACKAGE[found.from] : undefined;
  return dialogs && { dialogs, name: found!.name };
}

/** The key under which a dialog gets what it was given; undefined for anything else that is asked for. */
export function dialogKey(u: AngularUnit, local: string): KeyFact | undefined {
  const { dialogs, name } = importOf(u, local) ?? {};
  return dialogs?.token === name && name !== undefined ? { text: name } : undefined;
}

interface Opening {
  dialogs: Dialogs;
  /** The name of the component that is drawn, and what it is opened with. */
  drawn: t.Identifier;
  given: t.Node | undefined;
  options: Metadata;
}

/** What is called of something of such a package that was asked for. */
function calledOf(
  u: AngularUnit,
  callee: t.Node,
): { dialogs: Dialogs; name: string; of: string } | undefined {
  const name = isChain(callee) ? memberName(callee.property) : undefined;
  if (!isChain(callee) || name === undefined || !METHODS.has(name)) return undefined;
  const symbol = symbolAt(u, unwrap(callee.object));
  const asked = u.facts.consumes.find((one) => one.symbol === symbol)?.key;
  const found = asked && 'name' in asked ? importOf(u, asked.name) : undefined;
  return found && { dialogs: found.dialogs, of: found.name, name };
}

function openingOf(u: AngularUnit, node: t.Node): Opening | undefined {
  if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return undefined;
  const { dialogs, name } = calledOf(u, unwrap(node.callee)) ?? {};
  if (!dialogs || dialogs.opens !== name) return undefined;
  const [first, second] = node.arguments;
  const given = dialogs.component === undefined ? second : first;
  const options = metadata(given);
  const drawn = dialogs.component === undefined ? first : options.get(dialogs.component);
  const bare = drawn && unwrap(drawn);
  // What a function is given, or works out, is any component.
  if (bare?.type !== 'Identifier' || (bare.binding && !isModuleLevel(bare.binding))) return undefined;
  return { dialogs, drawn: bare, given, options };
}

/**
 * What a dialog is given by a method's caller, and what it closes with, is kept by the name of its component until somebody
 * asks.
 */
const givenTo = (component: string): string => `given.${component}`;
const resultOf = (component: string): string => `result.${component}`;

/** `ref.close(x)` in a dialog. */
export function noteClosing(u: AngularUnit, call: Call, ctx: Ctx): void {
  const { dialogs, name = '', of } = calledOf(u, unwrap(call.callee)) ?? {};
  const [value] = call.arguments;
  if (!dialogs?.closes.includes(name) || !value || !of?.endsWith('Ref')) return;
  keepOnPage(u, resultOf(u.facts.name), meaningOf(u, value, ctx), spanOf(call), ctx);
}

/** `[mat-dialog-close]="x"`: a click on the element closes the dialog with it. */
const CLOSES = /^(mat-dialog-close|matDialogClose)$/;

export function noteClosingTag(u: AngularUnit, { attributes }: RenderFact, ctx: Ctx): void {
  for (const { name, mode, plain, value, start, end } of attributes)
    if (mode === 'value' && !plain && CLOSES.test(name))
      keepOnPage(u, resultOf(u.facts.name), value, { start, end }, { ...ctx, where: 'handler' });
}

/** `dialog.open(Sheet).afterClosed()`: what the dialog closed with. */
export function readResult(u: AngularUnit, node: t.Node): ExprFact | undefined {
  const isCall = node.type === 'CallExpression' || node.type === 'OptionalCallExpression';
  const read = unwrap(isCall ? node.callee : node);
  if (!isChain(read)) return undefined;
  const name = (memberName(read.property) ?? '') + (isCall ? '()' : '');
  if (!RESULTS.has(name)) return undefined;
  const made = unwrap(read.object);
  const opening = openingOf(u, made) ?? openingOf(u, madeAs(u, made) ?? made);
  if (opening?.dialogs.result !== name) return undefined;
  return { kind: 'identity', symbol: keptOnPage(u, resultOf(opening.drawn.name), node), ...spanOf(node) };
}

/** Notes what a call opens, with what it hands over. */
export function noteDialog(u: AngularUnit, call: Call, ctx: Ctx): void {
  const opening = u.facts.role === 'module' ? undefined : openingOf(u, call);
  if (!opening) return;
  const { dialogs, drawn: bare, given, options } = opening;
  // It stands below the root of the app, unless it is told where it stands.
  const isTold = options.open || options.get('viewContainerRef') || options.get('injector');
  if (isTold && !u.facts.render.length) return;
  const data = dialogs.data === undefined ? given : options.get(dialogs.data);
  const parent = isTold ? 0 : -1;
  const around = data ? provideTo(u, data, { ...opening, parent }, ctx) : parent;
  // What it is handed otherwise, nobody sees.
  const attributes = [spread(spanOf(call))];
  const at = spanOf(call);
  u.facts.render.push({
    kind: 'site',
    parent: around,
    tag: { name: bare.name, ...spanOf(bare) },
    attributes,
    ...(isTold ? { loose: true } : {}),
    ...at,
  });
  if (!isTold) u.facts.render[data ? around : u.facts.render.length - 1]!.mounted = at;
}

/** What a dialog is given is provided to it alone: gives back the node to draw it in. */
function provideTo(
  u: AngularUnit,
  data: t.Node,
  { dialogs, drawn, parent }: Opening & { parent: number },
  ctx: Ctx,
): number {
  const value = meaningOf(u, data, ctx);
  value.type ??= typeOf(u, data);
  const { start, end } = spanOf(data);
  const at = { start, end };
  let held = value;
  if (isGiven(u, value)) {
    keepOnPage(u, givenTo(drawn.name), value, at, ctx);
    held = { kind: 'identity', symbol: keptOnPage(u, givenTo(drawn.name), data), ...at };
  }
  const node = u.facts.render.push({ kind: 'group', parent, attributes: [], ...at }) - 1;
  u.facts.provides.push({
    key: { text: dialogs.token },
    keyStart: start,
    keyEnd: end,
    value: held,
    node,
    where: 'setup',
    implied: true,
    ...at,
  });
  return node;
}

/** Values that are made of others are looked into so far. */
const MAX_DEPTH = 8;

/** Whether a value is, or is made of, what the function around was called with. */
function isGiven(u: AngularUnit, value: ExprFact, depth = 0): boolean {
  if (depth > MAX_DEPTH) return false;
  const isParam = (index: number): boolean => {
    const { kind, init } = u.facts.symbols[index]!;
    return kind === 'param' || (kind === 'derived' && init !== undefined && isGiven(u, init, depth + 1));
  };
  const parts = [
    ...(value.members ?? []).map((one) => one.value),
    ...(value.elements ?? []),
    ...(value.spreads ?? []),
  ];
  return usesOf(value).some(isParam) || parts.some((one) => isGiven(u, one, depth + 1));
}
