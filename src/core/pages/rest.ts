import { inFile, react, type RulePages } from './page';

/** Portals, components, state and templates. */
export const OTHER_PAGES: RulePages = {
  'portal/no-target': {
    means: 'A portal draws into an element by its id, and nothing in the project makes one of that id.',
    costs: 'The content is shown nowhere, or the page throws.',
    sure: 'The id must be a constant, and the pages of the project must be there to look at.',
    examples: [
      {
        language: 'react',
        before: {
          'index.html':
            '<div id="root"></div><div id="notices"></div><script type="module" src="main.tsx"></script>',
          'main.tsx': `import { createRoot } from 'react-dom/client';
import { Deck } from './Deck';
createRoot(document.getElementById('root')).render(<Deck />);`,
          'Deck.tsx': `import { createPortal } from 'react-dom';
export function Deck() {
  return <>{createPortal(<p>Closed</p>, document.getElementById('notice'))}</>;
}`,
        },
        after: {
          'Deck.tsx': `import { createPortal } from 'react-dom';
export function Deck() {
  return <>{createPortal(<p>Closed</p>, document.getElementById('notices'))}</>;
}`,
        },
      },
    ],
  },
  'portal/outside-providers': {
    means: 'Content is mounted as a second tree, and consumes what only the first one provides.',
    costs: 'It reads defaults, or throws, although the same component works elsewhere.',
    sure: 'Both trees and the provider must be seen.',
    examples: [
      {
        language: 'react',
        before: {
          'Deck.tsx': `import { createContext, useContext } from 'react';
import { createRoot } from 'react-dom/client';
const UnitContext = createContext<string | null>(null);
export function Deck() {
  const open = () => createRoot(document.getElementById('sheet')).render(<Gauge />);
  return <UnitContext.Provider value="kn"><Gauge /><button onClick={open}>Open</button></UnitContext.Provider>;
}
function Gauge() { return <b>{useContext(UnitContext).length}</b>; }`,
          'main.tsx': `import { createRoot } from 'react-dom/client';
import { Deck } from './Deck';
createRoot(document.getElementById('root')).render(<Deck />);`,
        },
        after: {
          'Deck.tsx': `import { createContext, useContext, useState } from 'react';
import { createPortal } from 'react-dom';
const UnitContext = createContext<string | null>(null);
export function Deck() {
  const [open, setOpen] = useState(false);
  return <UnitContext.Provider value="kn"><Gauge />{open && createPortal(<Gauge />, document.body)}<button onClick={() => setOpen(true)}>Open</button></UnitContext.Provider>;
}
function Gauge() { return <b>{useContext(UnitContext).length}</b>; }`,
        },
      },
    ],
  },
  'portal/state-lost': {
    means:
      'A component that holds state is written in two places of one render, of which one is drawn at a time.',
    costs: 'Switching between them builds it anew: what was typed or opened is gone.',
    sure: 'The two places must exclude each other, and the component must keep something that would be missed.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck({ wide }: { wide: boolean }) {
  return wide ? <aside><Log /></aside> : <main><Log /></main>;
}
function Log() {
  const [text, setText] = useState('');
  return <input value={text} onChange={(event) => setText(event.target.value)} />;
}`,
        `import { useState } from 'react';
export function Deck({ wide }: { wide: boolean }) {
  return <main className={wide ? 'wide' : ''}><Log /></main>;
}
function Log() {
  const [text, setText] = useState('');
  return <input value={text} onChange={(event) => setText(event.target.value)} />;
}`,
      ),
    ],
  },
  'component/unresolved': {
    means: 'A tag names a component that is neither imported, registered nor declared.',
    costs: 'The page throws, or shows an empty element of that name.',
    sure: 'Names that a build brings into scope, and registrations that cannot be followed, make it silent.',
    examples: [
      react(
        `export function Deck() {
  return <Gauge />;
}`,
        `import { Gauge } from './Gauge';
export function Deck() {
  return <Gauge />;
}`,
      ),
    ],
  },
  'component/lowercase': {
    means: 'A component is used as a lower-case tag, which makes it a plain element.',
    costs: 'The component is never called; an unknown element stands in the page.',
    sure: 'Only where a component of that name is in scope, and no element is called so.',
    examples: [
      react(
        `function gauge() { return <b>3</b>; }
export function Deck() {
  return <gauge />;
}`,
        `function Gauge() { return <b>3</b>; }
export function Deck() {
  return <Gauge />;
}`,
      ),
    ],
  },
  'component/unused': {
    means: 'Nothing renders, routes, mounts or exports the component.',
    costs: 'Code that is kept for nobody.',
    sure: 'What a package offers to others, and what unknown code may render, counts as used.',
    examples: [
      {
        language: 'react',
        before: {
          'main.tsx': `import { createRoot } from 'react-dom/client';
import { Deck } from './Deck';
createRoot(document.body).render(<Deck />);`,
          'Deck.tsx': `export function Deck() {
  return <main />;
}
function Gauge() { return <b>3</b>; }`,
        },
        after: {
          'Deck.tsx': `export function Deck() {
  return <main><Gauge /></main>;
}
function Gauge() { return <b>3</b>; }`,
        },
      },
    ],
  },
  'component/called': {
    means: 'A component that holds state or consumes context is called as a function.',
    costs:
      'Its state belongs to whoever calls it: drawn twice, or under a condition, it loses count of its hooks.',
    sure: 'Functions that hold nothing may be called as one likes.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck() {
  return <main>{Gauge()}</main>;
}
function Gauge() {
  const [wind] = useState(3);
  return <b>{wind}</b>;
}`,
        `import { useState } from 'react';
export function Deck() {
  return <main><Gauge /></main>;
}
function Gauge() {
  const [wind] = useState(3);
  return <b>{wind}</b>;
}`,
      ),
    ],
  },
  'component/inherits': {
    means: 'A component class extends another component class of the project.',
    costs:
      'What it renders and takes is spread over two files, and every change to the base reaches all who extend it.',
    sure: 'Bases that only lend helpers and render nothing are left alone.',
    examples: [
      react(
        `import { Component } from 'react';
class Gauge extends Component<{ wind: number }> {
  render() { return <b>{this.props.wind}</b>; }
}
class StormGauge extends Gauge {
  render() { return <i>{this.props.wind}</i>; }
}
export const Deck = () => <><Gauge wind={3} /><StormGauge wind={30} /></>;`,
        `function Gauge({ wind, storm }: { wind: number; storm?: boolean }) {
  return storm ? <i>{wind}</i> : <b>{wind}</b>;
}
export const Deck = () => <><Gauge wind={3} /><Gauge wind={30} storm /></>;`,
      ),
    ],
  },
  'state/twin': {
    means: 'Owner and child keep state of the same name, and neither is fed from the other.',
    costs: 'Two truths: a change in one is not seen in the other.',
    sure: 'The child must have no other owner.',
    examples: [
      react(
        `import { useState } from 'react';
export function Deck() {
  const [chosen, setChosen] = useState('');
  return <main onClick={() => setChosen('A1')}>{chosen}<CabinList /></main>;
}
function CabinList() {
  const [chosen, setChosen] = useState('');
  return <p onClick={() => setChosen('A2')}>{chosen}</p>;
}`,
        `import { useState } from 'react';
export function Deck() {
  const [chosen, setChosen] = useState('');
  return <main>{chosen}<CabinList chosen={chosen} onChoose={setChosen} /></main>;
}
function CabinList({ chosen, onChoose }: { chosen: string; onChoose: (name: string) => void }) {
  return <p onClick={() => onChoose('A2')}>{chosen}</p>;
}`,
      ),
    ],
  },
  'state/setup-race': {
    means: 'Owner and descendant both write the same shared field while they are set up.',
    costs: 'Whoever runs last wins, and that may change with the order of imports.',
    sure: 'Both writes must be seen to run during the set-up.',
    examples: [
      {
        language: 'vue',
        before: {
          'line.js': `import { reactive } from 'vue';
export const line = reactive({ unit: 'm/s' });`,
          'Deck.vue': `<script setup>
import { line } from './line';
import Gauge from './Gauge.vue';
line.unit = 'kn';
</script>
<template><Gauge /></template>`,
          'Gauge.vue': `<script setup>
import { line } from './line';
line.unit = 'km/h';
</script>
<template><b>{{ line.unit }}</b></template>`,
        },
        after: {
          'Gauge.vue': `<script setup>
import { line } from './line';
</script>
<template><b>{{ line.unit }}</b></template>`,
        },
      },
    ],
  },
  'template/unknown-name': {
    means:
      'A template uses a name that its component does not have, or applies a pipe that is not in its scope.',
    costs: 'It shows nothing there, and a complaint in the console at best.',
    sure: 'Mixins, bases and plugins that are not of the project make it silent; so does, for pipes, anything of a package in the scope of the template whose contents are not known.',
    examples: [
      inFile(
        'vue',
        'Gauge.vue',
        `<script setup>
const wind = 3;
</script>
<template><b>{{ widn }}</b></template>`,
        `<script setup>
const wind = 3;
</script>
<template><b>{{ wind }}</b></template>`,
      ),
    ],
  },
};
