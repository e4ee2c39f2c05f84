/** Functions of the project that wrap components: what the wrapper keeps and hands in is the wrapped one's as well. */
import { type Idiom, idioms } from './reaching';
import { reactApp } from './testing';

/** A wrapper that keeps `held`, hands it in as `x`, and sets it by `onSave`; one that keeps something else. */
const HOLD = `const withHold = (Inner: any) => function Hold(props: any) { const [held, hold] = useState(0); return <><Inner {...props} x={held} onSave={hold} /><Leaf x={held} /></>; };`;
const WIND = `function withWind(Inner: any) { return ({ unit, ...rest }: any) => { const [wind] = useState(unit); return <Inner {...rest} w={wind} />; }; }`;
const PART = `function Part({ v, x, w, onSave }: any) { return <b onClick={() => onSave(v)}>{x}{w}</b>; } function Other({ x, w }: any) { return <i>{x}{w}</i>; }`;
const wrapped = (made: string, shown: string) =>
  reactApp(
    `${HOLD} ${WIND} ${PART} ${made} function App({ seed }: any) { const [own] = useState('b'); return <>${shown}<Other x={own} w="c" /></>; }`,
  );

const LIST: [what: string, made: string, shown: string, from: string, to: string[], not: string[]][] = [
  [
    'what it keeps is handed in',
    'const Kept = withHold(Part);',
    '<Kept v={seed} />',
    'Hold:state:held',
    ['Part:prop:x', 'Leaf:prop:x'],
    ['Other:prop:x'],
  ],
  [
    'what is raised sets what it keeps',
    'const Kept = withHold(Part);',
    '<Kept v={seed} />',
    'App:prop:seed',
    ['Part:prop:v', 'Part:event:onSave', 'Hold:state:held', 'Leaf:prop:x', 'Part:prop:x'],
    ['Other:prop:x'],
  ],
  [
    'of one in the other, both',
    'const Kept = withHold(withWind(Part));',
    '<Kept v={seed} unit={seed} />',
    'Hold:state:held',
    ['Part:prop:x'],
    ['Other:prop:x', 'Part:prop:w'],
  ],
  [
    'what it takes itself',
    'const Kept = withWind(Other);',
    '<Kept unit="kn" x={seed} />',
    'withWind:state:wind',
    ['Other:prop:w'],
    ['Other:prop:x'],
  ],
  [
    'around two, to both',
    'const One = withHold(Part); const Two = withHold(Other);',
    '<One v={seed} /><Two />',
    'Hold:state:held',
    ['Part:prop:x', 'Other:prop:x'],
    ['App:state:own'],
  ],
];

idioms(
  LIST.map(([what, made, shown, from, to, not]): Idiom => ({
    what: `a wrapper: ${what}`,
    sources: wrapped(made, shown),
    from,
    to,
    not,
  })),
);
