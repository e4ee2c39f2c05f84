/** Content that packages draw, and functions that they call: what they are handed is what its parameters are made of. */
import { angularApp, reactApp, svelteApp, vueApp } from './testing';
import { type Idiom, idioms } from './reaching';

const PACKAGES = `import { Grid, Field, Popover } from '@quill/grid'; import { map, useGrid, makeColumns, useForm, useEvent } from '@quill/tools'; import * as all from '@quill/tools'; const helper = makeColumns();`;
const STATES = `const [rows, setRows] = useState([]); const [size, setSize] = useState(1); useEffect(() => { setRows(read()); setSize(read()); }, []);`;

/** What stands in a component of React that keeps a list and a number. */
const react = (code: string, markup: string, module = ''): Record<string, string> => {
  const { 'App.tsx': text } = reactApp(
    `${module} export function App({ seed: unit }){ ${STATES} ${code} return <i>${markup}</i>; }`,
  );
  return { 'App.tsx': `${PACKAGES} ${text!}` };
};

const REACHED: [what: string, code: string, markup: string][] = [
  ['a function as an attribute', '', '<Grid data={rows} row={(at, one) => <Leaf x={one.id} />} />'],
  ['a function as content', '', '<Grid rows={rows}>{(one) => <Leaf x={one} />}</Grid>'],
  ['taken apart', '', '<Grid rows={rows} row={({ item: { id } }) => <Leaf x={id} />} />'],
  ['under a name', 'const row = (one) => <Leaf x={one.id} />;', '<Grid rows={rows} row={row} />'],
  [
    'in what is handed over',
    'const columns = [{ key: "id", cell: (one) => <Leaf x={one.id} /> }];',
    '<Grid rows={rows} columns={columns} />',
  ],
  ['of a tag around', '', '<Grid rows={rows}><Grid.Rows>{(one) => <Leaf x={one.id} />}</Grid.Rows></Grid>'],
  ['called by a function', '', '{map(rows, (one) => <Leaf x={one.id} />)}'],
  ['called by a member', '', '{all.map(rows, (one) => <Leaf x={one.id} />)}'],
  ['made one of the other', '', '{rows.reduce((all, one) => [...all, <Leaf x={one.id} />], [])}'],
  ['made from a list', '', '{Array.from(rows, (one) => <Leaf x={one.id} />)}'],
  [
    'a form',
    'const form = useForm({ start: rows });',
    '<Field control={form.control} draw={({ field }) => <Leaf x={field.value} />} />',
  ],
  [
    'told by what a package made',
    'const form = useForm({ start: rows }); const [sent, setSent] = useState(); const send = form.send((order) => setSent(order));',
    '<b onClick={send} /><Leaf x={sent} />',
  ],
  [
    'a member of what a hook is given',
    'const [sent, setSent] = useState(); useForm({ start: rows, done: (order) => setSent(order) });',
    '<Leaf x={sent} />',
  ],
];

/** Columns of a table, and what a package makes of them together with the data. */
const CELLS = 'cell: ({ row }) => <Leaf x={row.id} />';
const TABLES: [what: string, module: string, code: string, markup: string][] = [
  [
    'a hook of a package',
    '',
    `const columns = [{ ${CELLS} }]; const table = useGrid({ data: rows, columns });`,
    '{table.draw()}',
  ],
  [
    'columns of a hook of the project',
    `function useColumns() { return useMemo(() => [helper.column({ ${CELLS} })], []); }`,
    'const columns = useColumns(); const table = useGrid({ data: rows, columns });',
    '{table.draw()}',
  ],
  [
    'columns that are added to others, in a hook around that of the package',
    `function useBase() { return useMemo(() => [helper.column({ ${CELLS} })], []); } function useColumns() { const base = useBase(); return useMemo(() => [...base, helper.column({ cell: () => <b /> })], [base]); } function useRows({ data = [], columns, count = 0 }) { const table = useGrid({ data, columns, count }); return { table }; }`,
    'const columns = useColumns(); const { table } = useRows({ data: rows, columns, count: size });',
    '{table.draw()}',
  ],
  [
    'columns that a component is given, beside what it fills from elsewhere',
    `function Table({ data, columns }) { const table = useGrid({ data, columns }); return <i>{table.draw()}</i>; }`,
    '',
    `<Table data={rows} columns={[{ ${CELLS} }]} /><Table data={size} columns={[{ cell: () => <Leaf x="no" /> }]} />`,
  ],
  [
    'columns of a function of the module, over two components',
    `const columnsOf = () => [{ ${CELLS} }]; function Table({ data, columns }) { return <Grid rows={data} columns={columns} />; } function Page({ list, shown }) { return <Table data={list} columns={shown} />; }`,
    'const columns = columnsOf();',
    '<Page list={rows} shown={columns} />',
  ],
  ['columns of the module', `const columns = [{ ${CELLS} }];`, '', '<Grid rows={rows} columns={columns} />'],
];

const NOT_REACHED: [what: string, code: string, markup: string][] = [
  [
    'a list is there, so the others are not',
    '',
    '<Grid data={rows} gap={size} row={(one) => <Leaf x={one.id} />} />',
  ],
  [
    'how many there are of a table',
    'const columns = [{ cell: ({ row }) => <Leaf x={row.id} /> }]; useGrid({ data: rows, columns, count: size });',
    '',
  ],
  ['a number makes nothing', '', '<Popover gap={size}>{({ close }) => <Leaf x={close} />}</Popover>'],
  ['what the element needs', '', '<Grid size={size} row={(props) => <Leaf {...props} />} />'],
  [
    'what it waits for',
    'const [at, setAt] = useState(); useEvent((v) => setAt(v), [size]);',
    '<Leaf x={at} />',
  ],
  [
    'a function that is only told',
    'const [at, setAt] = useState(); map(() => size, (v) => setAt(v));',
    '<Leaf x={at} />',
  ],
];

/** Each call of a component has the data of its own. */
const APART: Idiom = {
  what: 'React: columns that a component is given at one place, and the data of another',
  sources: react(
    '',
    `<Btn v={size} onSave={setSize} /><Table data={rows} columns={[{ ${CELLS} }]} /><Table data={[size]} columns={[{ cell: ({ row }) => <Btn v={row} /> }]} />`,
    `function Table({ data, columns }) { const table = useGrid({ data, columns }); return <i>{table.draw()}</i>; }`,
  ),
  from: 'App:state:size',
  to: ['Table:prop:data', 'Btn:prop:v'],
  not: ['Leaf:prop:x'],
};

const ofReact = [
  APART,
  ...REACHED.map(([what, code, markup]): Idiom => ({
    what: `React: ${what}`,
    sources: react(code, markup),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  })),
  ...TABLES.map(([what, module, code, markup]): Idiom => ({
    what: `React: ${what}`,
    sources: react(code, markup, module),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  })),
  ...NOT_REACHED.map(([what, code, markup]): Idiom => ({
    what: `React: ${what}`,
    sources: react(code, `<Btn v={size} onSave={setSize} />${markup}`),
    from: 'App:state:size',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  })),
];

const VUE = `import { Grid, Column } from '@quill/grid'; const rows = ref<any[]>([]); const size = ref(1); function up(v: any) { rows.value = v; size.value = v; } function drop(v: any) { note(v); }`;
const SVELTE = `import Grid from '@quill/grid'; let rows = $state<any[]>([]); let size = $state(1); function up(v: any) { rows = v; size = v; } function drop(v: any) { note(v); }`;
const ANGULAR = `import { GridModule } from '@quill/grid';`;

const angular = (template: string, code = '', imports = ''): Record<string, string> => {
  const { 'app.ts': text, ...more } = angularApp(
    `${code} @Component({ selector: 'app-root', standalone: true, imports: [Leaf, Btn, GridModule${imports}], template: \`${template}<app-btn (save)="up($event)" />\` }) export class App { rows = signal<any[]>([]); size = signal(1); up(v: any) { this.rows.set(v); } }`,
  );
  return { ...more, 'app.ts': `${ANGULAR} ${text}` };
};

const REPEAT = `import { Directive, ViewContainerRef } from '@angular/core';
@Directive({ selector: '[appEach]', standalone: true }) export class Each {
  private template = inject(TemplateRef); private place = inject(ViewContainerRef); @Input() appEachGap = 0;
  @Input() set appEachOf(rows: any[]) { this.place.clear(); rows.forEach((row, index) => this.place.createEmbeddedView(this.template, { $implicit: row, index })); }
}`;
const GIVEN = `import { Directive, ViewContainerRef } from '@angular/core';
@Directive({ selector: '[appEach]', standalone: true }) export class Each {
  constructor(private template: TemplateRef<unknown>, private place: ViewContainerRef) {} @Input() appEachGap = 0;
  @Input() appEachOf: any[] = [];
  ngOnChanges() { const view = this.template.createEmbeddedView({ $implicit: this.appEachOf[0] }); this.place.insert(view); }
}`;

const OTHERS: Idiom[] = [
  {
    what: 'Vue: a slot of a package',
    sources: vueApp(
      VUE,
      '<Grid :data="rows" :gap="size"><template #row="{ item }"><Leaf :x="item.id" /></template></Grid><Btn @save="up" />',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: the data is handed to a tag around',
    sources: vueApp(
      VUE,
      '<Grid :data="rows"><Column name="id" v-slot="{ row }"><Leaf :x="row.id" /></Column></Grid><Btn @save="up" />',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Vue: not what stands beside a list',
    sources: vueApp(
      VUE,
      '<Grid :data="rows" :gap="size"><template #row="{ item }"><Leaf :x="item.id" /></template></Grid><Btn :v="size" @save="drop" />',
    ),
    from: 'App:state:size',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'Svelte: a snippet for a package',
    sources: svelteApp(
      SVELTE,
      '<Grid items={rows} gap={size}>{#snippet row(one)}<Leaf x={one.id} />{/snippet}</Grid><Btn v={size} save={up} />',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Svelte: a parameter of a slot',
    sources: svelteApp(
      SVELTE,
      '<Grid items={rows} let:one><Leaf x={one.id} /></Grid><Btn v={size} save={up} />',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Svelte: not what stands beside a list',
    sources: svelteApp(
      SVELTE,
      '<Grid items={rows} gap={size}>{#snippet row(one)}<Leaf x={one.id} />{/snippet}</Grid><Btn v={size} save={drop} />',
    ),
    from: 'App:state:size',
    to: ['Btn:prop:v'],
    not: ['Leaf:prop:x'],
  },
  {
    what: 'Angular: a template for a package',
    sources: angular(
      '<q-grid [value]="rows()"><ng-template #body let-row><app-leaf [x]="row.id" /></ng-template></q-grid>',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Angular: a structural directive of a package',
    sources: angular('<div *qEach="let one of rows(); gap: size()"><app-leaf [x]="one.id" /></div>'),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  {
    what: 'Angular: the data is bound to an element around',
    sources: angular(
      '<table q-grid [source]="rows()"><ng-container qColumn="id"><td *qCell="let row"><app-leaf [x]="row.id" /></td></ng-container></table>',
    ),
    from: 'App:state:rows',
    to: ['Leaf:prop:x'],
  },
  ...[REPEAT, GIVEN].map((code, index): Idiom => ({
    what: `Angular: a structural directive of the project (${index + 1})`,
    sources: angular(
      '<div *appEach="let one of rows(); gap: size()"><app-leaf [x]="one" /></div>',
      code,
      ', Each',
    ),
    from: 'App:state:rows',
    to: ['Each:prop:appEachOf', 'App:local:one', 'Leaf:prop:x'],
  })),
  {
    what: 'Angular: not what such a directive does not stamp',
    sources: angular(
      '<div *appEach="let one of rows(); gap: size()"><app-leaf [x]="one" /></div>',
      REPEAT,
      ', Each',
    ),
    from: 'App:state:size',
    to: ['Each:prop:appEachGap'],
    not: ['Leaf:prop:x'],
  },
];

/** What a package makes of a function, as a handler: it calls that, with what it has itself. */
const HANDLERS: Idiom[] = [
  {
    what: 'React: a handler that a package made',
    sources: react(
      'const form = useForm(); const [sent, setSent] = useState(false); const send = form.send((order) => { setSent(true); });',
      '<Btn v={size} onSave={send} /><Leaf x={sent} />',
    ),
    from: 'Btn:event:onSave',
    to: ['App:state:sent', 'Leaf:prop:x'],
  },
  {
    what: 'React: such a handler of a hook of the project',
    sources: react(
      'const [sent, setSent] = useState(false); const { send } = useOrder(() => setSent(true));',
      '<Btn v={size} onSave={send} /><Leaf x={sent} />',
      'function useOrder(done) { const form = useForm(); const send = form.send((order) => done()); return { form, send }; }',
    ),
    from: 'Btn:event:onSave',
    to: ['App:state:sent', 'Leaf:prop:x'],
  },
];

idioms([...ofReact, ...HANDLERS, ...OTHERS]);
