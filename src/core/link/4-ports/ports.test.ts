/** The ports of a component: what it declares, merged with what it reads. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { showType } from '../../types/show';

function portsOf(text: string): string[] {
  const { project } = auditSources({ 'A.tsx': `import React from 'react';\n${text}` }).result;
  const { ports, open, unresolved } = project.components.find((one) => one.name === 'A')!;
  return [
    ...[...ports.values()].map((port) =>
      [
        `${port.name}: ${port.channel}`,
        port.declared ? 'declared' : 'read',
        ...(port.required ? ['required'] : []),
        ...(port.default ? ['with a default'] : []),
        showType(port.type?.type) || 'any type',
      ].join(', '),
    ),
    ...(open ? ['open'] : []),
    ...(unresolved ? ['unresolved'] : []),
  ];
}

test.each<[string, string[]]>([
  [
    `export function A({ a, b = 1, ...rest }: { a: string; b?: number; c: boolean }) { return <b {...rest}>{a}{b}</b>; }`,
    [
      'a: prop, declared, required, string',
      'b: prop, declared, with a default, number',
      'c: prop, declared, required, boolean',
      'open',
    ],
  ],
  [
    `interface P { a: string; on?(): void } export const A = (props: P) => <b onClick={props.on}>{props.a}</b>;`,
    ['a: prop, declared, required, string', 'on: prop, declared, () => void'],
  ],
  [
    `export function A(props) { return <b>{props.a}{props.b?.c}</b>; }`,
    ['a: prop, read, any type', 'b: prop, read, any type'],
  ],
  [`export function A(props) { return <b {...props} />; }`, ['open']],
  [
    `type B = { a: string }; type P = B & { b: number }; export function A({ a, b }: P) { return <b>{a}{b}</b>; }`,
    ['a: prop, declared, required, string', 'b: prop, declared, required, number'],
  ],
  [
    `type P = Omit<{ a: string; b: number }, 'a'>; export function A(props: P) { return <b>{props.b}</b>; }`,
    ['b: prop, declared, required, number'],
  ],
  [
    `type P = Partial<{ a: string }> & Pick<{ b: number; c: boolean }, 'b'>; export function A(props: P) { return <b>{props.a}{props.b}</b>; }`,
    ['a: prop, declared, string', 'b: prop, declared, required, number'],
  ],
  [
    `import PropTypes from 'prop-types'; export function A({ a, b }) { return <b>{a}{b}</b>; } A.propTypes = { a: PropTypes.oneOfType([PropTypes.node, PropTypes.string]), b: PropTypes.oneOfType([PropTypes.node, PropTypes.object]) };`,
    ['a: slot, declared, content | string', 'b: prop, declared, content | object'],
  ],
  [
    `import type { P } from 'elsewhere'; export function A(props: P) { return <b>{props.a}</b>; }`,
    ['a: prop, read, any type', 'open', 'unresolved'],
  ],
  [
    `import { Outer } from 'elsewhere'; interface P extends Outer { a: string } export function A({ a }: P) { return <b>{a}</b>; }`,
    ['a: prop, declared, required, string', 'open', 'unresolved'],
  ],
  [
    `type P = { kind: 'x'; a: string } | { kind: 'y'; b: number }; export function A(props: P) { return <b>{props.kind}</b>; }`,
    ['kind: prop, declared, required, any type', 'a: prop, declared, string', 'b: prop, declared, number'],
  ],
  [
    `export class A extends React.Component<{ a: string }> { render() { return <b>{this.props.a}</b>; } }`,
    ['a: prop, declared, required, string'],
  ],
  [
    `import PropTypes from 'prop-types'; export function A({ a, b }) { return <b>{a}{b}</b>; } A.propTypes = { a: PropTypes.string.isRequired, b: PropTypes.number };`,
    ['a: prop, declared, required, string', 'b: prop, declared, number'],
  ],
  [
    `import { forwardRef } from 'react'; export const A = forwardRef<HTMLElement, { a: string }>(({ a }, ref) => <b ref={ref}>{a}</b>);`,
    ['a: prop, declared, required, string'],
  ],
  [
    `import { memo } from 'react'; export const A = memo(({ a }: { a: string }) => <b>{a}</b>);`,
    ['a: prop, declared, required, string'],
  ],
  [
    `export function A({ children, head }: { children: React.ReactNode; head: () => React.ReactNode }) { return <b>{head()}{children}</b>; }`,
    ['children: slot, declared, required, content', 'head: slot, declared, required, () => content'],
  ],
])('%s', (text, expected) => {
  expect(portsOf(text)).toEqual(expected);
});
