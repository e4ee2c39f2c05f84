/** React: words that conditions choose, takers by their names, objects of which one is spread, rows drawn by a function. */
import { idioms } from './reaching';
import { reactApp } from './testing';

const CODE: [what: string, code: string][] = [
  [
    'a word set under a condition',
    `function App({ seed }: any) { let v = 'n'; if (seed === 'a') v = 'y'; return <Leaf x={v} />; }`,
  ],
  [
    'a word by cases',
    `function App({ seed }: any) { let v; switch (seed) { case 'a': v = 1; break; default: v = 2; } return <Leaf x={v} />; }`,
  ],
  [
    'a setter that takes what is waited for',
    `function App({ seed }: any) { const [d, setD] = useState(null); useEffect(() => { fetch(seed).then((r) => r.json()).then(setD); }, [seed]); return <Leaf x={d} />; }`,
  ],
  [
    'a function of the component that takes it',
    `function App({ seed }: any) { const [d, setD] = useState(null); const take = (r: any) => setD(r.rows); useEffect(() => { fetch(seed).then(take); }, [seed]); return <Leaf x={d} />; }`,
  ],
  ['one of two objects', `function App({ seed }: any) { return <Leaf {...(seed ? { x: seed } : {})} />; }`],
  [
    'one of two objects in another one',
    `function App({ seed }: any) { const more = { ...(seed ? { x: seed } : {}), key: 1 }; return <Leaf {...more} />; }`,
  ],
  [
    'a getter of a class',
    `class App extends React.Component<any> { get d() { return this.props.seed + 1; } render() { return <Leaf x={this.d} />; } }`,
  ],
  [
    'a row that a function of the component draws',
    `function App({ seed }: any) { const row = (r: any) => <Leaf x={r.name} />; return <>{seed.map(row)}</>; }`,
  ],
];

idioms(
  CODE.map(([what, code]) => ({ what, sources: reactApp(code), from: 'App:prop:seed', to: ['Leaf:prop:x'] })),
);
