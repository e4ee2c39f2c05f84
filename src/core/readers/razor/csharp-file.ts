/** A file of C#: its types, the components that it mounts or opens, and the services that it registers. */
import { nameFromPath } from '../../model/names';
import type { ComponentFacts, FileFacts, KeyFact } from '../../model/facts';
import { type TypeDecl, type TypeExpr, union, UNKNOWN } from '../../model/types';
import { emptyFile } from '../file';
import { emptyFacts } from '../script/unit';
import { memberNames } from './code';
import { CSharp } from './csharp';
import { readComponentClasses } from './component-classes';
import { OTHER_SPACE, razorTraits } from './names';
import { provideServices, readServices } from './services';
import type { ClassNode } from './nodes';
import { openMounted } from './opened';
import { typeOfText } from './types';

/** Members that everything has. */
const ALWAYS = ['ToString', 'Equals', 'GetHashCode', 'GetType'];

/** Spaces whose names are written alone in it, or in all files. */
const USING = new RegExp(`^\\s*(global\\s+)?using\\s+${OTHER_SPACE}\\s*;`, 'gm');

/** Reads a file. Never throws: what is not understood is passed over. */
export function readCSharpFile(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), ambient: true };
  const classes = CSharp.types(text);
  facts.types = classes.flatMap(declarationOf);
  const services = readServices(facts, path, text, classes);
  readMounts(facts, text, services);
  readComponentClasses(facts, path, text, classes);
  readParts(facts, path, text);
  facts.memberReads = memberNames(text);
  const spaces = [...text.matchAll(/^\s*namespace\s+([\w.]+)/gm)].map((one) => one[1]!);
  if (spaces.length) facts.spaces = spaces;
  const seen = [...text.matchAll(USING)].map(([, global, space]) => ({
    space: space!,
    isGlobal: global !== undefined,
  }));
  if (seen.length) facts.sees = seen.map((one) => one.space);
  const ofAll = seen.filter((one) => one.isGlobal).map((one) => one.space);
  if (!ofAll.length) return facts;
  facts.uses = ofAll;
  facts.ofFolder = true;
  return facts;
}

/** What a class, record or enumeration is as a type. */
export function declarationOf({
  name,
  kind,
  partial,
  params,
  bases,
  members,
  values,
}: ClassNode): TypeDecl[] {
  if (kind === 'enum')
    return values.length
      ? [{ name, kind: 'enum', params, bases: [], body: union(values.map((one) => ({ t: 'lit', v: one }))) }]
      : [];
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
    // What another part of it declares is not here; of two of a name, the one without parameters may be meant.
    ...(partial || params.length ? { open: true } : {}),
  };
  const from = bases.map((one): TypeExpr => ({
    t: 'ref',
    name: one.name,
    ...(one.args ? { args: one.args } : {}),
  }));
  return [{ name, kind: 'interface', params, bases: from, body }];
}

/** Components that are put on pages, and what is provided for all that is drawn there. */
function readMounts(facts: FileFacts, text: string, services: string[] = []): void {
  const component = emptyFacts(
    nameFromPath(facts.path),
    { start: 0, end: text.length },
    { start: 0, end: 0 },
    razorTraits(false),
  );
  component.role = 'module';
  facts.mounts = openMounted(component, text);
  readProvided(component, text);
  provideServices(component, text, services);
  if (component.render.length || component.provides.length) facts.components.push(component);
}

/** `services.AddCascadingValue("House", …)`, and the same by a type */
const PROVIDED = /\bAddCascadingValue\s*(?:<\s*([A-Z][\w.]*)[^>]*>)?\s*\(\s*(?:"([^"\n]*)")?([^;]*)/g;

function readProvided(component: ComponentFacts, text: string): void {
  for (const found of text.matchAll(PROVIDED)) {
    const [, generic, name, rest = ''] = found;
    const types =
      generic === undefined ? [...rest.matchAll(/\b(?:new|typeof\()\s*([A-Z]\w*)|<([A-Z]\w*)>/g)] : [];
    const shown =
      generic ?? types.flatMap((one) => one[1] ?? one[2] ?? []).find((one) => one !== 'CascadingValueSource');
    const key: KeyFact | undefined =
      name !== undefined
        ? { text: name }
        : shown === undefined
          ? undefined
          : { type: typeOfText(shown), shown };
    if (!key) continue;
    const at = { start: found.index, end: found.index + 'AddCascadingValue'.length };
    if (!component.render.length) component.render.push({ kind: 'group', parent: -1, attributes: [], ...at });
    component.provides.push({ key, keyStart: at.start, keyEnd: at.end, node: 0, where: 'setup', ...at });
  }
}

/** A part of a component's class in a file that does not bear its name: what it takes and reads there is not known. */
const PART = /\bpartial\s+class\s+(\w+)/g;

function readParts(facts: FileFacts, path: string, text: string): void {
  const beside = /([^/]+)\.razor\.cs$/.exec(path)?.[1];
  const names = [...text.matchAll(PART)].map((one) => one[1]!).filter((name) => name !== beside);
  if (names.length) facts.opens = names;
}

/** A page of another kind that puts components on it: `<component type="typeof(App)" />`. */
export function readPage(path: string, text: string): FileFacts {
  const facts: FileFacts = { ...emptyFile(path), ambient: true };
  readMounts(facts, text);
  facts.mounts ||= facts.components.length > 0;
  return facts;
}
