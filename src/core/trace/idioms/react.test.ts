/** Ways in which values move through components of React. */
import { type Idiom, idioms } from './reaching';

const HEAD = `import React, { createContext, forwardRef, useCallback, useContext, useEffect, useImperativeHandle, useMemo, useReducer, useRef, useState } from 'react';
import { createRoot } from 'react-dom/client';
import * as pkg from 'ropes';
`;
const app = (code: string): Record<string, string> => ({
  'App.tsx': `${HEAD}${code}\ncreateRoot(document.body).render(<App seed="a" />);`,
});

const LIST: Idiom[] = [
  {
    what: 'useRef current written then read',
    sources: app(
      `function App({seed}:{seed:string}){ const last=useRef(''); const [s,setS]=useState(''); useEffect(()=>{last.current=seed;},[seed]); return <Leaf get={()=>setS(last.current)} x={s}/>; } function Leaf({x,get}:any){return <b onClick={get}>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'reducer action payload',
    sources: app(
      `type A={type:'set';v:string}; function red(s:{v:string},a:A){ switch(a.type){case 'set': return {...s,v:a.v}; default: return s;} } function App({seed}:{seed:string}){ const [s,dispatch]=useReducer(red,{v:''}); return <><b onClick={()=>dispatch({type:'set',v:seed})}/><Leaf x={s.v}/></>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'custom hook object result with method',
    sources: app(
      `function useCount(){ const [n,setN]=useState(0); const add=(k:number)=>setN(n+k); return {n,add}; } function App({seed}:any){ const c=useCount(); return <><Leaf x={c.n}/><Btn onAdd={c.add} v={seed}/></>; } function Leaf({x}:any){return <b>{x}</b>;} function Btn({onAdd,v}:any){return <b onClick={()=>onAdd(v)}/>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'children function with args',
    sources: app(
      `function App({seed}:any){ return <Give v={seed}>{(x:any)=><Leaf x={x}/>}</Give>; } function Give({v,children}:any){return <>{children(v)}</>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'render prop',
    sources: app(
      `function App({seed}:any){ return <Give v={seed} renderItem={(x:any)=><Leaf x={x}/>}/>; } function Give({v,renderItem}:any){return <>{renderItem(v)}</>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'list map with index object',
    sources: app(
      `function App({seed}:any){ const rows=[{id:1,v:seed}]; return <>{rows.map((row)=><Leaf key={row.id} x={row.v}/>)}</>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'useMemo object passed and destructured',
    sources: app(
      `function App({seed}:any){ const value=useMemo(()=>({a:seed,b:1}),[seed]); return <Leaf cfg={value}/>; } function Leaf({cfg}:any){const {a}=cfg; return <In x={a}/>;} function In({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['In:prop:x'],
  },
  {
    what: 'handler with event param',
    sources: app(
      `function App({seed}:any){ const [q,setQ]=useState(''); const onChange=(e:any)=>setQ(e.target.value); return <><Field v={q} onChange={onChange}/><Leaf x={q}/></>; } function Field({v,onChange}:any){return <input value={v} onChange={onChange}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'Field:event:onChange',
    to: ['App:state:q', 'Leaf:prop:x'],
  },
  {
    what: 'debounced callback via useCallback wrapper',
    sources: app(
      `function App({seed}:any){ const [q,setQ]=useState(''); const set=useMemo(()=>pkg.debounce((v:string)=>setQ(v),100),[]); return <><Field onType={set}/><Leaf x={q}/></>; } function Field({onType}:any){const [t]=useState('x'); return <b onClick={()=>onType(t)}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'Field:state:t',
    to: ['App:state:q'],
  },
  {
    what: 'promise then set',
    sources: app(
      `function App({seed}:any){ const [d,setD]=useState(null); useEffect(()=>{ fetch(seed).then((r)=>r.json()).then((j)=>setD(j)); },[seed]); return <Leaf x={d}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'Leaf:prop:x',
    to: ['App:prop:seed'],
  },
  {
    what: 'await set',
    sources: app(
      `function App({seed}:any){ const [d,setD]=useState(null); useEffect(()=>{ async function load(){ const r=await pkg.get(seed); setD(r.data); } load(); },[seed]); return <Leaf x={d}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'Leaf:prop:x',
    to: ['App:prop:seed'],
  },
  {
    what: 'context custom provider + hook',
    sources: app(
      `const C=createContext<any>(null); function P({children,v}:any){ const [s,setS]=useState(v); const api=useMemo(()=>({s,set:setS}),[s]); return <C.Provider value={api}>{children}</C.Provider>; } const useC=()=>useContext(C); function App({seed}:any){ return <P v={seed}><Mid/></P>; } function Mid(){return <Leaf/>;} function Leaf(){ const {s,set}=useC(); return <b onClick={()=>set('z')}>{s}</b>; }`,
    ),
    from: 'App:prop:seed',
    to: ['P:state:s', 'Leaf:context:C'],
  },
  {
    what: 'forwardRef handle',
    sources: app(
      `const Leaf=forwardRef((p:any,ref)=>{ const [o,setO]=useState(false); useImperativeHandle(ref,()=>({open:(v:any)=>setO(v)})); return <In x={o}/>; }); function In({x}:any){return <b>{x}</b>;} function App({seed}:any){ const r=useRef<any>(null); return <><Leaf ref={r}/><b onClick={()=>r.current.open(seed)}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['In:prop:x'],
  },
  {
    what: 'rest props to child',
    sources: app(
      `function App({seed}:any){ return <Mid x={seed} y={1}/>; } function Mid({y,...rest}:any){return <Leaf {...rest}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'spread object var',
    sources: app(
      `function App({seed}:any){ const p={x:seed}; return <Leaf {...p}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'compound via static',
    sources: app(
      `function Menu({children}:any){return <>{children}</>;} function Item({x}:any){return <b>{x}</b>;} Menu.Item=Item; function App({seed}:any){ return <Menu><Menu.Item x={seed}/></Menu>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Item:prop:x'],
  },
  {
    what: 'HOC',
    sources: app(
      `function withX(C:any){ return function W(props:any){ const [n]=useState(1); return <C {...props} n={n}/>; }; } function Base({x,n}:any){return <b>{x}{n}</b>;} const Leaf=withX(Base); function App({seed}:any){ return <Leaf x={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Base:prop:x'],
  },
  {
    what: 'class setState/props',
    sources: app(
      `class Box extends React.Component<any,any>{ state={v:''}; set=(v:any)=>this.setState({v}); render(){ return <><Btn onSet={this.set} v={this.props.s}/><Leaf x={this.state.v}/></>; } } function Btn({onSet,v}:any){return <b onClick={()=>onSet(v)}/>;} function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ return <Box s={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a setter is handed down twice, and called by a hook of the last',
    sources: app(
      `function useKid(props:any){ const {setV}=props; useEffect(()=>{ setV(props.v); return ()=>setV(''); },[]); } function Kid(props:any){ useKid({setV:props.setV,v:props.v}); return null; } function Mid(props:any){ const {setV,v}=props; const rows=[1].map((one)=><Kid key={one} setV={setV} v={v}/>); return <i>{rows}</i>; } function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ const [v,setV]=useState(''); return <><Mid setV={setV} v={seed}/><Leaf x={v}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'all that a component is given goes to a hook',
    sources: app(
      `function useKid(props:any){ const {setV}=props; useEffect(()=>{ setV(props.v); },[]); } function Kid(props:any){ useKid(props); return null; } function Mid(props:any){ const {setV,v}=props; return <Kid setV={setV} v={v}/>; } function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ const [v,setV]=useState(''); return <><Mid setV={setV} v={seed}/><Leaf x={v}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'the same, with more',
    sources: app(
      `function useKid(props:any){ const {setV}=props; useEffect(()=>{ setV(props.v); },[]); } function Kid(props:any){ useKid({one:1,...props}); return null; } function Mid(props:any){ const {setV,v}=props; return <Kid setV={setV} v={v}/>; } function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ const [v,setV]=useState(''); return <><Mid setV={setV} v={seed}/><Leaf x={v}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class setState fn with statements',
    sources: app(
      `class Box extends React.Component<any,any>{ state={v:[]}; add=(v:any)=>this.setState((p:any)=>{ if(!v) return null; return {v:[...p.v,v]}; }); render(){ return <><Btn onSet={this.add} v={this.props.s}/><Leaf x={this.state.v}/></>; } } function Btn({onSet,v}:any){return <b onClick={()=>onSet(v)}/>;} function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ return <Box s={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class state that is worked out of props',
    sources: app(
      `class Box extends React.Component<any,any>{ state={v:'',was:''}; static getDerivedStateFromProps(props:any,state:any){ return props.s!==state.was ? {v:props.s,was:props.s} : null; } render(){ return <Leaf x={this.state.v}/>; } } function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ return <Box s={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class setState fn',
    sources: app(
      `class Box extends React.Component<any,any>{ state={v:[]}; add=(v:any)=>this.setState((p:any)=>({v:[...p.v,v]})); render(){ return <><Btn onSet={this.add} v={this.props.s}/><Leaf x={this.state.v}/></>; } } function Btn({onSet,v}:any){return <b onClick={()=>onSet(v)}/>;} function Leaf({x}:any){return <b>{x}</b>;} function App({seed}:any){ return <Box s={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'lookup table state update by id',
    sources: app(
      `function App({seed}:any){ const [m,setM]=useState<any>({}); const upd=(id:string,patch:any)=>setM((p:any)=>({...p,[id]:{...p[id],...patch}})); return <><Btn onUpd={upd} v={seed}/><Leaf x={m}/></>; } function Btn({onUpd,v}:any){return <b onClick={()=>onUpd('1',{a:v})}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'map over state immutable update',
    sources: app(
      `function App({seed}:any){ const [l,setL]=useState<any[]>([]); const upd=(id:number,v:any)=>setL(l.map((one)=>one.id===id?{...one,v}:one)); return <><Btn onUpd={upd} v={seed}/><Leaf x={l}/></>; } function Btn({onUpd,v}:any){return <b onClick={()=>onUpd(1,v)}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'map over state in updater',
    sources: app(
      `function App({seed}:any){ const [l,setL]=useState<any[]>([]); const upd=(id:number,v:any)=>setL((p)=>p.map((one)=>one.id===id?{...one,v}:one)); return <><Btn onUpd={upd} v={seed}/><Leaf x={l}/></>; } function Btn({onUpd,v}:any){return <b onClick={()=>onUpd(1,v)}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'default param object of helper fn',
    sources: app(
      `const fmt=(v:any,{unit='m'}:any={})=>v+unit; function App({seed}:any){ return <Leaf x={fmt(seed,{unit:'k'})}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'helper fn builds props obj',
    sources: app(
      `function build(v:any){ return {x:v,k:1}; } function App({seed}:any){ const p=build(seed); return <Leaf {...p}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'useState destructured from hook array',
    sources: app(
      `function useT(i:any){ const [v,setV]=useState(i); const toggle=useCallback((n:any)=>setV(n),[]); return [v,toggle] as const; } function App({seed}:any){ const [v,toggle]=useT('a'); return <><Leaf x={v}/><Btn onSet={toggle} v={seed}/></>; } function Btn({onSet,v}:any){return <b onClick={()=>onSet(v)}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'lifted object of handlers',
    sources: app(
      `function App({seed}:any){ const [v,setV]=useState(''); const actions={save:(x:any)=>setV(x)}; return <><Leaf x={v}/><Btn actions={actions} v={seed}/></>; } function Btn({actions,v}:any){return <b onClick={()=>actions.save(v)}/>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'children elements with props through slot',
    sources: app(
      `function App({seed}:any){ return <Layout header={<Leaf x={seed}/>}/>; } function Layout({header}:any){return <div>{header}</div>;} function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'switch component lookups',
    sources: app(
      `const MAP:any={a:Leaf}; function App({seed}:any){ const C=MAP[seed]; return <C x={seed}/>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'for of building list',
    sources: app(
      `function App({seed}:any){ const rows:any[]=[]; for(const s of [seed]){ rows.push(<Leaf key={s} x={s}/>); } return <>{rows}</>; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'formData object state spread by name',
    sources: app(
      `function App({seed}:any){ const [f,setF]=useState({name:''}); const change=(e:any)=>setF({...f,[e.target.name]:e.target.value}); return <Field v={f.name} onChange={change}/>; } function Field({v,onChange}:any){return <input value={v} onChange={onChange}/>;}`,
    ),
    from: 'Field:event:onChange',
    to: ['App:state:f', 'Field:prop:v'],
  },
  {
    what: 'useRef callback latest',
    sources: app(
      `function App({seed}:any){ const [v,setV]=useState(''); return <><Poll onTick={(x:any)=>setV(x)} s={seed}/><Leaf x={v}/></>; } function Poll({onTick,s}:any){ const cb=useRef(onTick); useEffect(()=>{cb.current=onTick;}); useEffect(()=>{ const t=setInterval(()=>cb.current(s),1); return ()=>clearInterval(t); },[]); return null; } function Leaf({x}:any){return <b>{x}</b>;}`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a file that asks for something of the framework around it',
    sources: {
      'Leaf.tsx': `import { Router } from '@angular/router'; import { useInjector } from './own'; export function Leaf(props: { x: any }) { const router = useInjector(Router); const { x } = props; return <b onClick={() => router.navigateByUrl('/')}>{x}</b>; }`,
      'own.ts': 'export const useInjector = (what: any) => what;',
      'App.tsx': `${HEAD}import { Leaf } from './Leaf'; function App({ seed }: { seed: string }) { return <Leaf x={seed} />; }\ncreateRoot(document.body).render(<App seed="a" />);`,
    },
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
];

idioms(LIST);
