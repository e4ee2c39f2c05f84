import { declarationOf } from '../../model/declaration';
import type { Linked } from '../../link';
import { isKeptByWrapper } from '../../link/3-tags/sites';
import { typeAt } from '../../link/2-names/type-arguments';
import type { Step } from '../../model/finding';
import type { Component, Lazy, Port, Site } from '../../model/project';
import type { TypeExpr } from '../../model/types';
import { assignable } from '../../types/assign';
import { showType } from '../../types/show';
import { writtenOut } from '../../types/shown';
import { mayBeNarrowed } from '../narrowed';
import { attributeKey, attributePlace, type Rule, step } from '../rule';

export const typeClash: Rule = {
  name: 'prop/type-clash',
  level: 'error',
  summary: 'The value passed cannot be assigned to the declared type.',
  check({ project, report, claimed }) {
    for (const site of project.written) {
      const owner = project.components[site.owner]!;
      const target = project.components[site.target]!;
      if (target.facts.wrapped) continue;
      for (const attribute of site.fact.attributes) {
        const port = target.ports.get(attribute.name);
        if (!port || !/^(value|two-way)$/.test(attribute.mode) || claimed(attributeKey(site, attribute.name)))
          continue;
        if (isKeptByWrapper(site, attribute.name)) continue;
        const given = attribute.value.type;
        if (!given || !(port.type || (port.channel === 'event' && isCalled(target, port)))) continue;
        const here = typeAt(project, site, port);
        // What is called must be a function, even where no type says so.
        const wanted: Lazy = here?.type ?? { type: { t: 'handler' }, file: target.file };
        const from: Lazy = { type: given, file: site.file, component: owner.id };
        if (target.facts.traits.convertsText && isConverted(project, given, wanted)) continue;
        const narrowed = mayBeNarrowed(owner, attribute.value);
        if (assignable(project.types, from, wanted, isWritten(given), narrowed) !== 'no') continue;
        const place = attributePlace(site, attribute);
        const is =
          showType(shownOf(given, owner)) ||
          showType(writtenOut(from, project.types.resolve)) ||
          'something else';
        const asks = port.type ? showType(port.type.type) || 'another type' : 'a function';
        report({
          component: target,
          port,
          site: site.id,
          place,
          message: `${owner.name} passes "${port.name}" as ${is}, but ${target.name} asks for ${asks}.`,
          trail: [
            step(owner, place, attribute.name, `is passed as ${is}`, 'start'),
            ...sayers(site, owner, here?.by ?? []),
            step(target, declarationOf(port), port.name, `is asked for as ${asks}`, 'drop'),
          ],
        });
      }
    }
  },
};

/** What is passed beside it, and says what type parameters mean. */
const sayers = (site: Site, owner: Component, names: string[]): Step[] =>
  site.fact.attributes.flatMap((one) =>
    names.includes(one.name)
      ? step(owner, attributePlace(site, one), one.name, 'says what type is asked for beside it', 'start')
      : [],
  );

/** Whether the child calls it, or gives it to an element or to code that does. */
const isCalled = ({ facts }: Component, { symbol }: Port): boolean =>
  facts.emits.some((emit) => emit.symbol === symbol) ||
  facts.functions.some((fn) => fn.calls.includes(symbol));

/** Text for a number or a boolean, which the component makes of it. */
function isConverted(project: Linked, given: TypeExpr, wanted: Lazy): boolean {
  if (given.t !== 'lit' || typeof given.v !== 'string') return false;
  const shape = project.types.resolve(wanted);
  const parts = shape.k === 'union' ? shape.of : [shape];
  return parts.some(
    (one) =>
      (one.k === 'prim' && /^(number|boolean)$/.test(one.n)) ||
      (one.k === 'lit' && typeof one.v === 'boolean'),
  );
}

/** The value is written out at the call site, so that nothing can have narrowed it. */
function isWritten(type: TypeExpr): boolean {
  if (type.t === 'union') return type.of.every(isWritten);
  return type.t === 'lit';
}

/** For messages, a symbol's own type says more than its name. */
function shownOf(type: TypeExpr, owner: Component): TypeExpr {
  return type.t === 'sym' ? (owner.facts.symbols[type.s]?.type ?? type) : type;
}
