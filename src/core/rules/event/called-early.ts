import type { Linked } from '../../link';
import type { AttributeFact, RenderFact } from '../../model/facts';
import { isCallbackName } from '../../model/names';
import { isPageEvent } from '../../model/page-names';
import type { Component, Lazy } from '../../model/project';
import type { TypeSpace } from '../../types/resolve';
import type { Shape } from '../../types/shape';
import { attributeKey, placeOf, step, type Rule } from '../rule';

export const calledEarly: Rule = {
  name: 'event/called-early',
  level: 'error',
  summary: 'A handler is called while rendering instead of being passed.',
  check({ project, report, claim }) {
    for (const component of project.components) {
      component.facts.render.forEach((node, index) => {
        for (const attribute of node.attributes) {
          const [id] = component.siteAt.get(index) ?? [];
          const site = id === undefined ? undefined : project.sites[id]!;
          if (!attribute.called || !isHandlerPlace(project, node, attribute, site?.target)) continue;
          const type: Lazy = { type: attribute.value.type!, file: component.file, component: component.id };
          if (!givesNoFunction(project.types, project.types.resolve(type))) continue;
          if (site) claim(attributeKey(site, attribute.name));
          const name = calleeName(component, attribute);
          const place = placeOf(component.file, attribute.value);
          report({
            ...(site ? { site: site.id } : {}),
            nodes: [],
            component,
            port: { channel: 'event', name: attribute.name },
            place,
            message: `${component.name} calls ${name} while rendering; "${attribute.name}" gets its result, which is no function. Hand over a function that calls it.`,
            trail: [
              step(component, place, name, 'is called at every render', 'emit'),
              step(
                component,
                placeOf(component.file, { start: attribute.nameStart, end: attribute.nameEnd }),
                attribute.name,
                'gets the result',
                'drop',
              ),
            ],
          });
        }
      });
    }
  },
};

/** Nothing but a function is taken, or none. */
function isFunctionType({ types }: Linked, type: Lazy): boolean {
  const shape = types.resolve(type);
  const parts = (shape.k === 'union' ? shape.of : [shape]).filter((one) => !isNothing(one));
  return parts.length > 0 && parts.every((one) => one.k === 'fn');
}

const isNothing = (shape: Shape): boolean =>
  (shape.k === 'lit' && (shape.v === undefined || shape.v === null)) ||
  (shape.k === 'prim' && shape.n === 'void');

function isHandlerPlace(
  project: Linked,
  node: RenderFact,
  attribute: AttributeFact,
  target: number | undefined,
): boolean {
  if (attribute.mode === 'listen') return true;
  if (attribute.mode !== 'value') return false;
  if (node.kind === 'element') return isHandlerName(attribute.name);
  const port = target === undefined ? undefined : project.components[target]!.ports.get(attribute.name);
  return port?.channel === 'event' || (port?.type !== undefined && isFunctionType(project, port.type));
}

/** `onClick`, or `onclick` where the page knows such an event. */
const isHandlerName = (name: string): boolean =>
  isCallbackName(name) || (/^on[a-z]/.test(name) && isPageEvent(name.slice(2)));

function givesNoFunction(types: TypeSpace, shape: Shape): boolean {
  switch (shape.k) {
    case 'prim':
      return shape.n !== 'never' && shape.n !== 'object';
    case 'lit':
    case 'array':
    case 'content':
      return true;
    case 'object':
      return !shape.open;
    case 'union':
      return shape.of.every((one) => givesNoFunction(types, one));
    default:
      return false;
  }
}

function calleeName(component: Component, attribute: AttributeFact): string {
  const { called } = attribute;
  if (called?.module) return called.module;
  return called?.symbol === undefined ? 'a function' : component.facts.symbols[called.symbol]!.name;
}
