import { expect, test } from 'vitest';
import { auditSources } from '../../audit';

test('a method that is called before it is read, and one that calls itself, are read', () => {
  const { problems, project } = auditSources({
    'Mast.jsx': `import { Component } from 'react';
export class Mast extends Component {
  first = () => this.second(this.props.high, 1);
  second = (high, deep) => (deep > 3 ? high : this.second(high, deep + 1));
  render() { return <i>{this.first()}{draw(this.props.high)}</i>; }
}
function draw(high) { return again(high, 2); }
function again(high, deep) { return deep ? again(high, deep - 1) : <b>{high}</b>; }`,
  }).result;
  expect(problems).toEqual([]);
  expect(project.components.some((one) => one.name === 'Mast')).toBe(true);
});
