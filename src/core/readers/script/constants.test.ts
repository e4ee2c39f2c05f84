/** Names that the code writes as constants. */
import { expect, test } from 'vitest';
import { auditSources } from '../../audit';
import { idioms } from '../../trace/idioms/reaching';
import { constantText } from './constants';
import { parseScript } from './parse';
import { readScopes } from './scope';

const TEXTS: [written: string, text: string | undefined][] = [
  [`'wind'`, 'wind'],
  ['`wind`', 'wind'],
  ['WIND', 'wind'],
  ['(WIND as string)', 'wind'],
  ['KEYS.wind', 'gust'],
  ['`${WIND}`', undefined],
  ['OTHER', undefined],
  ['changing', undefined],
  ['KEYS.rope', undefined],
  ['OPEN.wind', undefined],
  ['KEYS[WIND]', undefined],
  ['given', undefined],
];

test.each(TEXTS)('%s is %j', (written, text) => {
  const parsed = parseScript(
    'a.ts',
    `import { OTHER } from './b'; const WIND = 'wind' as const; const KEYS = { wind: 'gust' } as const; const OPEN = { ...OTHER, wind: 'gust' }; let changing = 'a'; export function f(given: string) { return ${written}; }`,
  );
  if ('problem' in parsed) throw new Error(parsed.problem.message);
  readScopes(parsed.program);
  const exported = parsed.program.body.at(-1)!;
  const fn = exported.type === 'ExportNamedDeclaration' ? exported.declaration : undefined;
  const first = fn?.type === 'FunctionDeclaration' ? fn.body.body[0] : undefined;
  expect(first?.type === 'ReturnStatement' ? constantText(first.argument) : 'none').toBe(text);
});

const app = (readings: string, gust: string): Record<string, string> => ({
  'App.jsx': `import { useState } from 'react'; import { Gauge } from './Gauge'; const SPEED = 'speed'; const KEYS = { wind: 'wind' }; export function App({ some }) { const [speed, setSpeed] = useState(1); const [wind, setWind] = useState(2); const readings = ${readings}; return <b onClick={() => { setSpeed(3); setWind(4); }}><Gauge gust={${gust}} /></b>; }`,
  'Gauge.jsx': `export function Gauge({ gust }) { return <i>{gust}</i>; }`,
});

const written = (write: string): Record<string, string> => ({
  'line.svelte.js': `export const line = $state({ limit: 4, wind: 2 });`,
  'App.svelte': `<script>import Gauge from './Gauge.svelte'; import { line } from './line.svelte.js'; const LIMIT = 'limit'; let { name } = $props(); let step = $state(1); function up() { ${write}; step = 3; }</script><Gauge limit={line.limit} wind={line.wind} /><i onclick={up}></i>`,
  'Gauge.svelte': `<script>let { limit, wind } = $props();</script><i>{limit}{wind}</i>`,
});

idioms([
  {
    what: 'a member whose name is a constant is that member',
    sources: app('{ [SPEED]: speed, [KEYS.wind]: wind }', 'readings.wind'),
    from: 'Gauge:prop:gust',
    to: ['App:state:wind'],
    not: ['App:state:speed'],
  },
  {
    what: 'a member that is read by a constant',
    sources: app('{ speed, wind }', 'readings[KEYS.wind]'),
    from: 'Gauge:prop:gust',
    to: ['App:state:wind'],
    not: ['App:state:speed'],
  },
  {
    what: 'a member whose name is worked out may be any',
    sources: app('{ [SPEED]: speed, [some]: wind }', 'readings.wind'),
    from: 'Gauge:prop:gust',
    to: ['App:state:wind'],
    not: ['App:state:speed'],
  },
  {
    what: 'a member of what a module keeps that is written by a constant',
    sources: written('line[LIMIT] = step'),
    from: 'App:state:step',
    to: ['Gauge:prop:limit'],
    not: ['Gauge:prop:wind'],
  },
  {
    what: 'a member of what a module keeps whose name is worked out may be any',
    sources: written('line[name] = step'),
    from: 'App:state:step',
    to: ['Gauge:prop:limit', 'Gauge:prop:wind'],
  },
]);

const UNREAD: [what: string, sources: Record<string, string>][] = [
  [
    'Vue',
    {
      'Gauge.vue': `<script>export default { props: { wind: Number, rope: Number }, data() { return { held: 0 }; }, created() { this['held'] = this['wind']; } };</script><template><i>{{ held }}</i></template>`,
      'App.vue': `<script>import Gauge from './Gauge.vue'; export default { components: { Gauge } };</script><template><Gauge :wind="1" :rope="2" /></template>`,
    },
  ],
  [
    'React',
    {
      'Gauge.jsx': `import React from 'react'; import PropTypes from 'prop-types'; export class Gauge extends React.Component { render() { return <i>{this.props['wind']}</i>; } } Gauge.propTypes = { wind: PropTypes.number, rope: PropTypes.number };`,
      'App.jsx': `import { Gauge } from './Gauge'; export function App() { return <Gauge wind={1} rope={2} />; }`,
    },
  ],
];

test.each(UNREAD)('a member that is read as a text is that member, and no other, in %s', (_, sources) => {
  const { findings } = auditSources(sources).result;
  expect(findings.filter(({ rule }) => rule === 'prop/unread').map(({ subject }) => subject)).toEqual([
    'Gauge:prop:rope',
  ]);
});
