/** Components that are declared in functions, and what they have from there. */
import { type Idiom, idioms } from './reaching';
import { reactApp } from './testing';

const STATES = `const [open, setOpen] = useState(1); const [size, setSize] = useState(1);`;

/** What an app does with what it keeps, around what stands in it. */
const app = (code: string, markup: string, module = ''): Record<string, string> =>
  reactApp(
    `${module} export function App({ seed: unit }) { ${STATES} ${code} return <i><Btn v={size} onSave={setSize} />${markup}</i>; }`,
  );

/** The value arrives at the leaf in the component inside; what stands beside it does not. */
const ARRIVES: [what: string, code: string, markup: string, module?: string][] = [
  ['state', 'const Row = () => <Leaf x={open} />;', '<Row />'],
  ['what is worked out of state', 'const twice = open * 2; const Row = () => <Leaf x={twice} />;', '<Row />'],
  ['a member', 'const held = { a: open, b: size }; const Row = () => <Leaf x={held.a} />;', '<Row />'],
  [
    'taken apart',
    'const held = { a: open, b: size }; const Row = () => { const { a } = held; return <Leaf x={a} />; };',
    '<Row />',
  ],
  ['declared by name, below its use', 'function Row() { return <Leaf x={open} />; }', '<Row />'],
  [
    'two functions deep',
    'const Row = () => { const Cell = () => <Leaf x={open} />; return <Cell />; };',
    '<Row />',
  ],
  ['a memoised component', 'const Row = memo(() => <Leaf x={open} />);', '<Row />'],
  [
    'in a hook',
    'const { Panel } = usePanel(open, size);',
    '<Panel />',
    'function usePanel(at, gap) { const Panel = () => <Leaf x={at} />; return { Panel, gap }; }',
  ],
  [
    'in a function of the module',
    'const Cell = useMemo(() => makeCell({ at: open, gap: size }), [open]);',
    '<Cell />',
    'const makeCell = ({ at, gap }) => { const Cell = () => <Leaf x={at} />; return Cell; };',
  ],
  [
    'in a function that another calls',
    'const { Head } = built(size, open);',
    '<Head />',
    'function build(at) { const Head = () => <Leaf x={at} />; return { Head }; } const built = (gap, at) => build(at);',
  ],
];

/** What the leaf's neighbour hands up arrives in the state of the function around. */
const SETS: [what: string, code: string, markup: string, module?: string][] = [
  ['a setter', 'const Row = () => <Btn v={unit} onSave={setOpen} />;', '<Row />'],
  ['a function around a setter', 'const Row = () => <Btn v={unit} onSave={(v) => setOpen(v)} />;', '<Row />'],
  [
    'a handler',
    'const keep = (v) => setOpen(v); const Row = () => <Btn v={unit} onSave={keep} />;',
    '<Row />',
  ],
  [
    'a setter that a function of the module is given',
    'const Cell = useMemo(() => makeCell(unit, { put: setOpen }), [unit]);',
    '<Cell />',
    'const makeCell = (v, { put }) => { const Cell = () => <Btn v={v} onSave={(one) => put(one)} />; return Cell; };',
  ],
];

const PROPS = `function Board(props) { const Row = () => <Leaf x={props.at} />; return <Row />; }`;

idioms([
  ...ARRIVES.flatMap(([what, code, markup, module]): Idiom[] => [
    { what, sources: app(code, markup, module), from: 'App:state:open', to: ['Leaf:prop:x'] },
    {
      what: `${what}: not what stands beside it`,
      sources: app(code, markup, module),
      from: 'App:state:size',
      to: ['Btn:prop:v'],
      not: ['Leaf:prop:x'],
    },
  ]),
  ...SETS.map(([what, code, markup, module]): Idiom => ({
    what: `sets: ${what}`,
    sources: app(code, `${markup}<Leaf x={open} />`, module),
    from: 'App:prop:seed',
    to: ['App:state:open', 'Leaf:prop:x'],
  })),
  {
    what: 'a member of the props of the component around',
    sources: app('', '<Board at={open} />', PROPS),
    from: 'App:state:open',
    to: ['Board:prop:at', 'Leaf:prop:x'],
  },
  {
    what: 'a name that the component inside has itself',
    sources: app('const Row = ({ open }) => <Leaf x={open} />;', '<Row open={size} /><Btn v={open} />'),
    from: 'App:state:open',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
]);
