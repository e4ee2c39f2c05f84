import { describe, expect, test } from 'vitest';
import { readFile } from '..';
import type { ComponentFacts } from '../../model/facts';

const facts = (text: string, path = 'FareCard.tsx') => readFile(path, text);

function component(text: string, name = 'FareCard'): ComponentFacts {
  const found = facts(text).components.find((one) => one.name === name && one.role === 'component');
  expect(found, `a component ${name}`).toBeDefined();
  return found!;
}

const portNames = (one: ComponentFacts) => one.ports.map((port) => port.name).sort();

describe('spellings of a component', () => {
  test.each([
    ['declaration', `export function FareCard({ fare }) { return <b>{fare}</b>; }`],
    ['arrow', `export const FareCard = ({ fare }) => <b>{fare}</b>;`],
    ['function expression', `export const FareCard = function ({ fare }) { return <b>{fare}</b>; };`],
    ['default export', `export default function FareCard({ fare }) { return <b>{fare}</b>; }`],
    ['anonymous default export', `export default function ({ fare }) { return <b>{fare}</b>; }`],
    ['anonymous default arrow', `export default ({ fare }) => <b>{fare}</b>;`],
    ['exported later', `function FareCard({ fare }) { return <b>{fare}</b>; }\nexport default FareCard;`],
    ['memo', `import { memo } from 'react';\nexport const FareCard = memo(({ fare }) => <b>{fare}</b>);`],
    [
      'memo around a name',
      `import React from 'react';\nexport default React.memo(function FareCard({ fare }) { return <b>{fare}</b>; });`,
    ],
    [
      'forwardRef in memo',
      `import { memo, forwardRef } from 'react';\nexport const FareCard = memo(forwardRef(({ fare }, ref) => <b ref={ref}>{fare}</b>));`,
    ],
    [
      'annotated',
      `import type { FC } from 'react';\nexport const FareCard: FC<{ fare: number }> = ({ fare }) => <b>{fare}</b>;`,
    ],
    [
      'create element',
      `import { createElement } from 'react';\nexport function FareCard({ fare }) { return createElement('b', null, fare); }`,
    ],
    [
      'class',
      `import { Component } from 'react';\nexport class FareCard extends Component { render() { return <b>{this.props.fare}</b>; } }`,
    ],
    [
      'in another wrapper',
      `import { observer } from 'elsewhere';\nexport const FareCard = observer(({ fare }) => <b>{fare}</b>);`,
    ],
    [
      'in two others',
      `import { observer, withRope } from 'elsewhere';\nexport const FareCard = withRope(observer(({ fare }) => <b>{fare}</b>));`,
    ],
    [
      'in one that is made by a call',
      `import { connect } from 'elsewhere';\nexport const FareCard = connect((state) => state)(({ fare }) => <b>{fare}</b>);`,
    ],
    [
      'memo in another',
      `import { memo } from 'react';\nimport { withRope } from 'elsewhere';\nexport const FareCard = withRope(memo(({ fare }) => <b>{fare}</b>));`,
    ],
    [
      'a class in two others',
      `import { Component } from 'react';\nimport { a, b } from 'elsewhere';\nexport const FareCard = a(b(1)(class extends Component { render() { return <b>{this.props.fare}</b>; } }));`,
    ],
    [
      'given to a tagged template',
      "import { painted } from 'elsewhere';\nexport const FareCard = painted(({ fare }) => <b>{fare}</b>).attrs({})`color: red`;",
    ],
    [
      'given before settings',
      `import { painted } from 'elsewhere';\nexport const FareCard = painted(({ fare }) => <b>{fare}</b>)({ color: 'red' });`,
    ],
    [
      'with parts',
      `import { memo } from 'react';\nexport const FareCard = Object.assign(memo(({ fare }) => <b>{fare}</b>), { Item });`,
    ],
    [
      'no markup, but hooks',
      `import { useText } from 'elsewhere';\nexport function FareCard({ fare }) { return useText(fare); }`,
    ],
    [
      'no markup, but a tag of it',
      `function FareCard({ fare }) { return fare; }\nexport const Desk = () => <FareCard fare="1" />;`,
    ],
  ])('%s', (_spelling, text) => {
    expect(portNames(component(text))).toEqual(['fare']);
  });

  test.each([
    ['a function in lower case', `export function fareCard() { return <b />; }`],
    ['a constant', `export const FareCard = <b />;`],
    ['a function that gives data', `export function FareCard(id) { if (!id) return null; return { id }; }`],
    ['a constructor', `export function FareCard() { this.fare = 1; }`],
    [
      'a function given to one that calls it',
      `import { rows } from 'elsewhere';\nexport const FareCard = rows.map(({ fare }) => <b>{fare}</b>);`,
    ],
    [
      'a function without markup in another',
      `import { makeStore } from 'elsewhere';\nexport const FareCard = makeStore(keep(({ fare }) => useIt(fare)));`,
    ],
    [
      'a function that calls a method',
      `export function FareCard(desk) { desk.useFares(1); Desk.useFare.reset(); return desk; }`,
    ],
    [
      'a function in which another calls a hook',
      `export function FareCard() { return { useFare: () => useState(1) }; }`,
    ],
  ])('no component: %s', (_what, text) => {
    expect(facts(text).components.filter((one) => one.role === 'component')).toEqual([]);
  });
});

describe('what a component takes', () => {
  test.each([
    [
      'destructured in the parameter',
      `({ a, b: c, d = 1, ...rest })`,
      '<b {...rest}>{a}{c}{d}</b>',
      ['a', 'b', 'd'],
    ],
    ['read from the props', `(props)`, '<b>{props.a}{props.b?.c}</b>', ['a', 'b']],
    ['nested', `({ a: { b }, d: [e] })`, '<b>{b}{e}</b>', ['a', 'd']],
  ])('%s', (_how, params, body, names) => {
    expect(portNames(component(`export function FareCard${params} { return ${body}; }`))).toEqual(names);
  });

  test('destructured in the body, renamed, with a default and a rest', () => {
    const one = component(`export function FareCard(props) {
  const { a, b: c = 2, ...others } = props;
  return <b title={c} {...others}>{a}</b>;
}`);
    expect(portNames(one)).toEqual(['a', 'b']);
    expect(one.ports.find((port) => port.name === 'b')!.default).toMatchObject({ type: { t: 'lit', v: 2 } });
    expect(one.symbols.find((symbol) => symbol.kind === 'rest')).toMatchObject({ except: ['a', 'b'] });
    expect(one.openProps).toBe(false);
  });

  test('props used whole are open', () => {
    expect(component(`export function FareCard(props) { log(props); return <b />; }`).openProps).toBe(true);
  });
});

describe('what happens inside', () => {
  const one = () =>
    component(`import { useState, useMemo, useEffect } from 'react';
export function FareCard({ fare, onPay, onHelp }) {
  const [paid, setPaid] = useState(false);
  const total = useMemo(() => fare * 2, [fare]);
  useEffect(() => { document.title = fare; }, [fare]);
  const pay = () => { setPaid(true); onPay(total); };
  if (paid) return <i>paid</i>;
  return (
    <section>
      {total > 9 && <Badge level={total} />}
      {[1, 2].map((seat) => <Seat key={seat} number={seat} onPick={() => onHelp(seat)} />)}
      <button onClick={pay}>{fare}</button>
    </section>
  );
}`);
  const symbol = (facts: ComponentFacts, name: string) =>
    facts.symbols.findIndex((each) => each.name === name);

  test('state, its writer, what is derived, and handlers', () => {
    const kinds = Object.fromEntries(one().symbols.map((each) => [each.name, each.kind]));
    expect(kinds).toMatchObject({
      paid: 'state',
      setPaid: 'setter',
      total: 'derived',
      pay: 'handler',
      seat: 'loop',
      fare: 'prop',
    });
  });

  test('reads, by where they happen', () => {
    const found = one();
    const where = found.reads
      .filter((read) => read.symbol === symbol(found, 'fare'))
      .map((read) => read.where);
    expect([...new Set(where)].sort()).toEqual(['derivation', 'effect', 'text']);
    expect(
      found.reads.some((read) => read.symbol === symbol(found, 'paid') && read.where === 'condition'),
    ).toBe(true);
  });

  test('writes and events, with the handler they happen in', () => {
    const found = one();
    expect(found.writes).toMatchObject([{ symbol: symbol(found, 'paid'), where: 'handler' }]);
    expect(found.emits.map((emit) => [emit.event, emit.how])).toEqual([
      ['onPay', 'called'],
      ['onHelp', 'called'],
    ]);
    const pay = found.symbols[symbol(found, 'pay')]!;
    expect(found.writes[0]!.fn).toBe(pay.fn);
  });

  test('the render tree: conditions, lists, nesting', () => {
    const found = one();
    const site = (name: string) => found.render.find((node) => node.tag?.name === name)!;
    expect(site('Badge').when).toBeDefined();
    expect(site('Seat').each).toBeDefined();
    expect(found.render[site('Seat').parent]!.tag!.name).toBe('section');
    expect(site('Seat').attributes.map((attribute) => [attribute.name, attribute.mode])).toEqual([
      ['key', 'key'],
      ['number', 'value'],
      ['onPick', 'value'],
    ]);
  });

  test('a wrapper that only calls a callback is known as one', () => {
    const found = one();
    const pick = found.render
      .find((node) => node.tag?.name === 'Seat')!
      .attributes.find((each) => each.name === 'onPick')!;
    expect(found.functions[pick.value.fn!]!.sole).toEqual({ symbol: symbol(found, 'onHelp'), bound: true });
  });
});

test('defaults beside the component, in any order with constants', () => {
  const one = component(`const propTypes = { fare: PropTypes.number };
const fallback = 3;
function FareCard({ fare, seat }) { return <b>{fare}{seat}</b>; }
FareCard.propTypes = propTypes;
FareCard.defaultProps = { fare: fallback, seat: 'a' };
export default FareCard;`);
  expect(one.ports.map((port) => [port.name, port.default?.type])).toEqual([
    ['fare', { t: 'value', name: 'fallback' }],
    ['seat', { t: 'lit', v: 'a' }],
  ]);
});

test('exports of every spelling', () => {
  const { exports } = facts(
    `export Gauge from './Gauge';
export { Dial as Meter } from './Dial';
export * as Kit from './kit';
export * from './more';
export const a = 1, [b, { c }] = x;
export default a;`,
    'index.js',
  );
  expect(exports.map((one) => [one.name, one.source ?? one.local])).toEqual([
    ['Gauge', 'default'],
    ['Meter', 'Dial'],
    ['Kit', '*'],
    ['*', undefined],
    ['a', 'a'],
    ['b', 'b'],
    ['c', 'c'],
    ['default', 'a'],
  ]);
});

describe('input that cannot be read', () => {
  test.each([
    ['broken syntax', `export function A( { return <b>; }`, 1],
    ['broken on a later line', `const a = 1;\nconst b = ;`, 2],
    ['a binary file', 'a\0b', 1],
  ])('%s is a problem with its place', (_what, text, line) => {
    expect(facts(text).problem).toMatchObject({ line });
  });

  test.each([
    ['a byte order mark', '\ufeffexport const FareCard = () => <b />;'],
    ['carriage returns', 'export const FareCard = () => (\r\n  <b />\r\n);\r\n'],
    ['names beyond ASCII', 'export const Fährpreis = ({ größe }) => <b>{größe}</b>;'],
    ['nothing', ''],
  ])('%s is no problem', (_what, text) => {
    expect(facts(text).problem).toBeUndefined();
  });
});
