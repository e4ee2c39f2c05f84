import { describe } from 'vitest';
import { cases } from '../testing';

describe('targets of portals', () => {
  const page = (id: string) =>
    `<!doctype html><body><div id="${id}"></div><script src="main.js"></script></body>`;
  const app = (target: string, more = '') => `import { createPortal } from 'react-dom';
${more}
export function App() { return createPortal(<p>Wind</p>, ${target}); }`;
  const by = (target: string, id = 'overlay', more = '') => ({
    'App.tsx': app(target, more),
    'index.html': page(id),
  });
  const get = (id: string) => `document.getElementById('${id}')`;
  cases(/^portal\/no-target/, [
    ['in the page', by(get('overlay')), []],
    ['nowhere', by(get('overlya')), [`error portal/no-target App.tsx:3 ${get('overlya')}`]],
    ['asserted', by(`${get('side')}!`), [`error portal/no-target App.tsx:3 ${get('side')}!`]],
    [
      'by selector',
      by(`document.querySelector('#side')`),
      [`error portal/no-target App.tsx:3 document.querySelector('#side')`],
    ],
    [
      'a constant',
      by('root', 'overlay', `const root = ${get('side')};`),
      ['error portal/no-target App.tsx:3 root'],
    ],
    ['another selector', by(`document.querySelector('main > .side')`), []],
    [
      'made by code',
      by(get('side'), 'overlay', `const box = document.createElement('div'); box.id = 'side';`),
      [],
    ],
    ['made by an attribute', by(get('side'), 'overlay', `box.setAttribute('id', 'side');`), []],
    ['made in markup', by(get('side'), 'overlay', 'export const Shell = () => <div id="side" />;'), []],
    ['made in markup as text', by(get('side'), 'overlay', 'const html = `<div id="side">`;'), []],
    ['a page that is not here', app(get('side')), []],
    ['a page without scripts', { 'App.tsx': app(get('side')), 'index.html': '<p id="a">' }, []],
    ['a computed id', by('document.getElementById(name)'), []],
  ]);
});

describe('what a second root provides', () => {
  const sources = (mount: string) => ({
    'App.tsx': `import { createContext, useContext } from 'react';
import { createRoot } from 'react-dom/client';
const Wind = createContext(null);
function Gust() { const wind = useContext(Wind); return <b>{wind.speed}</b>; }
function Sheet() { return <div><Gust /></div>; }
export function App() {
  const open = () => { ${mount} };
  return <Wind.Provider value={speed}><i onClick={open}><Gust /></i></Wind.Provider>;
}`,
  });
  cases(/no-provider|outside/, [
    [
      'mounted by a handler, without it',
      sources('createRoot(box).render(<Sheet />);'),
      ['warning portal/outside-providers App.tsx:7 createRoot(box).render(<Sheet />)'],
    ],
    [
      'mounted with it',
      sources('createRoot(box).render(<Wind.Provider value={1}><Sheet /></Wind.Provider>);'),
      [],
    ],
    [
      'a portal keeps it',
      sources('').valueOf() && {
        'App.tsx': sources('')
          ['App.tsx'].replace('<Gust /></i>', '{createPortal(<Sheet />, document.body)}</i>')
          .replace('createRoot }', 'createPortal }')
          .replace('react-dom/client', 'react-dom'),
      },
      [],
    ],
  ]);
});

describe('one component in two exclusive places', () => {
  const app = (
    render: string,
    panel = 'const [at, setAt] = useState(0);',
  ) => `import { useState } from 'react';
function Panel({ n }) { ${panel} return <p>{n}</p>; }
export function App({ wide }) { ${render} }`;
  const lost = ['warning portal/state-lost App.tsx:3 Panel'];
  cases(/state-lost/, [
    [
      'two branches in other elements',
      app('return wide ? <main><Panel /></main> : <aside><Panel /></aside>;'),
      lost,
    ],
    [
      'a condition and its opposite',
      app('return <><main>{wide && <Panel />}</main><aside>{!wide && <Panel />}</aside></>;'),
      lost,
    ],
    [
      'an early return',
      app('if (wide) return <main><Panel /></main>; return <aside><Panel /></aside>;'),
      lost,
    ],
    ['the same place', app('return wide ? <Panel n={1} /> : <Panel n={2} />;'), []],
    [
      'the same place, deeper',
      app('return wide ? <main><Panel n={1} /></main> : <main><Panel n={2} /></main>;'),
      [],
    ],
    [
      'other keys',
      app('return wide ? <main><Panel key="a" /></main> : <aside><Panel key="b" /></aside>;'),
      [],
    ],
    ['no state', app('return wide ? <main><Panel /></main> : <aside><Panel /></aside>;', ''), []],
    [
      'both at once',
      app('return <><main>{wide && <Panel />}</main><aside>{wide && <Panel />}</aside></>;'),
      [],
    ],
    [
      'two conditions that may both hold',
      app('return <><main>{wide && <Panel />}</main><aside>{tall && <Panel />}</aside></>;'),
      [],
    ],
  ]);
});
