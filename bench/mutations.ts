/** Faults that can be put into a project, each with the finding that must come of it. */
import type { AuditResult } from '../src/core/audit';
import type { AttributeFact } from '../src/core/model/facts';
import type { Component, Port, Site } from '../src/core/model/project';
import { hands, isCloned, isClosed, knownSites, takesBelow } from '../src/core/link/use-of-ports';
import { isPageAttribute, isPageEvent } from '../src/core/model/page-names';
import { addFarMutations } from './mutations-far';

export interface Mutation {
  kind: string;
  file: string;
  /** Text from `start` to `end` becomes `text`. */
  edits: { start: number; end: number; text: string }[];
  /** The rules that may report it. */
  rules: string[];
  /** The file that it must be reported in; empty for any. */
  at: string;
  what: string;
}

type TextOf = (path: string) => string;

/** Every place in a project where a fault of some kind can be made. */
export function possibleMutations({ project, findings }: AuditResult, textOf: TextOf): Mutation[] {
  const found: Mutation[] = [];
  const pathOf = (file: number) => project.files[file]!.path;
  const add = (
    kind: string,
    file: number,
    edits: Mutation['edits'],
    rules: string[],
    what: string,
    at = file,
  ) => found.push({ kind, file: pathOf(file), edits, rules, at: at < 0 ? '' : pathOf(at), what });

  addFarMutations({ project, findings, problems: [] }, (file) => textOf(pathOf(file)), add);
  for (const site of project.sites) {
    const owner = project.components[site.owner]!;
    const target = project.components[site.target]!;
    const apart = target.facts.traits.attributesFallThrough;
    if ((!apart && !isClosed(target)) || isCloned(project, site)) continue;
    for (const attribute of site.fact.attributes) {
      if (!/^(value|listen)$/.test(attribute.mode) || /^(children$|#)/.test(attribute.name)) continue;
      const port = target.ports.get(attribute.name);
      if (!port) continue;
      const call = `<${target.name} ${attribute.name}> in ${owner.name}`;
      const written = textOf(pathOf(site.file)).slice(attribute.nameStart, attribute.nameEnd);
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
      if (apart && textOf(pathOf(site.file)).charAt(site.fact.start) !== '<') continue;
      const gone = { start: attribute.start, end: attribute.end, text: '' };
      if (port.required && sure) {
        add('removes a required prop', site.file, [gone], ['prop/missing', 'slot/unfilled'], call);
      }
      const clashes = findings.some((one) => one.rule === 'prop/type-clash' && one.site === site.id);
      const other = clashes ? undefined : otherLiteral(port, attribute);
      if (other !== undefined) {
        const isVue = pathOf(site.file).endsWith('.vue');
        const text = isVue && other === '{12}' ? `:${written}="12"` : `${written}=${other}`;
        const value = { start: attribute.start, end: attribute.end, text };
        add('changes a literal to another type', site.file, [value], ['prop/type-clash'], call);
      }
      if (port.channel === 'event' && sure && !port.required && isOnlyListener(target, port, site)) {
        add('drops a passed callback', site.file, [gone], ['event/unheard', 'event/broken-path'], call, -1);
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
      const text = textOf(file.path).slice(one.start, one.end);
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
      const text = textOf(pathOf(file));
      const last = node.attributes.at(-1)?.end ?? node.tag!.end;
      const open = text.indexOf('>', last) + 1;
      const close = text.lastIndexOf('</', node.end);
      if (close < open) continue;
      const edits = [
        { start: node.start, end: open, text: '<>' },
        { start: close, end: node.end, text: '</>' },
      ];
      found.push({
        kind: 'removes a provider',
        file: pathOf(file),
        edits,
        rules: ['context/no-provider', 'portal/outside-providers'],
        at: '',
        what: `${provide.key} in ${name}`,
      });
    }
  }

  function addHandles(component: Component): void {
    const { facts, file } = component;
    const text = textOf(pathOf(file));
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
      const end = read.ends[1];
      if (text.slice(end - member.length, end) !== member) continue;
      const edit = { start: end - member.length, end, text: misspelled(member) };
      add('misspells a ref member', file, [edit], ['ref/unknown-member'], `${component.name} ${member}`);
    }
  }

  function addProps(component: Component): void {
    const { facts, file } = component;
    const apart = facts.traits.attributesFallThrough;
    if (apart ? facts.openProps || component.unresolved : !isClosed(component)) return;
    if (facts.role !== 'component' || facts.wrapped) return;
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
    if (pathOf(file).endsWith('.svelte') && !first.typed) return;
    const quoted = /['"]/.test(textOf(pathOf(file)).charAt(first.place.start));
    const listed = quoted ? "'spareRope', " : 'spareRope: String, ';
    const text = first.typed ? 'spareRope?: string; ' : listed;
    const edit = { start: first.place.start, end: first.place.start, text };
    add('adds an unread prop', file, [edit], ['prop/unread'], component.name);
  }
}

/** Two neighbouring letters swapped, or a letter more. */
function misspelled(name: string): string {
  for (let i = 1; i + 1 < name.length; i++) {
    if (name[i] !== name[i + 1] && /[a-z]/i.test(name[i]!) && /[a-z]/i.test(name[i + 1]!)) {
      return name.slice(0, i) + name[i + 1]! + name[i]! + name.slice(i + 2);
    }
  }
  return `${name}x`;
}

/** A literal of a type that the declaration does not allow, where it says which it allows. */
function otherLiteral(port: Port, attribute: AttributeFact): string | undefined {
  const type = port.type?.type;
  if (attribute.value.kind !== 'literal' || !type || type.t !== 'prim') return undefined;
  if (type.n === 'string') return '{12}';
  return type.n === 'number' || type.n === 'boolean' ? '"spare"' : undefined;
}
