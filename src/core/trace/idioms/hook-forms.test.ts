/** Forms that a package keeps by names: what is put into one under a name is read there, and nowhere else. */
import { describe } from 'vitest';
import { type Idiom, idioms } from './reaching';
import { reactApp } from './testing';

const IMPORTS = `import { useForm, useFormContext, useWatch, useController, useFieldArray, Controller, FormProvider } from 'react-hook-form'; `;
const KID = `function Kid({ value, onChange }: any) { const [mine, setMine] = useState(1); return <b onClick={() => { onChange?.(mine); setMine(2); }}>{value}</b>; }`;

/** An app with a form, and a state `mine` of its own. */
const app = (
  code: string,
  shown: string,
  more = '',
  taken = 'const form = useForm({ defaultValues: { lo: seed, hi: 2 } });',
) => {
  const sources = reactApp(
    `${KID} ${more} export function App({ seed }: any) { ${taken} const [mine, setMine] = useState(seed); const [seen, setSeen] = useState<any>(); ${code} return <>${shown}<i onClick={() => { setMine(2); setSeen(3); }}>{seen}</i></>; }`,
  );
  return { 'App.tsx': IMPORTS + sources['App.tsx'] };
};

const PUT = `const put = () => { form.setValue('lo', mine); }; `;
const IN = `<i onClick={put} />`;
const FIELD = `function Field(props: any) { return <p><Controller {...props} /></p>; }`;
const CONTROLLED = `function Inner({ control }: any) { const { field } = useController({ control, name: 'lo' }); const [own, setOwn] = useState(1); return <i onClick={() => { field.onChange(own); setOwn(2); }} />; }`;
const MADE = `function useDetail(seed: any) { const form = useForm({ defaultValues: { lo: seed, hi: 1 } }); return { form }; }`;
const INNER = `function Inner() { const { setValue, watch } = useFormContext(); const [own, setOwn] = useState(1); return <i onClick={() => { setValue('lo', own); setOwn(2); }}>{watch('hi')}</i>; }`;
const HANDED = `function Inner({ form }: any) { const [own, setOwn] = useState(1); return <i onClick={() => { form.setValue('lo', own); setOwn(2); }} />; }`;

const CASES: [what: string, sources: Record<string, string>, from: string, to: string[], not?: string[]][] = [
  ['watched', app(PUT, `${IN}<Leaf x={form.watch('lo')} />`), 'App:state:mine', ['Leaf:prop:x']],
  [
    'another is watched',
    app(PUT, `${IN}<Leaf x={form.watch('hi')} />`),
    'App:state:mine',
    ['App:state:form'],
    ['Leaf:prop:x'],
  ],
  ['all are watched', app(PUT, `${IN}<Leaf x={form.watch()} />`), 'App:state:mine', ['Leaf:prop:x']],
  [
    'several are watched, each at its place',
    app(
      PUT,
      `${IN}<Leaf x={lo} />`,
      '',
      `const form = useForm(); const [hi, lo] = form.watch(['hi', 'lo']);`,
    ),
    'App:state:mine',
    ['Leaf:prop:x'],
  ],
  [
    'asked for',
    app(
      `${PUT} const keep = () => setSeen(form.getValues('lo'));`,
      `${IN}<i onClick={keep} /><Leaf x={seen} />`,
    ),
    'App:state:mine',
    ['App:state:seen', 'Leaf:prop:x'],
  ],
  [
    'by functions with names of their own',
    app(
      `const put = () => setValue('lo', mine);`,
      `${IN}<Leaf x={watch('lo')} />`,
      '',
      'const { setValue, watch } = useForm();',
    ),
    'App:state:mine',
    ['Leaf:prop:x'],
  ],
  ['what a form starts with', app('', `<Leaf x={form.watch('lo')} />`), 'App:prop:seed', ['Leaf:prop:x']],
  [
    'set anew',
    app(`const put = () => form.reset({ lo: mine, hi: 1 });`, `${IN}<Leaf x={form.watch('lo')} />`),
    'App:state:mine',
    ['Leaf:prop:x'],
  ],
  [
    'sent',
    app(
      `${PUT} const send = form.handleSubmit((all) => setSeen(all.lo));`,
      `${IN}<form onSubmit={send} /><Leaf x={seen} />`,
    ),
    'App:state:mine',
    ['App:state:seen', 'Leaf:prop:x'],
  ],
  [
    'sent without it',
    app(
      `${PUT} const send = form.handleSubmit((all) => setSeen(all.hi));`,
      `${IN}<form onSubmit={send} /><Leaf x={seen} />`,
    ),
    'App:state:mine',
    ['App:state:form'],
    ['App:state:seen'],
  ],
  [
    'a hook that watches',
    app(`${PUT} const lo = useWatch({ control: form.control, name: 'lo' });`, `${IN}<Leaf x={lo} />`),
    'App:state:mine',
    ['Leaf:prop:x'],
  ],
  [
    'a field by a hook',
    app(
      `const { field } = useController({ control: form.control, name: 'lo' });`,
      `<Kid value={field.value} onChange={field.onChange} /><Leaf x={form.watch('lo')} />`,
    ),
    'Kid:state:mine',
    ['Leaf:prop:x', 'Kid:prop:value'],
  ],
  [
    'a field that a tag gives',
    app(
      '',
      `<Controller control={form.control} name="lo" render={({ field }) => <Kid value={field.value} onChange={field.onChange} />} /><Leaf x={form.watch('lo')} />`,
    ),
    'Kid:state:mine',
    ['Leaf:prop:x', 'Kid:prop:value'],
  ],
  [
    'another than the tag gives',
    app(
      '',
      `<Controller control={form.control} name="hi" render={({ field }) => <Kid value={field.value} onChange={field.onChange} />} /><Leaf x={form.watch('lo')} />`,
    ),
    'Kid:state:mine',
    ['App:state:form'],
    ['Leaf:prop:x'],
  ],
  [
    'spread, in a wrapper of one’s own',
    app(
      '',
      `<Field control={control} name="lo" render={({ field }: any) => <Kid {...field} />} /><Leaf x={watch('lo')} />`,
      FIELD,
      'const { control, watch } = useForm();',
    ),
    'Kid:state:mine',
    ['Leaf:prop:x', 'Kid:prop:value'],
  ],
  [
    'entries',
    app(
      `const { fields, append } = useFieldArray({ control: form.control, name: 'rows' }); const put = () => append(mine);`,
      `${IN}<Leaf x={fields} />`,
    ),
    'App:state:mine',
    ['Leaf:prop:x'],
  ],
  [
    'provided',
    app('', `<FormProvider {...form}><Inner /><Leaf x={form.watch('lo')} /></FormProvider>`, INNER),
    'Inner:state:own',
    ['App:state:form', 'Leaf:prop:x'],
  ],
  [
    'handed down',
    app('', `<Inner form={form} /><Leaf x={form.watch('lo')} />`, HANDED),
    'Inner:state:own',
    ['App:state:form', 'Leaf:prop:x'],
  ],
  [
    'its control handed down',
    app('', `<Inner control={form.control} /><Leaf x={form.watch('lo')} />`, CONTROLLED),
    'Inner:state:own',
    ['App:state:form', 'Leaf:prop:x'],
  ],
  [
    'what a form starts with, by a function',
    app(
      '',
      `<Leaf x={form.watch('lo')} />`,
      '',
      'const form = useForm({ defaultValues: () => ({ lo: seed, hi: 1 }) });',
    ),
    'App:prop:seed',
    ['Leaf:prop:x'],
  ],
  [
    'told of all of it',
    app(`${PUT} useEffect(() => { form.watch((all) => setSeen(all.lo)); }, []);`, `${IN}<Leaf x={seen} />`),
    'App:state:mine',
    ['App:state:seen', 'Leaf:prop:x'],
  ],
  [
    'what a hook of one’s own gives back',
    app(PUT, `${IN}<Leaf x={form.watch('lo')} />`, MADE, 'const { form } = useDetail(seed);'),
    'App:state:mine',
    ['App:state:form', 'Leaf:prop:x'],
  ],
  [
    'something else with such a method',
    app(
      'const other: any = { setValue() {} };',
      `<Inner form={other} /><Leaf x={form.watch('lo')} />`,
      HANDED,
    ),
    'Inner:state:own',
    ['Inner:state:own'],
    ['Inner:prop:form', 'Leaf:prop:x'],
  ],
];

describe('a form of hooks', () => {
  idioms(
    CASES.map(([what, sources, from, to, not]): Idiom => ({
      what,
      sources,
      from,
      to,
      ...(not ? { not } : {}),
    })),
  );
});
