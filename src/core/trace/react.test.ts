import { describe, expect, test } from 'vitest';
import { auditSources } from '../audit';
import { nodeRef } from '../model/refs';
import { MOUNT } from '../rules/testing';
import { edges, type Sources, traced, traces } from './testing';
import { renderTree } from './tree';

const CONTEXT_BY_HOOK_WITH_MEMBERS_AND_SETTER: Sources = {
  'App.tsx': `import { createContext, useContext, useMemo, useState } from 'react';
const Fleet = createContext(null);
function FleetProvider({ children }) {
  const [cabins, setCabins] = useState([]);
  const [held, setHeld] = useState(false);
  const value = useMemo(() => ({ cabins, held, hold: (id) => setHeld(id), setCabins }), [cabins, held]);
  return <Fleet.Provider value={value}>{children}</Fleet.Provider>;
}
function useFleet() { const ctx = useContext(Fleet); if (!ctx) throw new Error('x'); return ctx; }
export function App() { return <FleetProvider><List /><Gate /><Lamp /></FleetProvider>; }
function List() { const { cabins } = useFleet(); return cabins.map((c) => <Row key={c.id} cabin={c} />); }
function Row({ cabin }) { return <b>{cabin.name}</b>; }
function Gate() { const { hold } = useFleet(); const [n] = useState(1); return <Button onPress={() => hold(n)} />; }
function Button({ onPress }) { return <button onClick={onPress} />; }
function Lamp() { const fleet = useFleet(); return <Light lit={fleet.held} />; }
function Light({ lit }) { return <i>{String(lit)}</i>; }`,
};
describe('context by hook with members and setter', () => {
  traces(CONTEXT_BY_HOOK_WITH_MEMBERS_AND_SETTER, [
    [
      'Row:prop:cabin',
      [
        'FleetProvider:context:Fleet consume List:context:Fleet',
        'FleetProvider:local:value provide FleetProvider:context:Fleet',
        'FleetProvider:state:cabins transform FleetProvider:local:value',
        'List:context:Fleet transform List:local:c',
        'List:local:c rename Row:prop:cabin',
      ],
    ],
    [
      'Button:event:onPress',
      [
        'Button:event:onPress write FleetProvider:state:held',
        'FleetProvider:context:Fleet consume Lamp:context:Fleet',
        'FleetProvider:local:value provide FleetProvider:context:Fleet',
        'FleetProvider:state:held transform FleetProvider:local:value',
        'Lamp:context:Fleet rename Light:prop:lit',
      ],
    ],
    [
      'FleetProvider:state:held',
      [
        'Button:event:onPress write FleetProvider:state:held',
        'FleetProvider:context:Fleet consume Gate:context:Fleet',
        'FleetProvider:context:Fleet consume Lamp:context:Fleet',
        'FleetProvider:local:value provide FleetProvider:context:Fleet',
        'FleetProvider:state:held transform FleetProvider:local:value',
        'Gate:context:Fleet call FleetProvider:state:held',
        'Gate:state:n write FleetProvider:state:held',
        'Lamp:context:Fleet rename Light:prop:lit',
      ],
    ],
    [
      'Light:prop:lit',
      [
        'Button:event:onPress write FleetProvider:state:held',
        'FleetProvider:context:Fleet consume Gate:context:Fleet',
        'FleetProvider:context:Fleet consume Lamp:context:Fleet',
        'FleetProvider:local:value provide FleetProvider:context:Fleet',
        'FleetProvider:state:held transform FleetProvider:local:value',
        'Gate:context:Fleet call FleetProvider:state:held',
        'Gate:state:n write FleetProvider:state:held',
        'Lamp:context:Fleet rename Light:prop:lit',
      ],
    ],
  ]);
});

const SETTER_DRILLED_AS_PLAIN_PROP: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App() { const [open, setOpen] = useState(false); return <Frame open={open} setOpen={setOpen} />; }
function Frame({ open, setOpen }) { return <Inner shown={open} toggle={setOpen} />; }
function Inner({ shown, toggle }) { return <button onClick={() => toggle(!shown)}>{shown}</button>; }`,
};
describe('setter drilled as plain prop', () => {
  traces(SETTER_DRILLED_AS_PLAIN_PROP, [
    [
      'App:state:open',
      [
        'App:state:open pass Frame:prop:open',
        'Frame:prop:open rename Inner:prop:shown',
        'Frame:prop:setOpen write App:state:open',
        'Inner:prop:shown emit Inner:prop:toggle',
        'Inner:prop:toggle rename Frame:prop:setOpen',
      ],
    ],
    [
      'Inner:prop:toggle',
      [
        'App:state:open pass Frame:prop:open',
        'Frame:prop:open rename Inner:prop:shown',
        'Frame:prop:setOpen write App:state:open',
        'Inner:prop:shown emit Inner:prop:toggle',
        'Inner:prop:toggle rename Frame:prop:setOpen',
      ],
    ],
  ]);
});

const TWO_OWNERS_SHARE_A_CHILD: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App() { return <><A /><B /></>; }
function A() { const [x, setX] = useState(1); return <Field value={x} onChange={setX} />; }
function B() { const [y, setY] = useState(2); return <Field value={y} onChange={setY} />; }
function Field({ value, onChange }) { return <input value={value} onChange={(e) => onChange(e.target.value)} />; }`,
};
describe('two owners share a child', () => {
  traces(TWO_OWNERS_SHARE_A_CHILD, [
    ['A:state:x', ['A:state:x rename Field:prop:value', 'Field:event:onChange write A:state:x']],
    [
      'Field:prop:value',
      [
        'A:state:x rename Field:prop:value',
        'B:state:y rename Field:prop:value',
        'Field:event:onChange write A:state:x',
        'Field:event:onChange write B:state:y',
      ],
    ],
  ]);
});

const RENDER_PROP_PARAMS: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App() { const [rows] = useState([]); return <List items={rows} renderItem={(item, i) => <Row item={item} at={i} />} />; }
export function Other() { const [others] = useState([]); return <List items={others} renderItem={(one) => <Row item={one} at={1} />} />; }
function List({ items, renderItem }) { return <ul>{items.map((it, n) => <li>{renderItem(it, n)}</li>)}</ul>; }
function Row({ item, at }) { return <b>{item}{at}</b>; }`,
};
describe('render prop params', () => {
  traces(RENDER_PROP_PARAMS, [
    [
      'App:state:rows',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:prop:items transform List:local:it',
      ],
    ],
    [
      'Row:prop:item',
      [
        'App:local:item pass Row:prop:item',
        'App:state:rows rename List:prop:items',
        'List:local:it fill App:local:item',
        'List:local:it fill Other:local:one',
        'List:prop:items transform List:local:it',
        'Other:local:one rename Row:prop:item',
        'Other:state:others rename List:prop:items',
      ],
    ],
  ]);
});

const CONDITIONAL_HANDLERS: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App({ locked }) { const [n, setN] = useState(0); const add = () => setN((k) => k + 1); return <Button onPress={locked ? undefined : add} onHold={locked && add} />; }
function Button({ onPress, onHold }) { return <button onClick={() => { onPress?.(); onHold?.(); }} />; }`,
};
describe('conditional handlers', () => {
  traces(CONDITIONAL_HANDLERS, [
    ['App:state:n', ['Button:event:onHold write App:state:n', 'Button:event:onPress write App:state:n']],
  ]);
});

const REDUCER_AND_DISPATCH_IN_CONTEXT: Sources = {
  'App.tsx': `import { createContext, useContext, useReducer } from 'react';
const Ctx = createContext(null);
function reducer(s, a) { return s; }
export function App() { const [state, dispatch] = useReducer(reducer, { n: 0 }); return <Ctx.Provider value={{ state, dispatch }}><Panel /></Ctx.Provider>; }
function Panel() { const { state, dispatch } = useContext(Ctx); return <Stepper n={state.n} onStep={() => dispatch({ type: 'x' })} />; }
function Stepper({ n, onStep }) { return <button onClick={onStep}>{n}</button>; }`,
};
describe('reducer and dispatch in context', () => {
  traces(REDUCER_AND_DISPATCH_IN_CONTEXT, [
    [
      'Stepper:event:onStep',
      [
        'App:context:Ctx consume Panel:context:Ctx',
        'App:state:state provide App:context:Ctx',
        'Panel:context:Ctx pass Stepper:prop:n',
        'Stepper:event:onStep write App:state:state',
      ],
    ],
    [
      'App:state:state',
      [
        'App:context:Ctx consume Panel:context:Ctx',
        'App:state:state provide App:context:Ctx',
        'Panel:context:Ctx call App:state:state',
        'Panel:context:Ctx pass Stepper:prop:n',
        'Stepper:event:onStep write App:state:state',
      ],
    ],
  ]);
});

const HANDLE: Sources = {
  'App.tsx': `import { forwardRef, useImperativeHandle, useRef, useState } from 'react';
const Field = forwardRef(function Field(props, ref) { const [text, setText] = useState(''); useImperativeHandle(ref, () => ({ clear() { setText(''); } })); return <input value={text} />; });
export function Form() { const field = useRef(null); return <><Field ref={field} /><Button onPress={() => field.current.clear()} /></>; }
function Button({ onPress }) { return <button onClick={onPress} />; }`,
};
describe('handle', () => {
  traces(HANDLE, [
    [
      'Form:ref:field',
      [
        'Button:event:onPress call Form:ref:field',
        'Field:ref:clear write Field:state:text',
        'Form:ref:field call Field:ref:clear',
      ],
    ],
    [
      'Button:event:onPress',
      [
        'Button:event:onPress call Form:ref:field',
        'Form:ref:field call Field:ref:clear',
        'Field:ref:clear write Field:state:text',
      ],
    ],
  ]);
});

const RAISED_WITH: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App() { const [speed, setSpeed] = useState(0); const [count, setCount] = useState(0); const [unit, setUnit] = useState('m/s');
  function take(to, as) { setSpeed(to); setUnit(as); setCount((n) => n + 1); }
  return <><Panel onTake={take} /><p>{speed}{count}{unit}</p></>; }
function Panel({ onTake }) { return <Dial onTurn={(n, u) => onTake(n, u)} />; }
function Dial({ onTurn }) { const [turn, setTurn] = useState(0); const [sign, setSign] = useState(''); return <button onClick={() => { setTurn(1); onTurn(turn, sign); }} onBlur={() => setSign('kn')} />; }`,
};
describe('what an event is raised with goes to what is made of it, not to all that happens beside it', () => {
  traces(RAISED_WITH, [
    [
      'Dial:state:turn',
      [
        'Dial:state:turn emit Dial:event:onTurn',
        'Dial:event:onTurn emit Panel:event:onTake',
        'Panel:event:onTake write App:state:speed',
      ],
    ],
    [
      'App:state:unit',
      [
        'Dial:state:sign emit Dial:event:onTurn',
        'Dial:event:onTurn emit Panel:event:onTake',
        'Panel:event:onTake write App:state:unit',
      ],
    ],
    [
      'App:state:count',
      ['Dial:event:onTurn emit Panel:event:onTake', 'Panel:event:onTake write App:state:count'],
    ],
    [
      'Dial:event:onTurn',
      [
        'Dial:state:turn emit Dial:event:onTurn',
        'Dial:state:sign emit Dial:event:onTurn',
        'Dial:event:onTurn emit Panel:event:onTake',
        'Panel:event:onTake write App:state:speed',
        'Panel:event:onTake write App:state:unit',
        'Panel:event:onTake write App:state:count',
      ],
    ],
  ]);
});

const TWO_HANDLES: Sources = {
  'App.tsx': `import { forwardRef, useImperativeHandle, useRef, useState } from 'react';
const Field = forwardRef(function Field({ onClear }, ref) { useImperativeHandle(ref, () => ({ clear() { onClear(); }, mark() { onClear(); } })); return <input />; });
export function Form() { const [name, setName] = useState(''); const [code, setCode] = useState('');
  const one = useRef(null); const two = useRef(null);
  return <><Field ref={one} onClear={() => setName('')} /><Field ref={two} onClear={() => setCode('')} /><p>{name}{code}</p><Button onPress={() => one.current.clear()} onDrop={() => two.current.mark()} /></>; }
function Button({ onPress, onDrop }) { return <button onClick={onPress} onDrop={onDrop} />; }`,
};
describe('two handles on one component', () => {
  traces(TWO_HANDLES, [
    [
      'Button:event:onPress',
      [
        'Button:event:onPress call Form:ref:one',
        'Form:ref:one call Field:ref:clear',
        'Field:ref:clear emit Field:event:onClear',
        'Field:event:onClear write Form:state:name',
      ],
    ],
  ]);
});

const RECURSION: Sources = {
  'App.tsx': `import { useState } from 'react';
export function Line() { const [open, setOpen] = useState(0); const [shut, setShut] = useState(0);
  return <><Branch depth={3} at={open} onMove={setOpen} /><Branch depth={2} at={shut} onMove={setShut} /></>; }
function Branch({ depth, at, onMove }) { return depth ? <Branch depth={depth - 1} at={at} onMove={onMove} /> : <Stop at={at} onMove={onMove} />; }
function Stop({ at, onMove }) { return <button onClick={() => onMove(at)}>{at}</button>; }`,
};
describe('in by one call site and out by the same, however deep a component draws itself', () => {
  traces(RECURSION, [
    [
      'Line:state:open',
      [
        'Line:state:open rename Branch:prop:at',
        'Branch:prop:at pass Stop:prop:at',
        'Stop:prop:at emit Stop:event:onMove',
        'Stop:event:onMove pass Branch:event:onMove',
        'Branch:event:onMove write Line:state:open',
      ],
    ],
  ]);
});

const PROPS_OBJECT_AND_THIS: Sources = {
  'App.tsx': `import React from 'react';
export class App extends React.Component { state = { n: 1 }; add = () => { this.setState({ n: 2 }); }; render() { return <Step n={this.state.n} onAdd={this.add} />; } }
class Step extends React.Component { render() { const { n } = this.props; return <Show v={n} onAdd={this.props.onAdd} />; } }
function Show({ v, onAdd }) { return <button onClick={onAdd}>{v}</button>; }`,
};
describe('props object and this', () => {
  traces(PROPS_OBJECT_AND_THIS, [
    [
      'App:state:n',
      [
        'App:state:n pass Step:prop:n',
        'Show:event:onAdd pass Step:event:onAdd',
        'Step:event:onAdd write App:state:n',
        'Step:prop:n rename Show:prop:v',
      ],
    ],
  ]);
});

const MODEL_OBJECT_PROP: Sources = {
  'App.tsx': `import { useState } from 'react';
export function App() { const [a, setA] = useState(1); const [b, setB] = useState(2); return <Panel model={{ a, b, setA, onB: setB }} />; }
function Panel({ model }) { return <><Show v={model.a} /><Btn onPress={model.setA} /><Btn onPress={() => model.onB(3)} /></>; }
function Show({ v }) { return <b>{v}</b>; }
function Btn({ onPress }) { return <button onClick={onPress} />; }`,
};
describe('model object prop', () => {
  traces(MODEL_OBJECT_PROP, [
    [
      'App:state:a',
      [
        'App:state:a transform Panel:prop:model',
        'Btn:event:onPress write App:state:a',
        'Panel:prop:model transform Show:prop:v',
      ],
    ],
    [
      'Show:prop:v',
      [
        'App:state:a transform Panel:prop:model',
        'Btn:event:onPress write App:state:a',
        'Panel:prop:model transform Show:prop:v',
      ],
    ],
    ['App:state:b', ['App:state:b transform Panel:prop:model', 'Btn:event:onPress write App:state:b']],
  ]);
});

const HOOK_RETURNING_OBJECT_WITH_NESTED_HOOK: Sources = {
  'App.tsx': `import { useState } from 'react';
function useToggle(first) { const [on, set] = useState(first); const toggle = () => set((v) => !v); return { on, toggle }; }
function usePanel(opts) { const t = useToggle(opts.start); return { open: t.on, flip: t.toggle, title: opts.title }; }
export function App({ start }) { const p = usePanel({ start, title: 'x' }); return <Panel open={p.open} onFlip={p.flip} title={p.title} />; }
function Panel({ open, onFlip, title }) { return <button onClick={onFlip}>{open}{title}</button>; }`,
};
describe('hook returning object with nested hook', () => {
  traces(HOOK_RETURNING_OBJECT_WITH_NESTED_HOOK, [
    [
      'Panel:prop:open',
      [
        'App:prop:start write App:state:on',
        'App:state:on rename Panel:prop:open',
        'Panel:event:onFlip write App:state:on',
      ],
    ],
    ['Panel:event:onFlip', ['App:state:on rename Panel:prop:open', 'Panel:event:onFlip write App:state:on']],
    ['App:prop:start', ['App:prop:start write App:state:on', 'App:state:on rename Panel:prop:open']],
  ]);
});

const OBJECT_FACTORY_WITH_REST_PROPS_PROVIDER: Sources = {
  'make.tsx': `import React from 'react';
export function createStrictContext(options) {
  const Context = React.createContext(options.defaultValue);
  function Provider({ children, ...context }) { const value = React.useMemo(() => context, Object.values(context)); return <Context.Provider value={value}>{children}</Context.Provider>; }
  function useContext(strict = true) { const context = React.useContext(Context); if (!context && strict) { throw new Error('x'); } return context; }
  return { Provider, useContext };
}`,
  'keys.ts': `import { createStrictContext } from './make';
export const { Provider: MenuProvider, useContext: useMenuContext } = createStrictContext({ name: 'Menu' });
export const { Provider: TabProvider, useContext: useTabContext } = createStrictContext({ name: 'Tab' });`,
  'App.tsx': `import { useState } from 'react';
import { MenuProvider, useMenuContext, TabProvider, useTabContext } from './keys';
export function App() { const [open, setOpen] = useState(false); const [tab] = useState(1); return <MenuProvider open={open} onOpen={setOpen}><TabProvider tab={tab}><Item /></TabProvider></MenuProvider>; }
function Item() { const { open, onOpen } = useMenuContext(); const { tab } = useTabContext(); return <><Show v={open} /><Show v={tab} /><Btn onPress={() => onOpen(true)} /></>; }
function Show({ v }) { return <b>{v}</b>; }
function Btn({ onPress }) { return <button onClick={onPress} />; }`,
};
describe('object factory with rest props provider', () => {
  traces(OBJECT_FACTORY_WITH_REST_PROPS_PROVIDER, [
    [
      'App:state:open',
      [
        'App:state:open pass MenuProvider:prop:open',
        'Btn:event:onPress emit MenuProvider:event:onOpen',
        'Item:context:MenuContext call MenuProvider:event:onOpen',
        'Item:context:MenuContext rename Show:prop:v',
        'MenuProvider:context:MenuContext consume Item:context:MenuContext',
        'MenuProvider:event:onOpen write App:state:open',
        'MenuProvider:local:value provide MenuProvider:context:MenuContext',
        'MenuProvider:prop:open transform MenuProvider:local:value',
      ],
    ],
    [
      'App:state:tab',
      [
        'App:state:tab pass TabProvider:prop:tab',
        'Item:context:TabContext rename Show:prop:v',
        'TabProvider:context:TabContext consume Item:context:TabContext',
        'TabProvider:local:value provide TabProvider:context:TabContext',
        'TabProvider:prop:tab transform TabProvider:local:value',
      ],
    ],
    [
      'Btn:event:onPress',
      [
        'App:state:open pass MenuProvider:prop:open',
        'Btn:event:onPress emit MenuProvider:event:onOpen',
        'Item:context:MenuContext rename Show:prop:v',
        'MenuProvider:context:MenuContext consume Item:context:MenuContext',
        'MenuProvider:event:onOpen write App:state:open',
        'MenuProvider:local:value provide MenuProvider:context:MenuContext',
        'MenuProvider:prop:open transform MenuProvider:local:value',
      ],
    ],
  ]);
});

const TUPLE_FACTORY: Sources = {
  'App.tsx': `import { createContext, useContext, useState } from 'react';
function makeContext() { const Ctx = createContext(null); const useCtx = () => { const c = useContext(Ctx); if (!c) throw new Error('x'); return c; }; return [Ctx.Provider, useCtx]; }
const [FleetProvider, useFleet] = makeContext();
export function App() { const [cabins, setCabins] = useState([]); return <FleetProvider value={{ cabins, setCabins }}><List /></FleetProvider>; }
function List() { const { cabins, setCabins } = useFleet(); return <Row n={cabins.length} onClear={() => setCabins([])} />; }
function Row({ n, onClear }) { return <button onClick={onClear}>{n}</button>; }`,
};
describe('tuple factory', () => {
  traces(TUPLE_FACTORY, [
    [
      'Row:event:onClear',
      [
        'App:context:FleetContext consume List:context:FleetContext',
        'App:state:cabins provide App:context:FleetContext',
        'List:context:FleetContext rename Row:prop:n',
        'Row:event:onClear write App:state:cabins',
      ],
    ],
    [
      'Row:prop:n',
      [
        'App:context:FleetContext consume List:context:FleetContext',
        'App:state:cabins provide App:context:FleetContext',
        'List:context:FleetContext call App:state:cabins',
        'List:context:FleetContext rename Row:prop:n',
        'Row:event:onClear write App:state:cabins',
      ],
    ],
  ]);
});

const HANDLERS_ABOVE_WHAT_THEY_USE: Sources = {
  'App.tsx': `import { useEffect, useState } from 'react';
export function App() { const [limit] = useState(1); return <><Gauge limit={limit} /><Mast limit={limit} /></>; }
function Gauge({ limit }) { const [shown, setShown] = useState(0); function store(v) { setShown(v); } const save = () => store(limit); return <Show v={shown} onPress={save} />; }
function Mast({ limit }) { const save = () => { store(limit); }; const store = (v) => { setShown(v); }; useEffect(() => { save(); }, [limit]); const [shown, setShown] = useState(0); return <Lamp v={shown} />; }
function Show({ v, onPress }) { return <button onClick={onPress}>{v}</button>; }
function Lamp({ v }) { return <b>{v}</b>; }`,
};
describe('handlers above what they use', () => {
  traces(HANDLERS_ABOVE_WHAT_THEY_USE, [
    [
      'App:state:limit',
      [
        'App:state:limit pass Gauge:prop:limit',
        'App:state:limit pass Mast:prop:limit',
        'Gauge:prop:limit write Gauge:state:shown',
        'Gauge:state:shown rename Show:prop:v',
        'Mast:prop:limit write Mast:state:shown',
        'Mast:state:shown rename Lamp:prop:v',
      ],
    ],
  ]);
});

const MEMBERS_OF_CONTEXT_PUT_ON_ELEMENTS: Sources = {
  'App.tsx': `import { createContext, useContext, useState } from 'react';
const Shift = createContext(null);
export function App() { const [open, setOpen] = useState(false); const toggle = () => setOpen(!open); return <Shift.Provider value={{ open, toggle }}><Door /><Sign /></Shift.Provider>; }
function Door() { const { toggle } = useContext(Shift); return <button onClick={toggle}>door</button>; }
function Sign() { const { open } = useContext(Shift); return <b>{String(open)}</b>; }`,
};
describe('members of a context put on elements', () => {
  traces(MEMBERS_OF_CONTEXT_PUT_ON_ELEMENTS, [
    [
      'Door:context:Shift',
      [
        'App:context:Shift consume Door:context:Shift',
        'App:context:Shift consume Sign:context:Shift',
        'App:state:open provide App:context:Shift',
        'Door:context:Shift call App:state:open',
      ],
    ],
  ]);
});

describe('a function handed out above its declaration', () => {
  traces(
    `import { useState } from 'react';
export function App() { const gauges = { onDrop: hand }; const [shown, setShown] = useState(0); const sign = -shown; return <><Gauge {...gauges} part={2} /><b>{sign}</b></>; function hand(part) { setShown(part); } }
function Gauge({ part, onDrop }) { return <i onClick={() => onDrop(part)}>{part}</i>; }`,
    [
      [
        'Gauge:event:onDrop',
        [
          'Gauge:prop:part emit Gauge:event:onDrop',
          'Gauge:event:onDrop write App:state:shown',
          'App:state:shown transform App:local:sign',
        ],
      ],
    ],
  );
});

describe('a setter that is declared below what hands it out, in a circle', () => {
  traces(
    `import { createContext, useContext, useState } from 'react';
const Plugs = createContext(null);
export function App() {
  const add = (id) => { setKept((before) => ({ ...before, id })); };
  const initial = { add, id: '' };
  const [kept, setKept] = useState(initial);
  return <Plugs.Provider value={kept}><Plug id="a" /></Plugs.Provider>;
}
function Plug({ id }) { const { add } = useContext(Plugs); return <button onClick={() => add(id)} />; }`,
    [['Plug:prop:id', ['Plug:prop:id write App:state:kept', 'App:state:kept provide App:context:Plugs']]],
  );
});

test('a function below the return draws where it is called', () => {
  const { result } = auditSources({
    'App.tsx': `export function App() { return <main>{row()}</main>; function row() { return <Row />; } }
function Row() { return <i />; }`,
  });
  const { components } = result.project;
  const names = renderTree(result.project).rows.map((row) => components[row.component]!.name);
  expect(names).toEqual(['App', 'Row']);
});

describe('what decides which of several things a value is', () => {
  traces(
    `import { useState } from 'react';
export function App() { const [busy, setBusy] = useState(false); const [at, setAt] = useState(0);
  const word = busy ? 'in' : 'out'; const shown = busy && at;
  return <Show word={word} at={busy ? at : 0} shown={shown} />; }
function Show({ word, at, shown }) { return <i>{word}{at}{shown}</i>; }`,
    [
      [
        'App:state:busy',
        [
          'App:state:busy transform App:local:word',
          'App:state:busy transform App:local:shown',
          'App:state:busy transform Show:prop:at',
          'App:local:word pass Show:prop:word',
          'App:local:shown pass Show:prop:shown',
        ],
      ],
    ],
  );
});

describe('a function hides the prop of its name', () => {
  traces(
    `export function App() { return <Tank level={3} />; }
function Tank({ level, full }) { function level() { return 'low'; } return <Dial value={level} full={full} />; }
function Dial({ value, full }) { return <i>{value}{full}</i>; }`,
    [
      ['Tank:prop:level', []],
      ['Tank:prop:full', ['Tank:prop:full pass Dial:prop:full']],
    ],
  );
});

describe('the framework as a package hands it on', () => {
  const app = (imports: string) => `${imports}
export function App() { const [busy, setBusy] = useState(false); const ref = useRef(); return <Show busy={busy} />; }
function Show({ busy }) { return <i>{busy}</i>; }`;
  const state = 'App:state:busy pass Show:prop:busy';
  describe('by several of its hooks', () =>
    traces(app(`import { useRef, useState } from 'elsewhere';`), [['Show:prop:busy', [state]]]));
  describe('not by a single one', () =>
    traces(app(`import { useState } from 'elsewhere';`), [
      ['Show:prop:busy', ['App:local:busy pass Show:prop:busy']],
    ]));
});

describe('functions of the component that are called for what they give', () => {
  const button = `function Button({ off }) { return <button disabled={off} />; }`;
  test.each<[string, string, string[]]>([
    [
      'behind an operator',
      `const [a] = useState(0); const [b] = useState(0);
  const can = () => { const sum = a * 2; return sum > 0 && b; };
  return <Button off={!can()} />;`,
      ['App:local:sum > Button:prop:off', 'App:state:a > App:local:sum', 'App:state:b > Button:prop:off'],
    ],
    [
      'in a condition, beside others',
      `const [a] = useState(0);
  const can = () => { return a > 2; };
  return <Button off={can() ? 1 : 2} />;`,
      ['App:state:a > Button:prop:off'],
    ],
    [
      'what it is given reaches what it works out',
      `const [cabin] = useState({ seats: 3 });
  const free = (one) => { const { seats } = one; return seats - 1; };
  return <Button off={free(cabin)} />;`,
      ['App:local:seats > Button:prop:off', 'App:state:cabin > App:local:seats'],
    ],
    [
      'a function that nobody calls gives nothing',
      `const [a] = useState(0);
  const can = () => { return a > 2; };
  return <Button off={3} />;`,
      [],
    ],
  ])('%s', (_, body, expected) => {
    const { result } = auditSources({
      ...MOUNT,
      'App.tsx': `import { useState } from 'react';\nexport function App() { ${body} }\n${button}`,
    });
    const { nodes, edges: all } = result.project.flow;
    const found = all.map(
      ({ from, to }) => `${nodeRef(result.project, nodes[from]!)} > ${nodeRef(result.project, nodes[to]!)}`,
    );
    for (const one of expected) expect(found).toContain(one);
    if (!expected.length) expect(found.filter((one) => one.endsWith('Button:prop:off'))).toEqual([]);
  });
});

test('what an object hands over by a spread goes down, and only what is called comes back', () => {
  const source = `import { useState } from 'react';
interface Given { checked?: boolean; onChange?: (on: boolean) => void }
function Switch({ checked, onChange }: Given) { return <input checked={checked} onChange={(e) => onChange?.(e.target.checked)} />; }
function Card({ checked, onChange, more }: Given & { more?: Given }) {
  const given: Given = { checked, onChange, ...more };
  return <Switch {...given} />;
}
export function App() { const [on, setOn] = useState(false); return <Card checked={on} onChange={setOn} />; }`;
  const found = edges(traced(source, 'Switch:prop:checked'));
  expect(found).toContain('Card:local:given pass Switch:prop:checked');
  expect(found.filter((one) => one.startsWith('Switch:prop:checked'))).toEqual([]);
  expect(edges(traced(source, 'Switch:event:onChange'))).toContain(
    'Switch:event:onChange emit Card:event:onChange',
  );
});
