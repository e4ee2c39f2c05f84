import { declarationOf } from '../../model/declaration';
import { placeOf, step, tagPlace, type Rule } from '../rule';
import { hands, useOf } from '../../link/4-ports/use-of-ports';

export const unguardedCall: Rule = {
  name: 'event/unguarded-call',
  level: 'warning',
  summary: 'An optional callback is called without a check, a default or `?.`.',
  check({ project, report }) {
    for (const component of project.components) {
      if (component.facts.role !== 'component') continue;
      for (const port of component.ports.values()) {
        if (port.required || port.default || port.channel === 'slot' || port.name.startsWith('@')) continue;
        if (port.typed && !isFunction(port.type && project.types.resolve(port.type))) continue;
        // Of a union, the code may have told the alternatives apart before it calls.
        if (component.variants?.every((one) => one.get(port.name)?.required !== false)) continue;
        const use = useOf(component, port);
        if (use.reads.some((read) => read.where === 'condition')) continue;
        const call = use.emits.find((emit) => emit.how === 'called' && !emit.guarded);
        if (!call) continue;
        // What a store or a package hands in besides stands at no call site.
        if (component.facts.feeds?.some((one) => one.port === port.name)) continue;
        const sites = component.facts.wrapped ? [] : component.calledAt;
        const omits = sites
          .map((id) => project.sites[id]!)
          .find((site) => hands(project, site, port.name) === false);
        if (!port.typed && !omits) continue;
        const place = placeOf(component.file, call);
        report({
          component,
          port,
          place,
          message: `${component.name} calls "${port.name}" without a check, though it may be missing. Call it with ?.`,
          trail: [
            step(component, declarationOf(port), port.name, 'may be missing', 'wait'),
            ...(omits
              ? [
                  step(
                    project.components[omits.owner]!,
                    tagPlace(omits),
                    port.name,
                    `is not passed to ${component.name}`,
                    'drop' as const,
                  ),
                ]
              : []),
            step(component, place, port.name, 'is called', 'emit'),
          ],
        });
      }
    }
  },
};

const isFunction = (shape: { k: string; of?: unknown } | undefined): boolean =>
  shape?.k === 'fn' ||
  shape?.k === 'handler' ||
  (shape?.k === 'union' &&
    (shape.of as { k: string }[]).some((one) => one.k === 'fn' || one.k === 'handler'));
