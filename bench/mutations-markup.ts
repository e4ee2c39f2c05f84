/** Faults in markup that finds by selectors what it places: in names, in what is brought into its scope, and in what is provided. */
import type { Linked } from '../src/core/link';
import type { Span } from '../src/core/model/facts';
import { isPageAttribute } from '../src/core/model/page-names';
import type { Component } from '../src/core/model/project';
import type { Add, UnitEdit } from './mutations';
import { misspelled } from './misspelled';
import type { UnitTexts } from './unit-texts';

/** Calls `add` for every place at which such a fault can be made. */
export function addMarkupMutations(project: Linked, texts: UnitTexts, add: Add): void {
  const edit = ({ start, end }: Span, text: string): UnitEdit => ({ start, end, text });
  const textAt = (file: number, { start, end }: Span): string => texts.of(file).slice(start, end);

  for (const component of project.components) {
    const { facts, file, markup } = component;
    if (project.files[file]!.aside || facts.role !== 'component' || !facts.traits.bySelectors) continue;
    selectors(component);
    aliases(component);
    providers(component);
    if (!markup || markup.open) continue;
    filters(component);
    members(component);
    exported(component);
    taken(component);
    broughtIn(component);
  }

  /** Call sites whose markup knows all that it may place. */
  function closedSites({ calledAt }: Component): boolean {
    const owners = calledAt.map((id) => project.components[project.sites[id]!.owner]!);
    // Of several that stand on its tag, another still does.
    if (calledAt.some((id) => isAmong(id))) return false;
    return owners.length > 0 && owners.every(({ markup }) => markup?.open === false && !markup.custom);
  }

  function isAmong(id: number): boolean {
    const { owner, node, target, fact } = project.sites[id]!;
    const here = project.components[owner]!.siteAt.get(node)!.map((one) => project.sites[one]!.target);
    return here.some(
      (one) =>
        one !== target &&
        project.components[one]!.facts.selectors?.some(({ tag }) => tag === fact.tag?.name) === true,
    );
  }

  function filters({ facts, file, name }: Component): void {
    for (const one of facts.filters ?? [])
      if (textAt(file, one) === one.name)
        add(
          'misspells a pipe',
          file,
          [edit(one, misspelled(one.name))],
          ['template/unknown-name'],
          `${one.name} in ${name}`,
        );
  }

  /** A member of the class, by its name in the template. */
  function members({ facts, file, name, openBase, mixins }: Component): void {
    if (openBase || mixins.length || facts.openProps) return;
    for (const read of facts.reads) {
      const symbol = facts.symbols[read.symbol]!;
      const isMember = /^(state|prop|derived|injected|handler)$/.test(symbol.kind);
      if (read.fn !== -1 || !isMember || !/^(text|attribute|condition)$/.test(read.where)) continue;
      // Before it stands what tells that it is no member of something else.
      const at = { start: read.start, end: read.start + symbol.name.length };
      const around = texts.of(file).slice(at.start - 2, at.start);
      if (textAt(file, at) !== symbol.name || /[.\w]$/.test(around) || read.start > facts.nameStart) continue;
      add(
        'misspells a name in a template',
        file,
        [edit(at, misspelled(symbol.name))],
        ['template/unknown-name'],
        `${symbol.name} in ${name}`,
      );
    }
  }

  function exported({ facts, file, name }: Component): void {
    for (const { exported: list = [] } of facts.render)
      for (const one of list)
        if (textAt(file, one) === one.as)
          add(
            'misspells what a handle is put on',
            file,
            [edit(one, misspelled(one.as))],
            ['ref/unattached'],
            `${one.as} in ${name}`,
          );
  }

  /** What a template takes of what it is stamped with: `let-at="index"`. */
  function taken({ facts, file, name, siteAt }: Component): void {
    for (const node of facts.render) {
      const takes = node.only?.fn === undefined ? undefined : facts.functions[node.only.fn]!.takes;
      const [site] = siteAt.get(node.parent) ?? [];
      const target = site === undefined ? undefined : project.components[project.sites[site]!.target]!;
      const port = node.slot === undefined ? undefined : target?.ports.get(node.slot);
      if (!takes || !port || !target) continue;
      const given = target.facts.emits.filter((one) => one.event === port.name);
      const isKnown =
        given.length > 0 && given.every(({ args }) => args?.[0]?.kind === 'object' && !args[0].open);
      for (const one of isKnown ? takes.names : [])
        if (textAt(file, one) === one.name)
          add(
            'misspells what a template takes',
            file,
            [edit(one, misspelled(one.name))],
            ['slot/prop-unknown'],
            `${one.name} in ${name}`,
          );
    }
  }

  /** A component or directive is no longer brought into the scope of the markup that places it. */
  function broughtIn({ facts, file, name, sites }: Component): void {
    const list = /\bimports:\s*\[([^\]]*)\]/.exec(texts.of(file).slice(facts.start, facts.nameStart));
    if (!list) return;
    const start = facts.start + list.index + list[0].indexOf('[') + 1;
    for (const found of list[1]!.matchAll(/\b([A-Z]\w*)\b\s*,?/g)) {
      const target = project.lookup(file, found[1]!);
      if (target.kind !== 'component') continue;
      const { attached, selectors: own = [] } = project.components[target.component]!.facts;
      const used = sites.some((id) => {
        const site = project.sites[id]!;
        if (site.target !== target.component || site.fact.tag?.name.includes('-') !== true) return false;
        return !attached && own.every(({ tag }) => tag?.includes('-'));
      });
      const bound = sites.some((id) => {
        const site = project.sites[id]!;
        const { ports } = project.components[site.target]!;
        return (
          site.target === target.component &&
          attached === true &&
          site.fact.kind === 'element' &&
          site.fact.attributes.some(
            (one) => !one.plain && one.mode === 'value' && ports.has(one.name) && !isPageAttribute(one.name),
          )
        );
      });
      const at = { start: start + found.index, end: start + found.index + found[0].length };
      if (used)
        add(
          'brings a component no longer into scope',
          file,
          [edit(at, '')],
          ['component/unresolved'],
          `${found[1]!} in ${name}`,
          'anywhere',
        );
      else if (bound)
        add(
          'brings a directive no longer into scope',
          file,
          [edit(at, '')],
          ['prop/unknown'],
          `${found[1]!} in ${name}`,
          'anywhere',
        );
    }
  }

  /** The tag that a component stands on is another. */
  function selectors(component: Component): void {
    const { facts, file, name } = component;
    const [only, ...others] = facts.selectors ?? [];
    if (
      facts.attached ||
      !only?.tag?.includes('-') ||
      others.length ||
      only.attributes.length ||
      !closedSites(component)
    )
      return;
    const text = texts.of(file).slice(facts.start, facts.nameStart);
    const found = new RegExp(`selector:\\s*['"\`]${only.tag}['"\`]`).exec(text);
    if (!found) return;
    const end = facts.start + found.index + found[0].length - 1;
    const at = { start: end - only.tag.length, end };
    add(
      'misspells a selector',
      file,
      [edit(at, misspelled(only.tag))],
      ['component/unresolved'],
      `${only.tag} of ${name}`,
      'anywhere',
    );
  }

  /** The name by which others give an input, or hear an output, is another. */
  function aliases(component: Component): void {
    const { facts, file, name, ports, calledAt } = component;
    if (component.open || facts.attached || !closedSites(component)) return;
    for (const port of ports.values()) {
      const alias = port.name.replace(/^@/, '');
      if (port.member === undefined || port.inherited) continue;
      const given = calledAt.some((id) => {
        const { fact, together } = project.sites[id]!;
        return !together && fact.attributes.some((one) => one.name === port.name && !one.plain);
      });
      const before = texts.of(file).slice(0, port.place.start);
      const from = Math.max(before.lastIndexOf(';'), before.lastIndexOf('{\n'));
      const after = texts.of(file).indexOf(';', port.place.end);
      const written = texts.of(file).slice(from, after);
      const index = written.search(new RegExp(`['"]${alias}['"]`));
      if (!given || index < 0) continue;
      const at = { start: from + index + 1, end: from + index + 1 + alias.length };
      const rules = port.channel === 'event' ? ['event/unknown', 'event/broken-path'] : ['prop/unknown'];
      add(
        'misspells an alias',
        file,
        [edit(at, misspelled(alias))],
        rules,
        `${alias} of ${name}`,
        'anywhere',
      );
    }
  }

  /** What a component provides, and others ask for, is provided no longer. */
  function providers({ id, facts, file, name }: Component): void {
    const { contexts } = project;
    for (const { key, keyStart, keyEnd, at } of facts.provides) {
      const written = textAt(file, { start: keyStart, end: keyEnd });
      const provider = contexts.providers.find(
        (one) => one.component === id && one.place.file === file && one.place.start === keyStart,
      );
      if (!at || !provider || !('name' in key) || written !== key.name || contexts.hasDefault(provider.key))
        continue;
      const others = contexts.providers.filter((one) => one.key === provider.key);
      const isAsked = contexts.consumers.some(
        (one) =>
          one.key === provider.key &&
          one.missing !== 'handled' &&
          !contexts.mayBeElsewhere(one.component) &&
          contexts.providedSomewhere(one.component, one.key, one.from) &&
          (project.components[one.component]!.calledAt.length > 0 || project.components[one.component]!.root),
      );
      const after = /^\s*,/.exec(texts.of(file).slice(keyEnd))?.[0].length ?? 0;
      if (!isAsked || others.length > 1 || !project.files.some((one) => one.facts.mounts)) continue;
      add(
        'provides no longer what is asked for',
        file,
        [edit({ start: keyStart, end: keyEnd + after }, '')],
        ['context/no-provider', 'portal/outside-providers'],
        `${key.name} in ${name}`,
        'anywhere',
      );
    }
  }
}
