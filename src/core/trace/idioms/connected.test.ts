/** Components that a store feeds by a call around them. */
import { idioms } from './reaching';

const STORE = `import { configureStore, createSlice } from '@reduxjs/toolkit'; const slice = createSlice({ name: 'rope', initialState: { speed: 0, wind: 0 }, reducers: { setSpeed(state, action) { state.speed = action.payload; } } }); export const { setSpeed } = slice.actions; export const store = configureStore({ reducer: { rope: slice.reducer } });`;

/** The code of a panel that takes `speed` from the store and calls `setSpeed`, with the call that connects it. */
const app = (
  connected: string,
  imports = `import { connect } from 'react-redux';`,
): Record<string, string> => ({
  'store.js': STORE,
  'Panel.jsx': `import { useState } from 'react'; ${imports} import { setSpeed } from './store'; import { Gauge } from './Gauge'; function Panel({ title, speed, setSpeed }) { const [next, setNext] = useState(1); return <b onClick={() => { setSpeed(next); setNext(2); }}>{title}<Gauge value={speed} /></b>; } ${connected}`,
  'main.jsx': `import { Provider } from 'react-redux'; import { createRoot } from 'react-dom/client'; import { store } from './store'; import Panel from './Panel'; createRoot(document.body).render(<Provider store={store}><Panel title="Rope" /></Provider>);`,
  'Gauge.jsx': `export function Gauge({ value }) { return <i>{value}</i>; }`,
});

const FROM = { from: 'Panel:state:next', to: ['Panel:prop:speed', 'Gauge:prop:value'] };
const PICK = 'const pick = (state) => ({ speed: state.rope.speed });';

idioms([
  {
    what: 'functions as an object',
    sources: app(`${PICK} export default connect(pick, { setSpeed })(Panel);`),
    ...FROM,
  },
  {
    what: 'functions as a function',
    sources: app(
      `${PICK} const does = (dispatch) => ({ setSpeed: (one) => dispatch(setSpeed(one)) }); export default connect(pick, does)(Panel);`,
    ),
    ...FROM,
  },
  {
    what: 'all written there',
    sources: app(`export default connect((state) => ({ speed: state.rope.speed }), { setSpeed })(Panel);`),
    ...FROM,
  },
  {
    what: 'what is made by the call has a name',
    sources: app(`${PICK} const hold = connect(pick, { setSpeed }); export default hold(Panel);`),
    ...FROM,
  },
  {
    what: 'among others that wrap it',
    sources: app(
      `${PICK} export default compose(withLine, connect(pick, { setSpeed }))(Panel);`,
      `import { connect } from 'react-redux'; import { compose, withLine } from './ways';`,
    ),
    from: 'Panel:state:next',
    to: ['Panel:prop:speed'],
  },
  {
    what: 'around others that wrap it',
    sources: app(
      `${PICK} export default connect(pick, { setSpeed })(withLine(translate()(Panel)));`,
      `import { connect } from 'react-redux'; import { translate, withLine } from './ways';`,
    ),
    from: 'Panel:state:next',
    to: ['Panel:prop:speed'],
  },
  {
    what: 'under another name',
    sources: app(
      `${PICK} export default join(pick, { setSpeed })(Panel);`,
      `import { connect as join } from 'react-redux';`,
    ),
    ...FROM,
  },
  {
    what: 'another part of the store',
    sources: app(`export default connect((state) => ({ speed: state.rope.wind }), { setSpeed })(Panel);`),
    from: 'Panel:state:next',
    to: [],
    not: ['Panel:prop:speed', 'Gauge:prop:value'],
  },
  {
    what: 'a call of that name which is none of the package',
    sources: app(
      `${PICK} export default connect(pick, { setSpeed })(Panel);`,
      `import { connect } from './own';`,
    ),
    from: 'Panel:state:next',
    to: [],
    not: ['Panel:prop:speed'],
  },
]);
