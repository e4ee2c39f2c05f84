import { describe } from 'vitest';
import { cases } from '../testing';

const REACT = `import { Component } from 'react';`;
const dial = `${REACT}
export interface DialProps { label: string }
export abstract class Dial<P extends DialProps> extends Component<P> {
  protected abstract reading(): string;
  hold() { this.setState({ held: true }); }
  turn = (by) => () => by;
  render() { return <p>{this.props.label} {this.reading()}</p>; }
}`;

describe('classes that extend classes', () => {
  cases(/inherits|missing|unknown|unread|early|unused|type-clash/, [
    [
      'a base that draws, an heir that does not; what both take is known',
      {
        'Dial.tsx': dial,
        'Wind.tsx': `import { Dial, type DialProps } from './Dial';
interface WindProps extends DialProps { speed: number; note?: string }
export class Wind extends Dial<WindProps> {
  protected reading() { return this.props.speed.toFixed(1); }
}`,
        'App.tsx': `import { Wind } from './Wind';
export function App() { return <><Wind label="North" speed={3} /><Wind speed="4" /></>; }`,
      },
      [
        'error prop/missing App.tsx:2 Wind',
        'error prop/type-clash App.tsx:2 speed',
        'warning prop/unread Wind.tsx:2 note',
        'note component/inherits Wind.tsx:3 Dial',
      ],
    ],
    [
      'a base that does not draw, through two levels, by a renamed import',
      {
        'Form.jsx': `${REACT}
export class ValueForm extends Component {
  save() { this.setState({ saved: true }); }
  pick = (name) => () => this.setState({ name });
}`,
        'Wide.jsx': `import { ValueForm as Base } from './Form';
export class WideForm extends Base { wide = true; }`,
        'App.tsx': `import { WideForm } from './Wide';
export class App extends WideForm {
  render() {
    return <><button onClick={this.save()}>a</button><button onClick={this.pick('a')}>b</button></>;
  }
}`,
      },
      [
        'note component/inherits App.tsx:2 WideForm',
        'error event/called-early App.tsx:4 this.save()',
        'note component/inherits Wide.jsx:2 Base',
      ],
    ],
    [
      'a base of a package may read and take anything',
      {
        'App.tsx': `import { Panel } from 'elsewhere';
class Gauge extends Panel { title() { return this.props.wide; } }
class Meter extends Panel { render() { return <b>{this.props.n}</b>; } }
export function App() { return <><Gauge any={1} /><Meter n={1} other={2} /></>; }`,
      },
      [],
    ],
    [
      'a base that reads the props whole reads what its heirs take',
      {
        'Base.tsx': `${REACT}
export class Base<P> extends Component<P> { get(key) { return this.props[key]; } }`,
        'App.tsx': `import { Base } from './Base';
interface Props { wide: boolean }
class Gauge extends Base<Props> { render() { return <b>{this.get('wide')}</b>; } }
export function App() { return <Gauge wide />; }`,
      },
      ['note component/inherits App.tsx:3 Base'],
    ],
    [
      'classes that draw nothing are no components',
      {
        'fleet.ts': `export class Fleet { cabins = 3; }
export class BusyFleet extends Fleet { wait() { return this.cabins; } }
export class HoldError extends Error {}`,
        'App.tsx': `import { BusyFleet, HoldError } from './fleet';
const fleet = new BusyFleet();
export function App() { if (!fleet.wait()) throw new HoldError('a'); return <p />; }`,
      },
      [],
    ],
    [
      'an heir that draws what its base draws, and more',
      {
        'Base.tsx': `${REACT}
import { Lamp } from './Lamp';
export class Base extends Component<{ on: boolean }> { render() { return <Lamp />; } }`,
        'Lamp.tsx': `export function Lamp({ lit }: { lit: boolean }) { return <b>{lit}</b>; }`,
        'App.tsx': `import { Base } from './Base';
class Wide extends Base { render() { return <main>{super.render()}{this.props.on}</main>; } }
export function App() { return <Wide on />; }`,
      },
      ['note component/inherits App.tsx:2 Base', 'error prop/missing Base.tsx:3 Lamp'],
    ],
  ]);
});

describe('tags in lower case', () => {
  cases(/lowercase/, [
    [
      'chosen by a condition, by a default, from a table, by an alias',
      `function A() { return <b />; }
function B() { return <i />; }
const KINDS = { a: A, b: B };
export function App({ wide, kind, own }: { wide: boolean; kind: 'a' | 'b'; own?: typeof A }) {
  const dial = wide ? A : B;
  const gauge = own ?? A;
  const kindly = KINDS[kind];
  const same = A;
  return <><dial /><gauge /><kindly /><same /></>;
}`,
      ['dial', 'gauge', 'kindly', 'same'].map((name) => `error component/lowercase App.tsx:9 ${name}`),
    ],
    [
      'the name of an element, given what only the component takes',
      `function Label({ wind }: { wind: number }) { return <b>{wind}</b>; }
function Meter({ value }: { value: number }) { return <b>{value}</b>; }
const label = Label;
const meter = Meter;
export function App() { return <><label wind={3} /><label htmlFor="a" /><meter value={1} /></>; }`,
      ['error component/lowercase App.tsx:5 label'],
    ],
    [
      'values that are no components',
      `const summary = <b />;
const time = '3';
export function App() { const label = time ? 'a' : 'b'; return <><summary>{summary}</summary><time>{time}</time><label>{label}</label></>; }`,
      [],
    ],
  ]);
});
