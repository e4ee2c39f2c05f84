import { describe } from 'vitest';
import { cases } from '../testing';

const APP = (jsx: string) => `export function App() { return <>${jsx}</>; }`;

describe('prop/constant', () => {
  const card = `function Card({ tone }: { tone: string }) { return <b>{tone}</b>; }\n`;
  cases(/constant/, [
    [
      'three call sites agree',
      card + APP('<Card tone="a" /><Card tone="a" /><Card tone="a" />'),
      ['note prop/constant App.tsx:1 tone'],
    ],
    ['two are not enough', card + APP('<Card tone="a" /><Card tone="a" />'), []],
    [
      'one differs, or is no literal',
      card + APP('<Card tone="a" /><Card tone="a" /><Card tone={x()} />'),
      [],
    ],
  ]);
});

describe('prop/default-clash', () => {
  cases(/default-clash/, [
    [
      'a default of another type',
      `function Card({ n = 'x' }: { n?: number }) { return <b>{n}</b>; }\n${APP('<Card n={1} />')}`,
      [`error prop/default-clash App.tsx:1 'x'`],
    ],
    [
      'required, and a default all the same',
      `function Card({ n = 3 }: { n: number }) { return <b>{n}</b>; }\n${APP('<Card n={1} />')}`,
      ['warning prop/default-clash App.tsx:1 3'],
    ],
    [
      'a good default, and defaults beside a class',
      `import { Component } from 'react';
function Card({ n = 3 }: { n?: number }) { return <b>{n}</b>; }
class Old extends Component<{ n: number }> { static defaultProps = { n: 3 }; render() { return <b>{this.props.n}</b>; } }
${APP('<Card n={1} /><Old />')}`,
      [],
    ],
  ]);
});

describe('prop/overwritten', () => {
  cases(/overwritten/, [
    [
      'assigned through the props',
      {
        'App.jsx': `function Card(props) { props.fare.amount = 3; return <b>{props.fare.amount}</b>; }\n${APP('<Card fare={x()} />')}`,
      },
      ['error prop/overwritten App.jsx:1 props.fare.amount = 3'],
    ],
    [
      'a list changed in place',
      `function Card({ list }: { list: number[] }) { list.sort(); const add = () => list.push(3); return <b onClick={add}>{list.length}</b>; }\n${APP('<Card list={x()} />')}`,
      ['error prop/overwritten App.tsx:1 list.sort()', 'error prop/overwritten App.tsx:1 list.push(3)'],
    ],
    [
      'a list under the name of what opens pages',
      `function Card({ history }: { history: string[] }) { const add = () => history.push('x'); return <b onClick={add}>{history.length}</b>; }\n${APP('<Card history={x()} />')}`,
      ["error prop/overwritten App.tsx:1 history.push('x')"],
    ],
    [
      'a destructured copy, a ref, a thing that is no list, a copy of the list',
      `import type { History } from 'elsewhere';
function Card({ n, box, history, list }: { n: number; box: any; history: History; list: number[] }) {
  n = 3; box.current = n; history.push('/x'); [...list].sort(); list.slice().reverse();
  return <b>{n}</b>;
}
${APP('<Card n={1} box={x()} history={x()} list={[]} />')}`,
      [],
    ],
    [
      'a rest is a copy',
      `function Card({ n, ...rest }: { n: number; tone?: string }) { rest.tone = 'x'; return <b {...rest}>{n}</b>; }\n${APP('<Card n={1} tone="y" />')}`,
      [],
    ],
    [
      'the owner is told',
      `function Card({ list, onListChange }: { list: number[]; onListChange: (list: number[]) => void }) {
  return <b onClick={() => { list.push(3); onListChange(list); }}>{list.length}</b>; }\n${APP('<Card list={x()} onListChange={y} />')}`,
      [],
    ],
  ]);
});

describe('prop/stale-copy', () => {
  const card = (more: string, prop = 'fare') => `import { useEffect, useState } from 'react';
function Card({ ${prop} }: { ${prop}: number }) { const [kept, setKept] = useState(${prop}); ${more} return <b onClick={() => setKept(1)}>{kept}</b>; }\n`;
  cases(/stale-copy/, [
    ['nothing renews it', card('') + APP('<Card fare={3} />'), ['note prop/stale-copy App.tsx:2 kept']],
    ['an effect renews it', card('useEffect(() => setKept(fare), [fare]);') + APP('<Card fare={3} />'), []],
    ['a key renews it', card('') + APP('<Card key="a" fare={3} />'), []],
    ['meant as a first value', card('', 'initialFare') + APP('<Card initialFare={3} />'), []],
  ]);
});
