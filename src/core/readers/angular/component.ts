/** A component or directive: what its decorator says, its members, its template. */
import type * as t from '@babel/types';
import type { HostDirectiveFact } from '../../model/facts';
import { dirname, join } from '../../model/paths';
import type { UnitParts } from '../../model/parts';
import { angularCompiler } from '../on-demand';
import { readClassMembers } from '../script/classes';
import { namesIn, type Scope } from '../script/scope';
import { addWhole, placeRest, SETUP, spanOf, use } from '../script/unit';
import { allowedBy, scopeOf } from './bundles';
import { codeOf, listenerOf } from './code';
import { tokenName } from './asks';
import { constant, type Decorated, listed, metadata, type Metadata, textOf } from '../script/decorators';
import { classDialect, declareListed, exposeMembers, readBound } from './members';
import { settleHanded } from './created';
import { readProviders } from './providers';
import { dropUnread } from './references';
import { parseSelectors } from './selectors';
import { settleStamps, settleViews } from './stamped';
import { readView } from './template';
import { type AngularUnit, closeUnit } from './unit';

export function readComponent(u: AngularUnit, node: t.Class, kind: Decorated, parts: UnitParts): void {
  const { facts } = u;
  const options = metadata(kind.args[0]);
  const isDirective = kind.name === 'Directive';
  if (isDirective) facts.attached = true;
  const selector = textOf(options.get('selector'));
  // Without one, it is drawn by whoever names its class.
  facts.selectors = selector === undefined ? [] : parseSelectors(selector);
  const names = textOf(options.get('exportAs'));
  if (names !== undefined) facts.exportAs = names.split(',').map((one) => one.trim());
  addWhole(u);
  readClassMembers(u, node, classDialect(u, true));
  if (options.open) u.openMembers = true;
  readProviders(u, options.get('providers'), { node: 0, at: 'host' });
  readProviders(u, options.get('viewProviders'), { node: 0, at: 'view' });
  readListed(u, options);
  facts.hostDirectives = hostDirectives(u, options);
  readBound(u);
  readHost(u, options);
  if (!isDirective) {
    facts.scope = { ...scopeOf(options.get('imports')), ...allowedBy(options) };
    readTemplate(u, options, parts);
  }
  placeRest(u);
  settleViews(u);
  noteStops(u, node);
  exposeMembers(u);
  noteUnknown(u);
  settleHanded(u);
  closeUnit(u);
}

/** `inputs: ['level: waterLevel']`, `outputs: ['held']`: members by their names, as texts. */
function readListed(u: AngularUnit, options: Metadata): void {
  for (const [list, channel] of [
    ['inputs', 'prop'],
    ['outputs', 'event'],
  ] as const)
    for (const item of listed(options.get(list)).items) {
      const entry = item.type === 'ObjectExpression' ? metadata(item) : undefined;
      const text = textOf(entry ? entry.get('name') : item);
      if (text === undefined) continue;
      const [member = '', alias = member] = text.split(':').map((one) => one.trim());
      declareListed(u, channel, member, textOf(entry?.get('alias')) ?? alias, {
        required: entry?.isTrue('required') === true,
        ...spanOf(item),
      });
    }
}

/** `hostDirectives: [{ directive: Lamp, inputs: ['power: lamp'] }]` */
function hostDirectives(u: AngularUnit, options: Metadata): HostDirectiveFact[] {
  return listed(options.get('hostDirectives')).items.flatMap((item) => {
    const entry = item.type === 'ObjectExpression' ? metadata(item) : undefined;
    const name = tokenName(u, entry ? entry.get('directive') : item);
    if (name === undefined) return [];
    const exposes: Record<string, string> = {};
    for (const [list, mark] of [
      ['inputs', ''],
      ['outputs', '@'],
    ] as const)
      for (const one of listed(entry?.get(list)).items) {
        const [own = '', shown = own] = (textOf(one) ?? '').split(':').map((part) => part.trim());
        if (own) exposes[mark + shown] = mark + own;
      }
    return [{ name, exposes }];
  });
}

/** It, or its template, stops events on their way up. */
function noteStops(u: AngularUnit, node: t.Class): void {
  const { text } = u.file;
  const isStop = /\bstop(Immediate)?Propagation\b/;
  const whole = [node, ...(node.decorators ?? [])].map((one) => text.slice(one.start!, one.end!));
  const template = u.markup && text.slice(u.markup.start, u.markup.end);
  if ([...whole, template ?? ''].some((one) => isStop.test(one))) u.facts.stopsEvents = true;
}

/** Names of the template have nothing around them but the members of the class. */
const viewScope = (owner: t.Node): Scope => ({
  parent: undefined,
  owner,
  isFunction: true,
  names: new Map(),
});

function readTemplate(u: AngularUnit, options: Metadata, parts: UnitParts): void {
  const { file } = u.angular;
  const url = textOf(options.get('templateUrl'));
  const written = options.get('template');
  if (url !== undefined) {
    const path = join(dirname(file.path), url);
    const part = parts.take(path);
    if (!part) {
      makeOpen(u);
      return;
    }
    file.text = file.text.padEnd(part.base - 1, ' ').padEnd(part.base, '\n') + part.text;
    parse(u, path, part.base, part.base + part.text.length, false);
    return;
  }
  const text = written && constant(written);
  if (text?.type === 'StringLiteral' || (text?.type === 'TemplateLiteral' && !text.expressions.length))
    parse(u, file.path, text.start! + 1, text.end! - 1, true);
  else makeOpen(u);
}

/** Nothing is known of what it draws, nor of what its handles are put on. */
function makeOpen(u: AngularUnit): void {
  for (const one of u.facts.symbols) if (one.kind === 'ref') delete one.empty;
  u.facts.openProps = true;
  u.facts.openEmits = true;
  u.facts.openSlots = true;
  u.openMembers = true;
}

function parse(u: AngularUnit, path: string, start: number, end: number, escaped: boolean): void {
  const { file, facts } = u.angular;
  u.markup = { start, end };
  const { nodes, errors } = angularCompiler().parseTemplate(file.text, file.path, {
    range: { startPos: start, startLine: 0, startCol: 0, endPos: end },
    escapedString: escaped,
    preserveWhitespaces: true,
    preserveLineEndings: true,
    enableBlockSyntax: true,
    enableLetSyntax: true,
  } as Parameters<ReturnType<typeof angularCompiler>['parseTemplate']>[2]);
  const [error] = errors ?? [];
  if (error) {
    const from = path === file.path ? 0 : start;
    const before = file.text.slice(from, error.span.start.offset).split('\n');
    (facts.flaws ??= []).push({
      path,
      message: `the template of ${u.facts.name}: ${error.msg}`,
      line: before.length,
      column: before.at(-1)!.length + 1,
    });
    makeOpen(u);
    // Where only an expression is not understood, the tags are there.
    if (!nodes.length) return;
  }
  readView(u, nodes, { scope: viewScope(u.node), ctx: SETUP, parent: 0 });
  dropUnread(u);
  settleStamps(u);
}

/** `host: { '[class.wide]': 'wide()', '(click)': 'open()' }` */
function readHost(u: AngularUnit, options: Metadata): void {
  const host = options.get('host');
  const object = host && constant(host);
  if (object?.type !== 'ObjectExpression') return;
  const { Lexer, Parser } = angularCompiler();
  const parser = new Parser(new Lexer());
  for (const one of object.properties) {
    if (one.type !== 'ObjectProperty') continue;
    const key = one.key.type === 'StringLiteral' ? one.key.value : '';
    const text = textOf(one.value);
    if (text === undefined || !/^[[(]/.test(key)) {
      // What is put together while the code runs may use anything.
      if (text === undefined) u.facts.openProps = true;
      continue;
    }
    const written = constant(one.value);
    const at = { start: written.start! + 1, end: written.end! - 1 };
    const scope = viewScope(u.node);
    const span = { start: { offset: at.start }, end: { offset: at.end } } as never;
    if (key.startsWith('(')) {
      const ast = parser.parseAction(text, span, at.start);
      const ctx = { ...SETUP, where: 'handler' as const };
      u.expr(listenerOf(u, ast, scope, at), ctx);
    } else {
      const code = codeOf(u, parser.parseBinding(text, span, at.start), scope);
      const ctx = { ...SETUP, where: 'attribute' as const };
      if (code) use(u, u.expr(code, ctx), ctx, 'attribute');
    }
  }
}

/** Names that the template uses and the class does not have. */
function noteUnknown(u: AngularUnit): void {
  const { markupReads } = u.angular;
  for (const { name } of u.used) if (!u.members.has(name) || u.inherited.has(name)) markupReads.add(name);
  if (u.openMembers) return;
  for (const { name, start, end, scope } of u.used) {
    // Names with a mark in front are the framework's own.
    if (u.members.has(name) || name.startsWith('$')) continue;
    const known = [...u.members.keys(), ...namesIn(scope)];
    (u.facts.unknownNames ??= []).push({ name, start, end, known });
  }
}
