/** Functions that call what they are given, in a module of their own or beside who calls them. */
import { idioms } from './reaching';

/** Functions of a module, a call of one in a component, and where the value of `rows` arrives. */
const CALLS: [what: string, util: string, call: string, to: string[], not?: string[]][] = [
  [
    'a setter',
    `export function pick(list, done) { done(list[0]); }`,
    'pick(rows, setBest)',
    ['App:state:best'],
  ],
  [
    'a function that is written there',
    `export function pick(list, done) { done(list[0]); }`,
    'pick(rows, (one) => setBest(one))',
    ['App:state:best'],
  ],
  [
    'a handler by its name',
    `export function pick(list, done) { done(list[0]); }`,
    'pick(rows, keep)',
    ['App:state:best'],
  ],
  [
    'a callback that was handed in',
    `export function pick(list, done) { done(list[0]); }`,
    'pick(rows, onPick)',
    ['App:event:onPick', 'Root:state:last'],
  ],
  [
    'for each of a list',
    `export const pick = (list, done) => { list.forEach((one) => done(one)); };`,
    'pick(rows, setBest)',
    ['App:state:best'],
  ],
  [
    'a member of what it is given',
    `export function pick(list, { done }) { done(list[0]); }`,
    'pick(rows, { done: setBest })',
    ['App:state:best'],
  ],
  [
    'a member that may be missing, later',
    `export async function pick(list, options = {}) { await fetch('/held'); options.done?.(list); }`,
    'pick(rows, { done: setBest })',
    ['App:state:best'],
  ],
  [
    'handed on to another',
    `function inner(list, done) { done(list); } export function pick(list, done) { inner(list, done); }`,
    'pick(rows, setBest)',
    ['App:state:best'],
  ],
  [
    'handed on in an object',
    `function inner({ list, done }) { done(list); } export function pick(list, done) { inner({ list, done }); }`,
    'pick(rows, setBest)',
    ['App:state:best'],
  ],
  [
    'called with something else',
    `export function pick(list, done) { done(4); }`,
    'pick(rows, setBest)',
    [],
    ['App:state:best'],
  ],
  [
    'not called',
    `export function pick(list, done) { return [list, done]; }`,
    'pick(rows, setBest)',
    [],
    ['App:state:best'],
  ],
  [
    'the other of two',
    `export function pick(list, done, failed) { failed(list); done(1); }`,
    'pick(rows, setBest, setOther)',
    ['App:state:other'],
    ['App:state:best'],
  ],
];

idioms(
  CALLS.map(([what, util, call, to, not]) => ({
    what,
    sources: {
      'util.js': util,
      'App.jsx': `import { useState } from 'react'; import { pick } from './util'; export function App({ onPick }) { const [rows, setRows] = useState([1]); const [best, setBest] = useState(0); const [other, setOther] = useState(0); const keep = (one) => { setBest(one); }; return <b onClick={() => { ${call}; setRows([2]); onPick(other); keep(3); }}>{best}{other}</b>; } export function Root() { const [last, setLast] = useState(0); return <p>{last}<App onPick={setLast} /></p>; }`,
    },
    from: 'App:state:rows',
    to,
    ...(not ? { not } : {}),
  })),
);
