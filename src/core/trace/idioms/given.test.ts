/** Functions that components and hooks of React put into objects, lists and other functions, and take out again. */
import { reactApp } from './testing';
import { type Idiom, idioms } from './reaching';

const LIST: Idiom[] = [
  {
    what: 'memo block destruct',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const { pick }=useMemo(()=>{ const pick=(v:any)=>setS(v); return { pick }; },[]); return <><Btn v={seed} onSave={pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'memo block fn decl',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const api=useMemo(()=>{ function pick(v:any){ setS(v); } return { pick }; },[]); return <><Btn v={seed} onSave={api.pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'memo expr',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const api=useMemo(()=>({ pick:(v:any)=>setS(v) }),[]); return <><Btn v={seed} onSave={api.pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'memo array',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const [pick]=useMemo(()=>{ const p=(v:any)=>setS(v); return [p] as const; },[]); return <><Btn v={seed} onSave={pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'memo hook in ctx',
    sources: reactApp(
      `const C=createContext<any>(null); function P({children}:any){ const [s,setS]=useState(''); const v=useMemo(()=>{ const pick=(k:any)=>setS(k); return { s, pick }; },[s]); return <C.Provider value={v}>{children}</C.Provider>; } function App({seed}:any){ return <P><W v={seed}/><Rd/></P>; } function W({v}:any){ const { pick }=useContext(C); return <Btn v={v} onSave={pick}/>; } function Rd(){ const { s }=useContext(C); return <Leaf x={s}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'handler via obj spread',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const H={onSave:(v:any)=>setS(v)}; return <><Btn v={seed} {...H}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'bind',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); function put(k:any,v:any){ setS(v); } return <><Btn v={seed} onSave={put.bind(null,'k')}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'a callback that is bound to what it will be called with',
    sources: reactApp(
      `function Row({id,at,onPick}:any){ return <b onClick={onPick.bind(null,id)}>{at}</b>; } function App({seed}:any){ const [s,setS]=useState(''); return <><Row id={seed} at="b" onPick={setS}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Row:event:onPick', 'App:state:s', 'Leaf:prop:x'],
    not: ['Row:prop:at'],
  },
  {
    what: 'ref callback latest',
    sources: reactApp(
      `function App({seed}:any){ const [s,setS]=useState(''); const last=useRef<any>(null); last.current=(v:any)=>setS(v); const pick=useCallback((v:any)=>last.current(v),[]); return <><Btn v={seed} onSave={pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'hook with options obj',
    sources: reactApp(
      `function usePick({onPick}:any){ return useCallback((v:any)=>onPick(v),[onPick]); } function App({seed}:any){ const [s,setS]=useState(''); const pick=usePick({onPick:setS}); return <><Btn v={seed} onSave={pick}/><Leaf x={s}/></>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'hook returns prop object',
    sources: reactApp(
      `function useField(init:any){ const [value,setValue]=useState(init); return { value, onSave:setValue }; } function Fld({value,onSave,v}:any){ return <><Leaf x={value}/><Btn v={v} onSave={onSave}/></>; } function App({seed}:any){ const f=useField(''); return <Fld {...f} v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'object built up',
    sources: reactApp(`function App({seed}:any){ const o:any={}; o.x=seed; return <Leaf {...o}/>; }`),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'generic component',
    sources: reactApp(
      `function List<T>({items,render}:{items:T[];render:(t:T)=>any}){ return <>{items.map((t)=>render(t))}</>; } function App({seed}:any){ return <List items={[seed]} render={(t)=><Leaf x={t}/>}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'class setState fn',
    sources: reactApp(
      `class K extends React.Component<any,any>{ state={k:[]}; put=(v:any)=>{ this.setState((st:any)=>({k:[...st.k,v]})); }; render(){ return <><Btn v={this.props.v} onSave={this.put}/>{this.state.k.map((k:any)=><Leaf key={k} x={k}/>)}</>; } } function App({seed}:any){ return <K v={seed}/>; }`,
    ),
    from: 'App:prop:seed',
    to: ['Leaf:prop:x'],
  },
];

idioms(LIST);
