import { describe, expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { cases, MOUNT } from '../testing';

const BUTTON = `function HoldButton({ onHold }: { onHold?: () => void }) { return <button onClick={() => onHold?.()} />; }`;

describe('event/unheard, event/unknown, event/never-emitted', () => {
  cases(/^event\/(unheard|unknown|never-emitted)$/, [
    [
      'raised, and nobody listens',
      `${BUTTON}
export function App() { return <><HoldButton /><HoldButton /></>; }`,
      ['warning event/unheard App.tsx:1 onHold'],
    ],
    [
      'one call site listens',
      `${BUTTON}
export function App() { return <><HoldButton /><HoldButton onHold={() => alert(1)} /></>; }`,
      [],
    ],
    [
      'given to an element, it is raised',
      `function Gate({ onOpen }: { onOpen?: () => void }) { return <button onClick={onOpen} />; }
export function App() { return <Gate />; }`,
      ['warning event/unheard App.tsx:1 onOpen'],
    ],
    [
      'listening for what is never raised',
      `${BUTTON}
export function App() { return <HoldButton onHold={() => 1} onRelease={() => 2} />; }`,
      ['error event/unknown App.tsx:2 onRelease'],
    ],
    [
      'a near miss, in place of unheard',
      `${BUTTON}
export function App() { return <HoldButton onHodl={() => 1} />; }`,
      ['error event/unknown App.tsx:2 onHodl'],
    ],
    [
      'declared and never raised',
      `function Gate({ name }: { name: string; onOpen?: () => void }) { return <b>{name}</b>; }
export function App() { return <Gate name="g" onOpen={() => 1} />; }`,
      ['warning event/never-emitted App.tsx:1 onOpen'],
    ],
    [
      'checked but never called is never raised',
      `function Gate({ onOpen }: { onOpen?: () => void }) { return onOpen ? <b /> : <i />; }
export function App() { return <Gate onOpen={() => 1} />; }`,
      ['warning event/never-emitted App.tsx:1 onOpen'],
    ],
    [
      'handed to code from elsewhere, it may be raised',
      `import { useShortcut, Press } from 'elsewhere';
function Gate({ onOpen }: { onOpen?: () => void }) { useShortcut('o', onOpen); return null; }
function Door({ onOpen }: { onOpen?: () => void }) { return <Press onPress={onOpen} />; }
export function App() { return <><Gate onOpen={() => 1} /><Door onOpen={() => 1} /></>; }`,
      [],
    ],
    [
      'handed up through a memoised callback and a wrapper',
      `import { useCallback } from 'react';
${BUTTON}
function Card({ onHold }: { onHold?: () => void }) {
  const hold = useCallback(() => { onHold?.(); }, [onHold]);
  return <HoldButton onHold={hold} />;
}
export function App() { return <Card onHold={() => 1} />; }`,
      [],
    ],
    [
      'a prop that begins like a callback but is none',
      `function Line({ onTime }: { onTime: boolean }) { return <b>{String(onTime)}</b>; }
export function App() { return <Line onTime />; }`,
      [],
    ],
  ]);
});

describe('event/broken-path', () => {
  cases(/^(event|prop)\//, [
    [
      'taken and dropped, though a component below raises it',
      `${BUTTON}
function Queue({ onHold }: { onHold: () => void }) { return <HoldButton />; }
export function App() { return <Queue onHold={() => 1} />; }`,
      ['error event/broken-path App.tsx:2 onHold'],
    ],
    [
      'below, the way up to the drop may be longer',
      `${BUTTON}
function Card({ onHold }: { onHold?: () => void }) { return <HoldButton onHold={onHold} />; }
function Queue({ onHold }: { onHold: () => void }) { return <Card />; }
function Board({ onHold }: { onHold: () => void }) { return <Queue onHold={() => onHold()} />; }
export function App() { return <Board onHold={() => 1} />; }`,
      ['error event/broken-path App.tsx:3 onHold'],
    ],
    [
      'not taken at all: at the listener',
      `${BUTTON}
function Queue() { return <HoldButton />; }
export function App() { return <Queue onHold={() => 1} />; }`,
      ['error event/broken-path App.tsx:3 onHold'],
    ],
    [
      'heard on the way, and kept there',
      `${BUTTON}
function Queue({ onHold }: { onHold: () => void }) { return <HoldButton onHold={() => 2} />; }
export function App() { return <Queue onHold={() => 1} />; }`,
      ['error event/broken-path App.tsx:2 onHold'],
    ],
    [
      'an unbroken path',
      `${BUTTON}
function Queue({ onHold }: { onHold: () => void }) { return <HoldButton onHold={onHold} />; }
export function App() { return <Queue onHold={() => 1} />; }`,
      [],
    ],
  ]);

  test('the trail goes from the listener to where it is raised and ends at the component that drops it', () => {
    const { result } = auditSources({
      ...MOUNT,
      'App.tsx': `${BUTTON}
function Queue({ onHold }: { onHold: () => void }) { return <HoldButton />; }
export function App() { return <Queue onHold={() => 1} />; }`,
    });
    expect(result.findings[0]!.trail.map((one) => `${one.component} ${one.what} (${one.role})`)).toEqual([
      'App is listened for (wait)',
      'HoldButton is raised (emit)',
      'Queue is not listened for (drop)',
      'Queue is taken and dropped (drop)',
    ]);
  });
});

describe('event/called-early', () => {
  cases(/called-early|type-clash/, [
    [
      'methods of a class: what they give back counts',
      `import { Component } from 'react';
export class App extends Component {
  mark(id) { this.setState({ id }); }
  later(id) { return () => this.mark(id); }
  get chosen() { return this.props.chosen; }
  render() { return <><Btn onPress={this.mark(1)} /><Btn onPress={this.later(1)} /><b onClick={this.mark(2)} /><Btn onPress={this.chosen} /></>; }
}
function Btn({ onPress }: { onPress(): void }) { return <b onClick={onPress} />; }`,
      ['error event/called-early App.tsx:6 this.mark(1)', 'error event/called-early App.tsx:6 this.mark(2)'],
    ],
    [
      'a handler called at render',
      `export function App() {
  const hold = () => { alert(1); };
  return <button onClick={hold()} />;
}`,
      ['error event/called-early App.tsx:3 hold()'],
    ],
    [
      'a setter called at render',
      `import { useState } from 'react';
export function App() { const [n, setN] = useState(0);
  return <button onClick={setN(n + 1)}>{n}</button>; }`,
      ['error event/called-early App.tsx:3 setN(n + 1)'],
    ],
    [
      'a callback of known type called at render',
      `function Gate({ onOpen }: { onOpen: (id: number) => void }) {
  return <button onClick={onOpen(1)} />; }
export function App() { return <Gate onOpen={() => {}} />; }`,
      ['error event/called-early App.tsx:2 onOpen(1)'],
    ],
    [
      'on a component, in place of the clash of types',
      `function Gate({ onOpen }: { onOpen: () => void }) { return <button onClick={onOpen} />; }
const open = () => 3;
export function App() { return <Gate onOpen={open()} />; }`,
      ['error event/called-early App.tsx:3 open()'],
    ],
    [
      'a call that makes a handler, or of which nothing is known',
      `import { bind } from 'elsewhere';
const made = (id: number) => () => alert(id);
export function App({ go }: { go: any }) {
  return <><button onClick={made(1)} /><button onClick={bind(1)} /><button onClick={go()} /><button onClick={() => made(1)()} /></>;
}`,
      [],
    ],
  ]);
});
