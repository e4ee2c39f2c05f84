/** Ways into values that are told apart, and when there are too many of them. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import type { Frame } from './frames';
import { few, type Held } from './handings';
import { Memo } from './memo';

const FRAME = {} as Frame;
const ways = (count: number): string[][] => Array.from({ length: count }, (_, index) => [`m${index}`]);

test.each<[what: string, memo: Memo<string>, asked: number, worked: number]>([
  ['all ways are told apart where there are few', new Memo<string>((all) => all), 40, 40],
  [
    'of too many, those that come later are the whole, worked out once',
    new Memo<string>((all) => all),
    200,
    49,
  ],
  ['where nobody says what a member of the whole is, all are told apart', new Memo<string>(), 200, 200],
])('%s', (_, memo, asked, worked) => {
  let times = 0;
  const ask = (want: string[]): string[] =>
    memo.once(FRAME, 3, want, (way) => {
      times++;
      return [way.join('.')];
    });
  for (const one of [...ways(asked), ...ways(asked)]) ask(one);
  expect(times).toBe(worked);
  expect(ask(['m0'])).toEqual(['m0']);
  expect(ask([`m${asked - 1}`])).toEqual([worked === asked ? `m${asked - 1}` : '']);
});

test('of a parameter with too many parts it is made, and of the others there are parts', () => {
  const part = (own: number, name: string): Held => ({ own, take: [name], put: [], made: false });
  const many = ways(80).map(([name]) => part(0, name!));
  expect(few([...many, part(1, 'at'), part(1, 'at')])).toEqual([
    { own: 0, take: [], put: [], made: true },
    part(1, 'at'),
  ]);
});

test('functions that call themselves for members of members come to an end', () => {
  const names = Array.from({ length: 14 }, (_, index) => `part${index}`);
  const into = (fn: string, by: string) => names.map((name) => `${fn}(${by}.${name});`).join(' ');
  const { project } = auditSources({
    'walk.ts': `export function walk(tree) {
  const found = [];
  const look = (one, above) => { found.push(one.kind, above); for (const part of one.parts) look(part, one); ${names.map((name) => `look(one.${name}, above.${name});`).join(' ')} };
  look(tree, tree);
  return found;
}
export function first(tree) { return tree.kind ? tree : (${names.map((name) => `first(tree.${name})`).join(' ?? ')}); }
export function each(tree, visit) { visit(tree); ${into('each', 'tree').replaceAll(');', ', visit);')} }`,
    'App.jsx': `import { each, first, walk } from './walk';
export function App({ tree }) { const kinds = []; each(tree, (one) => kinds.push(one.kind)); return <><Leaf x={walk(tree)} /><Leaf x={first(tree)} /><Leaf x={kinds} /></>; }
function Leaf({ x }) { return <b>{x}</b>; }`,
  }).result;
  const { nodes, edges } = project.flow;
  const leaf = nodes.find(({ name }) => name === 'x')!;
  expect(edges.filter(({ to }) => to === leaf.id).map(({ from }) => nodes[from]!.name)).toContain('tree');
});
