/** A file of C#: its types, the components that it mounts or opens, and the services that it registers. */
import type { FileFacts } from '../../model/facts';
import { type TypeDecl, type TypeExpr, UNKNOWN } from '../../model/types';
import { spread } from '../script/attributes';
import { emptyFile } from '../file';
import { emptyFacts, SETUP, addNode } from '../script/unit';
import { CSharp } from './csharp';
import { razorTraits, shortName } from './names';
import type { ClassNode } from './nodes';
import type { RazorUnit } from './unit';

/** Members that everything has. */
const ALWAYS = ['ToString', 'Equals', 'GetHashCode', 'GetType'];

/** Reads a file. Never throws: what is not understood is passed over. */
export function readCSharpFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), ambient: true };
  facts.types = CSharp.types(text).flatMap(declarationOf);
  readMounts(facts, text);
  return facts;
}

function declarationOf({ name, kind, params, bases, members, values }: ClassNode): TypeDecl[] {
  if (kind === 'enum') return values.length ? [{ name, kind: 'enum', params, bases: [], body: UNKNOWN }] : [];
  const known = members.filter((one) => !one.words.has('static'));
  const body: TypeExpr = {
    t: 'object',
    members: [
      ...known.map(({ name: member, type, kind: is, nameAt }) => ({
        name: member,
        type: is === 'method' ? UNKNOWN : type,
        ...nameAt,
      })),
      ...ALWAYS.map((member) => ({ name: member, type: UNKNOWN, start: -1, end: -1 })),
    ],
    // What the base has, and what another part of it declares, is not here.
    ...(bases.length || params.length ? { open: true } : {}),
  };
  return [{ name, kind: 'interface', params, bases: [], body }];
}

/** `RootComponents.Add<App>("#app")`, `MapRazorComponents<App>()`, `dialogs.Show<HoldDialog>()` */
const MOUNTS = /\b(\w+)\s*<\s*([A-Z][\w.]*)\s*>\s*\(|\btypeof\(\s*([A-Z][\w.]*)\s*\)/g;
/** Those put a component on a page. */
const ROOTS = /^(Add|MapRazorComponents|RenderComponentAsync|AddComponent)$/;

function readMounts(facts: FileFacts, text: string): void {
  const component = emptyFacts('', { start: 0, end: text.length }, { start: 0, end: 0 }, razorTraits(false));
  component.role = 'module';
  for (const found of text.matchAll(MOUNTS)) {
    const [whole, call, generic, plain] = found;
    const name = generic ?? plain!;
    const from = found.index + whole.indexOf(name);
    const span = { start: from, end: from + name.length };
    const short = shortName(name);
    const tag = { name: short, ...span, global: short };
    const index = addNode({ facts: component } as RazorUnit, { kind: 'site', tag, ...span }, SETUP);
    const node = component.render[index]!;
    node.parent = -1;
    node.mounted = span;
    if (!ROOTS.test(call ?? '')) node.attributes.push(spread(span));
    else facts.mounts = true;
  }
  if (component.render.length) facts.components.push(component);
}
