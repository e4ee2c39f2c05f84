/** Faults that can be put into a project, each with the finding that must come of it. */
import type { AuditResult } from '../src/core/audit';
import type { AttributeFact } from '../src/core/model/facts';
import type { Component, Port, Site } from '../src/core/model/project';
import {
  hands,
  isCloned,
  isClosed,
  isReached,
  knownSites,
  takesBelow,
} from '../src/core/link/4-ports/use-of-ports';
import { isPageAttribute, isPageEvent } from '../src/core/model/page-names';
import { misspelled } from './misspelled';
import { addFarMutations } from './mutations-far';
import { addMarkupMutations } from './mutations-markup';
import { type Edit, unitTexts } from './unit-texts';

export interface Mutation {
  kind: string;
  edits: Edit[];
  /** The rules that may report it. */
  rules: string[];
  /** The file that it must be reported in; empty for any. */
  at: string;
  what: string;
}

/** An edit of a unit; offsets count through all of its parts. */
export interface UnitEdit {
  start: number;
  end: number;
  text: string;
}

/** Notes a fault in a unit that some rules may report, at the file of the first edit unless any file will do. */
export type Add = (
  kind: string,
  file: number,
  edits: UnitEdit[],
  rules: string[],
  what: string,
  anywhere?: 'anywhere',
) => void;

/** Every place in a project where a fault of some kind can be made. */
export function possibleMutations(
  { project, findings }: AuditResult,
  textOf: (path: string) => string,
): Mutation[] {
  const found: Mutation[] = [];
  const texts = unitTexts(project, textOf);
  const add: Add = (kind, file, edits, rules, what, anywhere) => {
    const made = edits.map(({ start, end, text }) => texts.edit(file, start, end, text));
    found.push({ kind, edits: made, rules, at: anywhere ? '' : made[0]!.path, what });
  };

  addFarMutations(project, texts, add);
  addMarkupMutations(project, texts, add);
  for (const site of project.sites) {
    const owner = project.components[site.owner]!;
    const target = project.components[site.target]!;
    const apart = target.facts.traits.attributesFallThrough;
    if ((!apart && !isClosed(target)) || isCloned(project, site)) continue;
    const asNumber = NUMBER[project.files[site.file]!.facts.language ?? ''];
    // On pages, scripts give things, too; what stands on tags of others is there only with its attribute.
    if (!asNumber || target.facts.attached) continue;
    for (const attribute of site.fact.attributes) {
      if (!/^(value|listen)$/.test(attribute.mode) || /^(children$|#)/.test(attribute.name)) continue;
      const port = target.ports.get(attribute.name);
      const written = texts.of(site.file).slice(attribute.nameStart, attribute.nameEnd);
      // What is filled by an element of its name, and what the framework hands in, is no attribute.
      const isWritten =
        texts.of(site.file).charAt(attribute.nameStart - 1) !== '<' &&
        bareOf(written).endsWith(bareOf(attribute.name));
      if (!port || !isWritten) continue;
      // By another name, what stands there stands there no longer.
      const marks = target.facts.selectors?.some(({ attributes }) =>
        attributes.some((one) => one.name === attribute.name),
      );
      if (marks) continue;
      const call = `<${target.name} ${attribute.name}> in ${owner.name}`;
      const renamed = misspelled(written);
      // Where undeclared names land further down, somebody there may take it.
      const key = apart && attribute.mode === 'listen' ? `@${renamed}` : renamed;
      const taken =
        target.ports.has(key) ||
        (apart && (takesBelow(project, target, key) || isPageAttribute(key) || isPageEvent(key)));
      if (!taken) {
        const name = { start: attribute.nameStart, end: attribute.nameEnd, text: renamed };
        add(
          'renames a passed prop',
          site.file,
          [name],
          ['prop/unknown', 'event/unknown', 'slot/unknown'],
          call,
        );
      }
      const sure = !project.handed(site).unknown && !project.handed(site).spread.has(attribute.name);
      // In a call that makes an element, a comma would be left over.
      if (apart && texts.of(site.file).charAt(site.fact.start) !== '<') continue;
      const gone = { start: attribute.start, end: attribute.end, text: '' };
      if (port.required && sure) {
        add('removes a required prop', site.file, [gone], ['prop/missing', 'slot/unfilled'], call);
      }
      const clashes = findings.some((one) => one.rule === 'prop/type-clash' && one.site === site.id);
      const other = clashes ? undefined : otherLiteral(target, port, attribute);
      if (other !== undefined) {
        const text = other === 'text' ? `${written}="spare"` : asNumber(written);
        const value = { start: attribute.start, end: attribute.end, text };
        add('changes a literal to another type', site.file, [value], ['prop/type-clash'], call);
      }
      if (port.channel === 'event' && sure && !port.required && isOnlyListener(target, port, site)) {
        add(
          'drops a passed callback',
          site.file,
          [gone],
          ['event/unheard', 'event/broken-path'],
          call,
          'anywhere',
        );
      }
    }
  }
  for (const component of project.components) {
    addProviders(component);
    addHandles(component);
    addProps(component);
  }
  for (const file of project.files) {
    for (const one of file.facts.imports) {
      if (one.name === '*' || one.name === 'default' || one.typeOnly) continue;
      const value = project.lookup(file.index, one.local);
      const isKey = value.kind === 'value' && value.value.kind === 'context';
      const used = project.components.some(
        (component) =>
          component.file === file.index &&
          component.facts.consumes.some(({ key }) => 'name' in key && key.name === one.local),
      );
      if (!isKey || !used) continue;
      const text = texts.of(file.index).slice(one.start, one.end);
      const at = text.indexOf(one.name);
      const name = misspelled(one.name);
      const edit = {
        start: one.start,
        end: one.end,
        text:
          text.slice(0, at) +
          (one.local === one.name ? `${name} as ${one.name}` : name) +
          text.slice(at + one.name.length),
      };
      add('misspells the import of a context', file.index, [edit], ['context/no-provider'], one.name);
    }
  }
  return found;

  /** Whether this is the only call site that hears the event. */
  function isOnlyListener(target: Component, port: Port, site: Site): boolean {
    const sites = knownSites(project, target);
    // Others above may hear what rises.
    if (port.rises) return false;
    const emits = target.facts.emits.some((one) => one.symbol >= 0 && one.symbol === port.symbol);
    return (
      emits &&
      sites !== undefined &&
      sites.every((one) => (one === site) === (hands(project, one, port.name) === true))
    );
  }

  function addProviders({ facts, file, name }: Component): void {
    const contexts = project.contexts;
    for (const provide of facts.provides) {
      const node = facts.render[provide.node]!;
      const key = contexts.providers.find(
        (one) => one.place.file === file && one.place.start === provide.keyStart,
      )?.key;
      if (!key || contexts.hasDefault(key)) continue;
      const read = contexts.consumers.some(
        (one) =>
          one.key === key &&
          one.missing !== 'handled' &&
          contexts.barePath(one.component, key) === undefined &&
          !contexts.mayBeElsewhere(one.component),
      );
      if (!read || !project.files.some((one) => one.facts.mounts)) continue;
      if (!node.tag) continue;
      const text = texts.of(file);
      const last = node.attributes.at(-1)?.end ?? node.tag!.end;
      const open = text.indexOf('>', last) + 1;
      const close = text.lastIndexOf('</', node.end);
      if (close < open) continue;
      const edits = [
        { start: node.start, end: open, text: '<>' },
        { start: close, end: node.end, text: '</>' },
      ];
      add(
        'removes a provider',
        file,
        edits,
        ['context/no-provider', 'portal/outside-providers'],
        `${key.name} in ${name}`,
        'anywhere',
      );
    }
  }

  function addHandles(component: Component): void {
    const { facts, file } = component;
    const text = texts.of(file);
    for (const read of facts.reads) {
      if (facts.symbols[read.symbol]!.kind !== 'ref' || read.path?.[0] !== 'current' || !read.ends?.[1])
        continue;
      const holders = facts.render.filter((node) =>
        node.attributes.some((one) => one.mode === 'ref' && one.value.symbol === read.symbol),
      );
      const targets = component.sites
        .map((id) => project.sites[id]!)
        .filter((site) => holders.includes(site.fact))
        .map((site) => project.components[site.target]!);
      const closed = targets.every((one) =>
        one.facts.exposes?.some((fact) => !fact.open && fact.port === 'ref'),
      );
      if (!targets.length || targets.length < holders.length || !closed) continue;
      const member = read.path[1]!;
      // Asked for so, it is the element and not the component.
      if (member === 'nativeElement') continue;
      const end = read.ends[1];
      if (text.slice(end - member.length, end) !== member) continue;
      const isWrong = findings.some(
        ({ rule, place }) => rule === 'ref/unknown-member' && place.file === file && place.end === end,
      );
      if (isWrong) continue;
      const edit = { start: end - member.length, end, text: misspelled(member) };
      add('misspells a ref member', file, [edit], ['ref/unknown-member'], `${component.name} ${member}`);
    }
  }

  function addProps(component: Component): void {
    const { facts, file } = component;
    const apart = facts.traits.attributesFallThrough;
    if (apart ? facts.openProps || component.unresolved : !isClosed(component)) return;
    if (facts.role !== 'component' || facts.wrapped) return;
    const { language = '' } = project.files[file]!.facts;
    const put = MEMBER[language]?.(texts.of(file), facts.nameEnd);
    if (put && !isReached(component, { name: 'spareRope' }))
      add(
        'adds an unread prop',
        file,
        [{ start: put.at, end: put.at, text: put.text }],
        ['prop/unread'],
        component.name,
      );
    // The first name of a type that only this component takes its props from.
    const own = [...component.ports.values()].filter(
      (port) =>
        port.channel === 'prop' &&
        port.declared &&
        (port.typed || apart) &&
        !port.shared &&
        !port.inherited &&
        port.place.file === file,
    );
    const first = own.sort((a, b) => a.place.start - b.place.start)[0];
    if (!first || first.place.start === facts.nameStart) return;
    if (language === 'svelte' && !first.typed) return;
    const quoted = /['"]/.test(texts.of(file).charAt(first.place.start));
    const listed = quoted ? "'spareRope', " : 'spareRope: String, ';
    const text = first.typed ? 'spareRope?: string; ' : listed;
    const edit = { start: first.place.start, end: first.place.start, text };
    add('adds an unread prop', file, [edit], ['prop/unread'], component.name);
  }
}

/** A name without its marks, in small letters, so that its spellings are one. */
const bareOf = (name: string): string => name.replace(/[^a-z\d]/gi, '').toLowerCase();

/** How a number is given to a prop. */
const inBraces = (name: string): string => `${name}={12}`;
const NUMBER: Record<string, (name: string) => string> = {
  react: inBraces,
  svelte: inBraces,
  stencil: inBraces,
  vue: (name) => `:${name}="12"`,
  angular: (name) => `[${name}]="12"`,
  razor: (name) => `${name}="@(12)"`,
};

/** A member that takes a value, where components are classes, and where in the text of the unit it may stand. */
type Member = (text: string, nameEnd: number) => { at: number; text: string } | undefined;
const inClass =
  (forms: [asks: RegExp, member: string][]): Member =>
  (text, nameEnd) => {
    const form = forms.find(([asks]) => asks.test(text));
    return form && { at: text.indexOf('{', nameEnd) + 1, text: form[1] };
  };
const MEMBER: Record<string, Member> = {
  angular: inClass([
    [/\bimport\s*\{[^}]*\bInput\b[^}]*\}\s*from '@angular\/core'/, '\n  @Input() spareRope?: string;'],
    [/\bimport\s*\{[^}]*\binput\b[^}]*\}\s*from '@angular\/core'/, '\n  spareRope = input<string>();'],
  ]),
  stencil: inClass([[/\bimport\b[^;]*\bProp\b/, '\n  @Prop() spareRope?: string;']]),
  razor: (text) => {
    const code = /@code\s*\{/.exec(text);
    return code
      ? {
          at: code.index + code[0].length,
          text: '\n  [Parameter] public string? SpareRope { get; set; }',
        }
      : undefined;
  },
};

/** The kind of literal that the declaration does not allow, where it says which it allows. */
function otherLiteral(
  { facts }: Component,
  port: Port,
  attribute: AttributeFact,
): 'number' | 'text' | undefined {
  const type = port.type?.type;
  if (attribute.value.kind !== 'literal' || !type || type.t !== 'prim') return undefined;
  if (type.n === 'string') return 'number';
  return /^(number|boolean)$/.test(type.n) && !facts.traits.convertsText ? 'text' : undefined;
}
