/** Which declaration a name means: the use by its place, the declaration by its kind and place. */
import type * as t from '@babel/types';
import { expect, test } from 'vitest';
import { parseScript } from './parse';
import { readScopes } from './scope';
import { eachChild } from './walk';

function resolved(text: string): string[] {
  const parsed = parseScript('a.tsx', text);
  if ('problem' in parsed) throw new Error(parsed.problem.message);
  readScopes(parsed.program);
  const found: { at: number; text: string }[] = [];
  const look = (node: t.Node): void => {
    if (
      (node.type === 'Identifier' || node.type === 'JSXIdentifier') &&
      node.binding &&
      node.binding.id !== node
    ) {
      const { kind, id, reassigned } = node.binding;
      const at = node.start!;
      found.push({
        at,
        text: `${node.name}@${at} is the ${kind} of ${id.start}${reassigned ? ', written again' : ''}`,
      });
    }
    eachChild(node, look);
  };
  look(parsed.program);
  return found.sort((a, b) => a.at - b.at).map((one) => one.text);
}

test.each<[string, string[]]>([
  [`let a = 1; { let a = 2; use(a); } use(a);`, ['a@28 is the let of 17', 'a@38 is the let of 4']],
  [`use(a); var a = 1;`, ['a@4 is the let of 12']],
  [`if (x) { var a = 1; } use(a);`, ['a@26 is the let of 13']],
  [`use(late()); function late() {}`, ['late@4 is the function of 22']],
  [
    `function f(a, { b, c: d }, ...rest) { return [a, b, d, rest]; }`,
    [
      'a@46 is the param of 11',
      'b@49 is the param of 16',
      'd@52 is the param of 22',
      'rest@55 is the param of 30',
    ],
  ],
  [`const f = function own() { return own; }; own();`, ['own@34 is the function of 19']],
  [`const g = (a, b = a) => b;`, ['a@18 is the param of 11', 'b@24 is the param of 14']],
  [`try { go(); } catch (error) { use(error); } use(error);`, ['error@34 is the let of 21']],
  [`try { go(); } catch ({ message }) { use(message); }`, ['message@40 is the let of 23']],
  [`for (const i of list) use(i); use(i);`, ['i@26 is the const of 11']],
  [
    `for (let i = 0; i < 3; i++) use(i);`,
    [
      'i@16 is the let of 9, written again',
      'i@23 is the let of 9, written again',
      'i@32 is the let of 9, written again',
    ],
  ],
  [
    `class A { m() { return A; } } const B = class Inner { m() { return Inner; } };`,
    ['A@23 is the class of 6', 'Inner@67 is the class of 46'],
  ],
  [
    `import d, { one as two, type T } from './x'; import * as all from './y'; use(d, two, all.z);`,
    ['d@77 is the import of 7', 'two@80 is the import of 19', 'all@85 is the import of 57'],
  ],
  [`enum Kind { A } use(Kind.A);`, ['Kind@20 is the enum of 5']],
  [
    `const { a, ...others } = object; use(a, others);`,
    ['a@37 is the const of 8', 'others@40 is the const of 14'],
  ],
  [
    `const [first, , third = first] = list; use(third);`,
    ['first@24 is the const of 7', 'third@43 is the const of 16'],
  ],
  [
    `let n = 0; n = 1; n++; [n] = list; ({ n } = object);`,
    [
      'n@11 is the let of 4, written again',
      'n@18 is the let of 4, written again',
      'n@24 is the let of 4, written again',
      'n@38 is the let of 4, written again',
    ],
  ],
  [`const o = { a, b: c, [d]: 1, m() { return a; } };`, []],
  [`label: for (;;) { break label; } const label = 1;`, []],
  [`const A = () => <B c={d}><e.F /></B>; const d = 1;`, ['d@22 is the const of 44']],
  [
    `function f(x) { var x; return x; }`,
    ['x@20 is the param of 11, written again', 'x@30 is the param of 11, written again'],
  ],
  [`type T = { a: A }; interface A { b: string } const v: T = w;`, []],
  [
    `export const a = 1; export { a as b }; export default a;`,
    ['a@29 is the const of 13', 'a@54 is the const of 13'],
  ],
  [`switch (x) { case 1: let y = 2; use(y); } use(y);`, ['y@36 is the let of 25']],
])('%s', (text, expected) => {
  expect(resolved(text)).toEqual(expected);
});
