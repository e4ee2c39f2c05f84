/** Faults that are not at the call site: in what is declared, provided, placed or exposed elsewhere, and handlers that are called. */
import type { Linked } from '../src/core/link';
import { bareName, isCallbackName, publicName } from '../src/core/model/names';
import { isElementProperty } from '../src/core/model/element-members';
import { isPageEvent } from '../src/core/model/page-names';
import { isClosed } from '../src/core/link/4-ports/use-of-ports';
import type { Component, Port } from '../src/core/model/project';
import { spellingsOf } from '../src/core/trace/spelled';
import type { Add } from './mutations';
import type { UnitTexts } from './unit-texts';

/** Calls `add` for every place at which such a fault can be made. */
export function addFarMutations(project: Linked, texts: UnitTexts, add: Add): void {
  for (const component of project.components) {
    if (project.files[component.file]!.aside || component.facts.role !== 'component') continue;
    calledHandlers(component);
    renamedEvents(component);
    renamedInputs(component);
    renamedOutlets(component);
    renamedMembers(component);
    renamedKeys(component);
  }

  /** A handler by its name is called instead: `onClick={go()}`. */
  function calledHandlers({ facts, file, name, siteAt }: Component): void {
    const text = texts.of(file);
    facts.render.forEach((node, index) => {
      for (const { value, mode, name: given } of node.attributes) {
        if (value.kind !== 'identity' || facts.symbols[value.symbol!]!.kind !== 'handler') continue;
        const [site] = siteAt.get(index) ?? [];
        const port =
          site === undefined ? undefined : project.components[project.sites[site]!.target]!.ports.get(given);
        const listens =
          node.kind === 'element'
            ? isCallbackName(given) || /^on[a-z]/.test(given)
            : port?.channel === 'event';
        if (!listens || (facts.traits.statementHandlers && mode === 'listen')) continue;
        const fn = facts.functions[facts.symbols[value.symbol!]!.fn ?? -1];
        // What gives back a function may be called.
        if (!fn || fn.gives?.some((one) => one.kind !== 'literal')) continue;
        if (!/^[\w$]+$/.test(text.slice(value.start, value.end))) continue;
        add(
          'calls a handler',
          file,
          [{ start: value.end, end: value.end, text: '()' }],
          ['event/called-early'],
          `${given} in ${name}`,
        );
      }
    });
  }

  /** An event is declared and raised under another name, while call sites listen for the one of before. */
  function renamedEvents(component: Component): void {
    const { facts, ports, calledAt } = component;
    if (facts.openEmits || facts.openProps) return;
    for (const port of ports.values()) {
      // Code may raise one of its name wherever it likes.
      if (port.channel !== 'event' || isPageEvent(port.name) || project.madeEvents.has(bareName(port.name)))
        continue;
      const heard = calledAt.some((id) =>
        project.sites[id]!.fact.attributes.some((one) => one.name === port.name),
      );
      if (!heard || !facts.emits.some((one) => one.event === port.name)) continue;
      renamed('renames an event where it is declared and raised', component, port, [
        'event/unknown',
        'event/broken-path',
        'prop/unknown',
      ]);
    }
  }

  /** An input is declared and read under another name, while call sites give the one of before. */
  function renamedInputs(component: Component): void {
    const { ports, calledAt, facts } = component;
    if (!isClosed(component)) return;
    for (const port of ports.values()) {
      // Elements of the page take some names, whatever they do with them.
      if (port.channel !== 'prop' || (facts.traits.bySelectors && isElementProperty(port.name))) continue;
      const given = calledAt.some((id) => {
        const site = project.sites[id]!;
        return site.fact.attributes.some((one) => one.name === port.name && one.mode === 'value');
      });
      if (given) renamed('renames an input where it is declared and read', component, port, ['prop/unknown']);
    }
  }

  /** Renames a port in all of its unit, where every word that is its name is a place that spells it. */
  function renamed(kind: string, component: Component, port: Port, rules: string[]): void {
    const { file, name } = component;
    const bare = publicName(port.name);
    const text = texts.of(file);
    const words = [
      ...text.matchAll(new RegExp(`(?<![\\w$-])${bare.replace(/[^\w]/g, '\\$&')}(?![\\w$-])`, 'g')),
    ];
    const spelt = spellingsOf(project).of({ kind: 'port', component, port });
    const isSpelt = (at: number): boolean => {
      const place = texts.edit(file, at, at + bare.length, '');
      return spelt.some(
        (one) =>
          project.files[one.place.file]!.path === place.path &&
          one.place.start <= place.start &&
          place.end <= one.place.end,
      );
    };
    if (!words.length || port.inherited || !words.every((one) => isSpelt(one.index))) return;
    const edits = words.map((one) => ({
      start: one.index,
      end: one.index + bare.length,
      text: `${bare}Zz`,
    }));
    add(kind, file, edits, rules, `${bare} of ${name}`, 'anywhere');
  }

  /** A slot is placed under another name, while call sites fill the one of before. */
  function renamedOutlets({ facts, file, name, ports, calledAt }: Component): void {
    if (facts.openSlots) return;
    for (const node of facts.render) {
      const port =
        node.kind === 'outlet' && node.outlet?.startsWith('#') ? ports.get(node.outlet) : undefined;
      if (!port || port.name === facts.traits.contentPort) continue;
      const bare = port.name.slice(1);
      const filled = calledAt.some((id) => {
        const { owner, node: at } = project.sites[id]!;
        return project.components[owner]!.facts.render.some(
          (one) => one.parent === at && one.slot === port.name,
        );
      });
      const places = facts.render.filter((one) => one.outlet === node.outlet);
      const written = texts.of(file).slice(node.start, node.end).indexOf(`name="${bare}"`);
      if (!filled || places.length > 1 || written < 0) continue;
      const start = node.start + written + 6;
      add(
        'renames a slot at its outlet',
        file,
        [{ start, end: start + bare.length, text: `${bare}Zz` }],
        ['slot/unknown'],
        `${bare} of ${name}`,
        'anywhere',
      );
    }
  }

  /** A member is exposed under another name, while others use the one of before through a handle. */
  function renamedMembers({ facts, file, name, calledAt }: Component): void {
    const text = texts.of(file);
    for (const { members, open, value } of facts.exposes ?? []) {
      if (open || !value || value.kind !== 'object') continue;
      for (const member of members) {
        const used = calledAt.some((id) => {
          const { facts: owner } = project.components[project.sites[id]!.owner]!;
          const handles = project.sites[id]!.fact.attributes.flatMap((one) =>
            one.mode === 'ref' ? [one.value.symbol] : [],
          );
          return owner.reads.some((read) => handles.includes(read.symbol) && read.path?.[1] === member.name);
        });
        if (!used || text.slice(member.start, member.end) !== member.name) continue;
        const given = value.members?.find((one) => one.name === member.name);
        const short = given && given.value.start === member.start;
        const put = short ? `${member.name}Zz: ${member.name}` : `${member.name}Zz`;
        add(
          'renames an exposed member',
          file,
          [{ start: member.start, end: member.end, text: put }],
          ['ref/unknown-member'],
          `${member.name} of ${name}`,
          'anywhere',
        );
      }
    }
  }

  /** A text key is provided under another name. */
  function renamedKeys({ id, facts, file, name }: Component): void {
    for (const { key, keyStart, keyEnd } of facts.provides) {
      if (!('text' in key) || !/^['"]/.test(texts.of(file).slice(keyStart, keyEnd))) continue;
      const reads = project.contexts.consumers.filter(
        (one) => one.key.name === key.text && one.missing !== 'handled',
      );
      const others = project.contexts.providers.filter((one) => one.key.name === key.text);
      const rendered = reads.filter(
        (one) =>
          !project.contexts.mayBeElsewhere(one.component) &&
          project.contexts.providedSomewhere(one.component, one.key),
      );
      if (!rendered.length || others.length !== 1 || others[0]!.component !== id) continue;
      add(
        'renames a key where it is provided',
        file,
        [{ start: keyEnd - 1, end: keyEnd - 1, text: 'Zz' }],
        ['context/no-provider'],
        `${key.text} of ${name}`,
        'anywhere',
      );
    }
  }
}
