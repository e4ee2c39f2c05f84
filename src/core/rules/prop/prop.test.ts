import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { cases, findingLines, MOUNT } from '../testing';

const card = (props: string, body = 'null') => `export function Card(${props}) { return ${body}; }`;

describe('prop/missing and prop/unknown', () => {
  cases(/^prop\/(missing|unknown)$/, [
    [
      'a required prop is left out',
      `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card />; }`,
      ['error prop/missing App.tsx:2 Card'],
    ],
    [
      'optional, defaulted and passed props are not missing',
      `function Card({ a, b = 1, c }: { a?: number; b: number; c: number }) { return <b>{a}{b}{c}</b>; }
export function App() { return <Card c={2} />; }`,
      [],
    ],
    [
      'what a package is given in an object may get more from it; the same given to a function of the project, and nested',
      `import { interpolate, Words } from '@rope/words';
function own(text: string, parts: object) { return text; }
function Link({ to, children }: { to: string; children: string }) { return <a href={to}>{children}</a>; }
export function App() { return <p>
{interpolate('see <Link>that</Link>', { Link: <Link to="a" /> })}<Words parts={{ Link: <Link to="b" /> }} /><Words parts={[<Link to="c" />]} />
{own('', { Link: <Link to="d" /> })}
<Words><Link to="e" /></Words></p>; }`,
      ['error prop/missing App.tsx:6 Link', 'error prop/missing App.tsx:7 Link'],
    ],
    [
      'props that a build takes from the arguments, and a function that takes none',
      `const Wave = function () { let props = arguments.length > 0 && arguments[0] !== undefined ? arguments[0] : {}; return <svg {...Object.assign({}, props)} />; };
const Still = function () { return <svg />; };
export function App() { return <p><Wave height="2" /><Still height="2" /></p>; }`,
      ['error prop/unknown App.tsx:3 height'],
    ],
    [
      'a required callback is missing too',
      `function Gate({ onOpen }: { onOpen: () => void }) { return <button onClick={onOpen} />; }
export function App() { return <Gate />; }`,
      ['error prop/missing App.tsx:2 Gate'],
    ],
    [
      'an unknown spread may hand over anything',
      `import { extra } from 'elsewhere';
function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card {...extra} />; }`,
      [],
    ],
    [
      'an object literal spreads its members by name',
      `function Card({ fare, seat }: { fare: number; seat: number }) { return <b>{fare}{seat}</b>; }
export function App() { return <Card {...{ fare: 1 }} />; }`,
      ['error prop/missing App.tsx:2 Card'],
    ],
    [
      'props handed on whole carry what the owner takes',
      `type P = { fare: number };
function Card({ fare }: P) { return <b>{fare}</b>; }
function Desk(props: P) { return <Card {...props} />; }
export function App() { return <Desk fare={1} />; }`,
      [],
    ],
    [
      'a near miss is reported once, with the name that was meant',
      `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card fair={1} />; }`,
      ['error prop/unknown App.tsx:2 fair'],
    ],
    [
      'names beyond a closed interface',
      `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1} colour="red" data-x="1" aria-label="f" key="k" />; }`,
      ['error prop/unknown App.tsx:2 colour'],
    ],
    [
      'a rest, a base type from elsewhere and the props used whole leave the interface open',
      `import type { Base } from 'elsewhere';
import { draw } from 'elsewhere';
function A({ fare, ...rest }: { fare: number }) { return <b {...rest}>{fare}</b>; }
function B({ fare }: { fare: number } & Base) { return <b>{fare}</b>; }
interface CProps extends Base { fare: number }
function C({ fare }: CProps) { return <b>{fare}</b>; }
function D(props) { return draw(props); }
export function App() { return <><A fare={1} x="1" /><B fare={1} x="1" /><C fare={1} x="1" /><D x="1" /></>; }`,
      [],
    ],
    [
      'untyped code is closed by what it destructures or reads',
      {
        'App.jsx': `function Card({ fare }) { return <b>{fare}</b>; }
function Pass(props) { return <i>{props.seat}</i>; }
export function App() { return <><Card fare={1} seat={2} /><Pass seat={1} fare={2} /></>; }`,
      },
      ['error prop/unknown App.jsx:3 seat', 'error prop/unknown App.jsx:3 fare'],
    ],
    [
      'a wrapper from elsewhere may hand in and take more',
      `import { observer } from 'elsewhere';
const Card = observer(function Card({ fare }: { fare: number }) { return <b>{fare}</b>; });
export function App() { return <Card more={1} />; }`,
      [],
    ],
    [
      'types from another file, through extends, Pick, Omit and Partial',
      {
        'types.ts': `export interface Base { a: number; b: number }
export interface Whole extends Base { c: number }`,
        'App.tsx': `import type { Base, Whole } from './types';
function A(p: Whole) { return <b>{p.a}{p.b}{p.c}</b>; }
function B(p: Pick<Base, 'a'>) { return <b>{p.a}</b>; }
function C(p: Omit<Whole, 'a' | 'b'>) { return <b>{p.c}</b>; }
function D(p: Partial<Base>) { return <b>{p.a}{p.b}</b>; }
export function App() { return <><A a={1} b={2} /><B /><C /><D /></>; }`,
      },
      ['error prop/missing App.tsx:6 A', 'error prop/missing App.tsx:6 B', 'error prop/missing App.tsx:6 C'],
    ],
    [
      'in a union of shapes what every matching shape requires is required',
      `type P = { kind: 'a'; x: number } | { kind: 'b'; y: number };
function Card(p: P) { return <b>{p.kind}</b>; }
export function App() { return <Card kind="a" />; }`,
      ['error prop/missing App.tsx:3 Card'],
    ],
    [
      'what a package renders itself with gets what that would have had; any other element does not',
      `import { Label } from 'elsewhere';
function Title({ text }: { text: string }) { return <b>{text}</b>; }
export function App({ bold }) { return <><Label render={bold ? <Title /> : <i />}>x</Label><Label icon={<Title />} /></>; }`,
      ['error prop/missing App.tsx:3 Title'],
    ],
    [
      'elements that are cloned may get more props',
      `import { cloneElement } from 'react';
function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
function Row({ children }) { return cloneElement(children, { fare: 1 }); }
export function App() { return <Row><Card /></Row>; }`,
      [],
    ],
  ]);

  test('a near miss carries the repair', () => {
    const { result } = auditSources({
      ...MOUNT,
      'App.tsx': `function Card({ fare }: { fare: number }) { return <b>{fare}</b>; }
export function App() { return <Card fair={1} />; }`,
    });
    expect(result.findings[0]).toMatchObject({ suggestion: 'fare', edit: { text: 'fare' } });
  });
});

describe('prop/unread and prop/never-passed', () => {
  cases(/^prop\/(unread|never-passed)$/, [
    [
      'declared in a type, never read',
      `function Card({ fare }: { fare: number; seat: number }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1} seat={2} />; }`,
      ['warning prop/unread App.tsx:1 seat'],
    ],
    [
      'destructured, never read',
      {
        'App.jsx': `function Card({ fare, seat }) { return <b>{fare}</b>; }
export function App() { return <Card fare={1} seat={2} />; }`,
      },
      ['warning prop/unread App.jsx:1 seat'],
    ],
    [
      'read in a handler, an effect, a condition, a default, a nested component, or passed on',
      `import { useEffect } from 'react';
function Leaf({ x }: { x: number }) { return <i>{x}</i>; }
function Card(p: { a: number; b: number; c: number; d: number; e: number; f: number }) {
  const { a, b, c, d, e, f } = p;
  useEffect(() => { console.log(b); }, []);
  const Inner = () => <i>{e}</i>;
  const { g = d } = window as any;
  if (c) return null;
  return <button onClick={() => alert(a)}><Leaf x={f} /><Inner />{g}</button>;
}
export function App() { return <Card a={1} b={2} c={3} d={4} e={5} f={6} />; }`,
      [],
    ],
    [
      'used above its declaration',
      `function Card(p: { a: number }) {
  const show = () => a;
  const { a } = p;
  return <b>{show()}</b>;
}
export function App() { return <Card a={1} />; }`,
      [],
    ],
    [
      'exempt by an underscore, or when the props escape',
      `import { draw } from 'elsewhere';
function A({ a }: { a: number; _b: number }) { return <b>{a}</b>; }
function B(props: { a: number }) { return draw(props); }
export function App() { return <><A a={1} _b={2} /><B a={1} /></>; }`,
      [],
    ],
    [
      'taken out of a rest, so that it is not handed on',
      `function A({ tone, ...rest }: { tone?: string; n: number }) { return <b {...rest} />; }
export function App() { return <A tone="x" n={1} />; }`,
      [],
    ],
    [
      'read by the owner from the element',
      `import { Children } from 'react';
const Step = (_props: { label: string }) => null;
function Steps({ children }) { return Children.map(children, (child) => <li>{child.props.label}</li>); }
export function App() { return <Steps><Step label="a" /></Steps>; }`,
      [],
    ],
    [
      'a type of several components: the name of the one that does not read',
      `type P = { a: number; b: number };
function One({ a, b }: P) { return <b>{a}{b}</b>; }
function Two({ a }: P) { return <b>{a}</b>; }
export function App() { return <><One a={1} b={2} /><Two a={1} b={2} /></>; }`,
      ['warning prop/unread App.tsx:3 Two'],
    ],
    [
      'what a shared base type brings along is not its own',
      `interface Base { tone?: string }
interface OneProps extends Base { a: number }
interface TwoProps extends Base { a: number }
function One({ a, tone }: OneProps) { return <b className={tone}>{a}</b>; }
function Two({ a }: TwoProps) { return <b>{a}</b>; }
export function App() { return <><One a={1} tone="x" /><Two a={1} /></>; }`,
      [],
    ],
    [
      'read and never passed: a warning, a note with a default',
      `function Card({ a, b = 1 }: { a?: string; b?: number }) { return <b>{a}{b}</b>; }
export function App() { return <><Card /><Card /></>; }`,
      ['warning prop/never-passed App.tsx:1 a', 'note prop/never-passed App.tsx:1 b'],
    ],
    [
      'one call site passes it, or may',
      `import { extra } from 'elsewhere';
function Card({ a, b }: { a?: string; b?: number }) { return <b>{a}{b}</b>; }
export function App() { return <><Card a="1" /><Card {...extra} /></>; }`,
      [],
    ],
    [
      'handed on as a value, it may be called from anywhere',
      `import { draw } from 'elsewhere';
function Card({ a }: { a?: string }) { return <b>{a}</b>; }
export function App() { return <div>{draw(Card)}<Card /></div>; }`,
      [],
    ],
    [
      'offered by the entry of a published package',
      {
        'package.json': '{ "name": "kit", "main": "index.ts" }',
        'index.ts': `export { Card } from './Card';`,
        'Card.tsx': card('{ a }: { a?: string }', '<b>{a}</b>'),
        'App.tsx': `import { Card } from './Card'; export function App() { return <Card />; }`,
      },
      [],
    ],
  ]);
});

describe('prop/type-clash', () => {
  const app = (type: string, value: string, before = '') =>
    `${before}
function Card({ v }: { v: ${type} }) { return <b>{String(v)}</b>; }
export function App() { return <Card v=${value} />; }`;
  const clash = ['error prop/type-clash App.tsx:3 v'];
  cases(/type-clash/, [
    ['text for a number', app('number', '"3"'), clash],
    ['text for a boolean', app('boolean', '"true"'), clash],
    ['text for an object', app('{ id: string }', '"x"'), clash],
    ['a number for text', app('string', '{3}'), clash],
    ['a literal outside a union', app(`'a' | 'b'`, '"c"'), clash],
    ['a literal inside a union', app(`'a' | 'b'`, '"b"'), []],
    ['an enum value that does not exist', app('Mode', '"up"', `enum Mode { Low = 'low' }`), clash],
    ['an array of other things', app('string[]', '{[1, 2]}'), clash],
    ['an object without a required member', app('{ id: string; n: number }', `{{ id: 'x' }}`), clash],
    ['an object with all members', app('{ id: string; n?: number }', `{{ id: 'x' }}`), []],
    ['a bare attribute is true', app('string', '""').replace('v="" />', 'v />'), clash],
    ['a function for text', app('string', '{() => 1}'), clash],
    ['text for a function', app('() => void', '"x"'), clash],
    ['a promise for text', app('string', '{load()}', 'async function load() { return 1; }'), clash],
    ['null for anything', app('string', '{null}'), []],
    ['a type from elsewhere', app('Shape', '"x"', `import type { Shape } from 'elsewhere';`), []],
    ['any', app('any', '"x"'), []],
    [
      'a variable of known type',
      `const count = 3;
function Card({ v }: { v: string }) { return <b>{v}</b>; }
export function App() { return <Card v={count} />; }`,
      clash,
    ],
    [
      'state of known type',
      `import { useState } from 'react'; function Card({ v }: { v: string }) { return <b>{v}</b>; }
export function App() { const [n] = useState(0);
  return <Card v={n} />; }`,
      clash,
    ],
    [
      'text that came from a literal may be meant as one',
      `import { useState } from 'react'; function Card({ v }: { v: 'a' | 'b' }) { return <b>{v}</b>; }
export function App() { const [n] = useState('a');
  return <Card v={n} />; }`,
      [],
    ],
    [
      'a condition may have narrowed it',
      `type Mode = 'a' | 'b'; function Card({ v }: { v: Mode }) { return <b>{v}</b>; }
export function App({ m }: { m: string }) {
  return m === 'a' ? <Card v={m} /> : null; }`,
      [],
    ],
    [
      'a member of a union fits',
      `function Card({ v }: { v: number }) { return <b>{v}</b>; }
export function App({ m }: { m: number | undefined }) {
  return <Card v={m} />; }`,
      [],
    ],
    [
      'no function given to an event',
      {
        'App.jsx': `
function Gate({ onOpen }) { return <button onClick={onOpen} />; }
export function App() { return <Gate onOpen="now" />; }`,
      },
      ['error prop/type-clash App.jsx:3 onOpen'],
    ],
  ]);
});

describe('run-time declarations', () => {
  const declared = (types: string, use: string, params = '{ fare }') => ({
    'App.jsx': `import PropTypes from 'prop-types';
function Card(${params}) { return <b>{fare}</b>; }
Card.propTypes = { ${types} };
export function App() { return ${use}; }`,
  });
  cases(/^prop\//, [
    [
      'required and missing',
      declared('fare: PropTypes.number.isRequired', '<Card />'),
      ['error prop/missing App.jsx:4 Card'],
    ],
    [
      'required, with a default beside it',
      {
        'App.jsx': `import PropTypes from 'prop-types';
function Card({ fare }) { return <b>{fare}</b>; }
Card.propTypes = { fare: PropTypes.number };
Card.defaultProps = { fare: 3 };
export function App() { return <Card fare={2} />; }`,
      },
      [],
    ],
    [
      'of another type',
      declared('fare: PropTypes.number', '<Card fare="x" />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'outside a list of values',
      declared(`fare: PropTypes.oneOf(['a', 'b'])`, '<Card fare="c" />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'a shape without a required member',
      declared('fare: PropTypes.shape({ id: PropTypes.string.isRequired })', '<Card fare={{}} />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'a shape asks for an object',
      declared('fare: PropTypes.shape({ id: PropTypes.string })', '<Card fare="x" />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'a member of a shape has another type',
      declared('fare: PropTypes.shape({ id: PropTypes.string })', '<Card fare={{ id: 3, zone: 1 }} />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'a shape does not say what else is there',
      declared('fare: PropTypes.shape({ id: PropTypes.string })', '<Card fare={{ zone: 1 }} />'),
      [],
    ],
    [
      'one that is exact does',
      declared('fare: PropTypes.exact({ id: PropTypes.string })', '<Card fare={{ zone: 1 }} />'),
      ['error prop/type-clash App.jsx:4 fare'],
    ],
    [
      'what has a shape may have more than that',
      {
        'App.jsx': `import PropTypes from 'prop-types';
export function App() { return <Stand fare={{ id: 'a', zone: 1 }} />; }
function Stand({ fare }) { return <Card fare={fare} />; }
Stand.propTypes = { fare: PropTypes.shape({ id: PropTypes.string }) };
function Card({ fare }) { return <b>{fare.zone}</b>; }
Card.propTypes = { fare: PropTypes.shape({ zone: PropTypes.number.isRequired }) };`,
      },
      [],
    ],
    [
      'declared and never read',
      declared('fare: PropTypes.number, seat: PropTypes.any', '<Card fare={1} seat={2} />'),
      ['warning prop/unread App.jsx:3 seat'],
    ],
    ['a custom check says nothing', declared('fare: check', '<Card fare="x" />'), []],
  ]);
});

describe('prop/drilled', () => {
  const chain = (middle: string) => `import { useState } from 'react';
type U = { unit: string };
function Gauge({ unit }: U) { return <b>{unit}</b>; }
${middle}
export function App() { const [unit] = useState('m/s'); return <Panel unit={unit} />; }`;
  cases(/drilled/, [
    [
      'through two components, whatever they call it',
      chain(`function Row({ w }: { w: string }) { return <Gauge unit={w} />; }
function Panel({ unit }: { unit: string }) { return <Row w={unit} />; }`),
      ['warning prop/drilled App.tsx:5 unit'],
    ],
    [
      'through one component only',
      chain(`function Panel({ unit }: { unit: string }) { return <Gauge unit={unit} />; }`),
      [],
    ],
    [
      'read on the way',
      chain(`function Row({ w }: { w: string }) { return <i title={w}><Gauge unit={w} /></i>; }
function Panel({ unit }: { unit: string }) { return <Row w={unit} />; }`),
      [],
    ],
    [
      'changed on the way',
      chain(`function Row({ w }: { w: string }) { return <Gauge unit={w + '!'} />; }
function Panel({ unit }: { unit: string }) { return <Row w={unit} />; }`),
      [],
    ],
    [
      'carried by a spread',
      chain(`function Row({ unit }: { unit: string }) { return <Gauge unit={unit} />; }
function Panel(props: { unit: string }) { return <Row {...props} />; }`),
      ['warning prop/drilled App.tsx:5 unit'],
    ],
    [
      'a callback handed on by identity',
      `function Button({ onHold }: { onHold: () => void }) { return <button onClick={onHold} />; }
function Card({ onHold }: { onHold: () => void }) { return <Button onHold={onHold} />; }
function Queue({ onHold }: { onHold: () => void }) { return <Card onHold={onHold} />; }
export function App() { return <Queue onHold={() => alert(1)} />; }`,
      ['warning prop/drilled App.tsx:3 onHold'],
    ],
    [
      'recursion does not count',
      `function Tree({ unit, deep }: { unit: string; deep: boolean }) { return deep ? <Tree unit={unit} deep={false} /> : <Leaf unit={unit} />; }
function Leaf({ unit }: { unit: string }) { return <b>{unit}</b>; }
export function App() { return <Tree unit="m" deep />; }`,
      [],
    ],
    [
      'what a component of another package does with it is not known',
      `import { Meter } from 'elsewhere';
function Row({ unit }: { unit: string }) { return <Meter unit={unit} />; }
function Panel({ unit }: { unit: string }) { return <Row unit={unit} />; }
export function App() { return <Panel unit="m" />; }`,
      [],
    ],
    [
      'from an exported component that nobody here renders',
      `function Gauge({ unit }: { unit: string }) { return <b>{unit}</b>; }
function Row({ unit }: { unit: string }) { return <Gauge unit={unit} />; }
export function Panel({ unit }: { unit: string }) { return <Row unit={unit} />; }`,
      ['warning prop/drilled App.tsx:3 unit'],
    ],
    [
      'from an exported component that reads it',
      `function Gauge({ unit }: { unit: string }) { return <b>{unit}</b>; }
function Row({ unit }: { unit: string }) { return <Gauge unit={unit} />; }
export function Panel({ unit }: { unit: string }) { return <i title={unit}><Row unit={unit} /></i>; }`,
      [],
    ],
  ]);

  test('drillDepth sets how many components make a run, and the trail names them all', () => {
    const sources = {
      ...MOUNT,
      'App.tsx': chain(`function Panel({ unit }: { unit: string }) { return <Gauge unit={unit} />; }`),
    };
    expect(findingLines(sources, { drillDepth: 1, rules: {} })).toEqual([
      'warning prop/drilled App.tsx:4 unit',
    ]);
    const { result } = auditSources(sources, { drillDepth: 1, rules: {} });
    expect(result.findings[0]!.trail.map((one) => `${one.component} ${one.what}`)).toEqual([
      'App is handed down',
      'Panel is only passed on',
      'Gauge is used',
    ]);
  });
});

describe('a second declaration under the name of a prop', () => {
  const app = (
    params: string,
    body: string,
  ) => `function Gate(${params}) { ${body} return <b>{String(open)}</b>; }
export const App = () => <Gate open />;`;
  cases(/name-clash|unread/, [
    ['a function', app('{ open }', 'function open() {}'), ['error prop/name-clash App.tsx:1 open']],
    ['a variable', app('{ open }', 'var open = 3;'), ['error prop/name-clash App.tsx:1 open']],
    ['a default in the old style', app('{ open }', 'var open = open || 3;'), []],
    ['in another scope', app('{ open }', 'const go = () => { const open = 3; return open; };'), []],
  ]);
});

describe('wrappers that lend a ref are one with what they wrap', () => {
  const app = (wrapper: string) => `import { forwardRef } from 'react';
function Base({ speed, inner }) { return <i ref={inner}>{speed}</i>; }
${wrapper}
function Tower({ speed }) { return <Lever speed={speed} />; }
export const App = () => <Tower speed={3} />;`;
  cases(/drilled/, [
    [
      'a ref handed in',
      app('const Lever = forwardRef((props, ref) => <Base inner={ref} {...props} />);'),
      [],
    ],
    [
      'no ref',
      app('function Lever(props) { return <Base {...props} />; }'),
      ['warning prop/drilled App.tsx:4 speed'],
    ],
  ]);
});

describe('a required slot', () => {
  const app = (...tags: string[]) => `type P = { head: React.ReactNode; children: React.ReactNode };
import React from 'react';
function Panel({ head, children }: P) { return <div>{head}{children}</div>; }
export const App = () => <>${tags.join('\n')}</>;`;
  cases(/missing|unfilled/, [
    ['filled', app('<Panel head={<b />}>x</Panel>'), []],
    [
      'left empty where another call site fills it',
      app('<Panel head={<b />}>x</Panel>', '<Panel>x</Panel>', '<Panel head="a" />'),
      ['error prop/missing App.tsx:5 Panel', 'error prop/missing App.tsx:6 Panel'],
    ],
    ['filled by nobody', app('<Panel>x</Panel>'), ['note slot/unfilled App.tsx:3 head']],
  ]);
});

describe('alternatives of a props type', () => {
  const app = (
    tag: string,
  ) => `type P = { kind: 'wind'; speed: number } | { kind: 'lamp'; dusk: boolean; hint?: string };
function Dial(props: P) { return <i>{JSON.stringify(props)}</i>; }
export const App = ({ kind, more }) => ${tag};`;
  cases(/prop\/missing/, [
    ['what the alternative asks for', app('<Dial kind="wind" speed={3} />'), []],
    ['not what it asks for', app('<Dial kind="wind" dusk />'), ['error prop/missing App.tsx:3 Dial']],
    ['the other one', app('<Dial kind="lamp" />'), ['error prop/missing App.tsx:3 Dial']],
    ['nobody knows which', app('<Dial kind={kind} />'), []],
    ['nobody knows what else', app('<Dial kind="wind" {...more} />'), []],
    ['in all of them', app('<Dial speed={3} />'), ['error prop/missing App.tsx:3 Dial']],
  ]);
});

describe('roots that the settings name', () => {
  const sources = {
    'Desk.tsx': `function Desk() { return <b />; }
function Shelf() { return <b />; }`,
    'main.tsx': 'import { createRoot } from "react-dom/client"; createRoot(document.body).render(<i />);',
  };
  test('are used', () => {
    const settings = { drillDepth: 2, rules: {}, roots: ['Desk'] };
    expect(findingLines(sources, settings)).toEqual(['note component/unused Desk.tsx:2 Shelf']);
  });
});
