import { isElementMember } from '../../model/element-members';
import { nearest } from '../../model/names';
import type { Component } from '../../model/project';
import { placeOf, step, type Rule } from '../rule';
import { reachesOf } from './exposed';

/** What every object has. */
const OBJECT = ['toString', 'valueOf', 'hasOwnProperty', 'toLocaleString', 'isPrototypeOf'];

export const unknownMember: Rule = {
  name: 'ref/unknown-member',
  level: 'error',
  summary: 'Through a ref, a member is used that the target component does not expose.',
  check({ project, report }) {
    for (const component of project.components) {
      for (const { symbol, targets, member, place } of reachesOf(project, component)) {
        const lacking = targets.filter(
          ({ exposes }) =>
            !OBJECT.includes(member) &&
            !exposes.always?.includes(member) &&
            !(exposes.elements && isElementMember(member)) &&
            !exposes.members.some((one) => one.name === member),
        );
        // On several targets, the code may well know which one it holds.
        if (lacking.length < targets.length) continue;
        const { component: target, exposes } = lacking[0]!;
        const handle = component.facts.symbols[symbol]!;
        const near = nearest(
          member,
          exposes.members.map((one) => one.name),
        );
        // What the component itself keeps there, works.
        if (!near && isKept(component, symbol, member)) continue;
        const names = exposes.members.map((one) => one.name).join(', ');
        report({
          component: target,
          port: { channel: 'ref', name: member },
          place,
          message: `${component.name} uses "${member}" of ${target.name} through "${handle.name}", and ${target.name} exposes ${near ? `"${near}"; is it meant?` : names ? `only ${names}.` : 'nothing.'}`,
          trail: [
            step(component, placeOf(component.file, handle), handle.name, 'is put on the tag', 'start'),
            step(component, place, member, 'is used', 'wait'),
            step(
              target,
              placeOf(target.file, { start: target.facts.nameStart, end: target.facts.nameEnd }),
              member,
              'is not exposed',
              'drop',
            ),
          ],
          ...(near ? { suggestion: near } : {}),
        });
      }
    }
  },
};

/** Whether a member is put there through the handle, and read again. */
const isKept = ({ facts }: Component, handle: number, member: string): boolean =>
  facts.writes.some(({ symbol, path }) => symbol === handle && path?.[1] === member) &&
  facts.reads.some(({ symbol, path }) => symbol === handle && path?.[1] === member);
