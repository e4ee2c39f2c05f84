/** An audit that was brought up to date says what a fresh one says, to the last place. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { describe, expect, test } from 'vitest';
import { type AuditResult, openAudit } from './audit';
import { located } from './model/parts';
import { isReadable, readFile } from './readers';
import { isManifest, readManifest } from './readers/manifest';
import { reportOf } from './report/summary';
import { findNodes, traceNodes } from './trace/trace';

const DEMO = join(import.meta.dirname, '../../demo');

/** Sequences of edits for each demo; with ENDURANCE, 2,000 over all. */
const RUNS = process.env.ENDURANCE === undefined ? 13 : 250;

function textsOf(dir: string, base = ''): [path: string, text: string][] {
  return readdirSync(dir).flatMap((name): [string, string][] => {
    const path = join(dir, name);
    return statSync(path).isDirectory()
      ? textsOf(path, `${base}${name}/`)
      : [[`${base}${name}`, readFileSync(path, 'utf8')]];
  });
}

/** Everything that people see: findings with their trails, and who renders whom and what flows where. */
function said(result: AuditResult, texts: Map<string, string>): unknown {
  const { project } = result;
  const name = (id: number): string => project.components[id]!.name;
  return {
    report: reportOf(result, (path) => texts.get(path) ?? '', []),
    tree: project.sites.map(({ owner, target }) => `${name(owner)} > ${name(target)}`),
    flow: project.flow.edges.map(
      ({ from, to, how, place }) => `${from} ${how} ${to} at ${located(project, place).start}`,
    ),
    traces: ['wind', 'speed', 'onHold', 'fare'].map((port) =>
      [...new Set(project.components.map((one) => one.name))].flatMap((one) => {
        const nodes = findNodes(project, `${one}:prop:${port}`);
        return nodes.length ? traceNodes(project, nodes).routes.length : [];
      }),
    ),
  };
}

/** What people do to a file: to its text, or to the file. */
const EDITS: Record<string, (text: string) => string | undefined> = {
  'lines above': (text) => `\n\n${text}`,
  'lines between': (text) => text.replaceAll('\n', '\n\n'),
  'a space in a body': (text) => text.replace(/\bconst (\w+) = /, 'const  $1 =  '),
  'a body': (text) => text.replace(/\bconst (\w+) = /, 'const $1 = 0 || '),
  looks: (text) => text.replace(/\bclass(Name)?="/, 'class$1="wide '),
  'a condition': (text) => text.replace(/ > (\d)/, ' > 1$1'),
  'a call in a body': (text) => text.replace(/=> \{\n/, '=> {\n  console.log(performance.now());\n'),
  'a name of a component': (text) => text.replace(/export function (\w+)/, 'export function $1Again'),
  'an export': (text) => text.replace(/\bexport (default )?/, ''),
  'a prop': (text) => text.replace(/\{ (\w+), /, '{ $1Renamed, '),
  'a tag': (text) => text.replace(/<([A-Z]\w+) /, '<$1 another={1} '),
  'an import': (text) => text.replace(/^import .*$/m, ''),
  'broken syntax': (text) => `${text}\n{{ <`,
  'nothing left': () => '',
  gone: () => undefined,
};

test.each(['console', 'desk', 'board', 'log', 'stores', 'kiosk', 'signs', 'rota'])('%s', (demo) => {
  const all = textsOf(join(DEMO, demo));
  const manifests = all.flatMap(([path, text]) => (isManifest(path) ? (readManifest(path, text) ?? []) : []));
  const sources = all.filter(([path]) => isReadable(path));
  const edit = fc.record({
    file: fc.constantFrom(...sources.map(([path]) => path)),
    how: fc.constantFrom(...Object.keys(EDITS)),
    back: fc.boolean(),
  });
  fc.assert(
    fc.property(fc.array(edit, { minLength: 1, maxLength: 5 }), (edits) => {
      const texts = new Map(sources);
      const audit = openAudit({ facts: sources.map(([path, text]) => readFile(path, text)), manifests });
      for (const { file, how, back } of edits) {
        const before = texts.get(file);
        const after = EDITS[how]!(before ?? '');
        const steps = back ? [after, before] : [after];
        for (const text of steps) {
          if (text === undefined) texts.delete(file);
          else texts.set(file, text);
          audit.update(new Map([[file, text === undefined ? undefined : readFile(file, text)]]));
        }
      }
      const fresh = openAudit({ facts: [...texts].map(([path, text]) => readFile(path, text)), manifests });
      expect(said(audit.result, texts)).toEqual(said(fresh.result, texts));
    }),
    { numRuns: RUNS, seed: process.env.ENDURANCE === undefined ? 5 : Date.now() },
  );
});

describe('where files say the same at other places, nothing is linked', () => {
  const LAMP = `import { useState } from 'react';
import { Shade } from 'shades';
export function Lamp({ hue, open }: { hue: string; open: boolean }) {
  const [lit, setLit] = useState(false);
  return <b onClick={() => setLit(!lit)}>{lit && hue}{open ? <Gate n={1} /> : <Gate n={2} />}{hue > 1 ? <Gate n={0} className="gate" /> : null}{hue > 1 ? <Gate n={0} /> : null}</b>;
}
function Gate({ n, className }: { n: number; className?: string }) {
  return <Shade className="dim" title="n"><b className={className}>{n}</b></Shade>;
}
`;
  const USE = `import { Lamp } from './lamp';\nexport const App = () => <Lamp hue="red" open sped={3} />;\n`;
  const open = (texts: Record<string, string>) =>
    openAudit({ facts: Object.entries(texts).map(([path, text]) => readFile(path, text)), manifests: [] });

  test.each<[what: string, edit: (text: string) => string, isLinked: boolean]>([
    ['lines above', (text) => `// the lamp\n\n${text}`, false],
    ['a comment in a body', (text) => text.replace('  return <b', '  // lit or not\n  return <b'), false],
    ['other quotes and spaces', (text) => text.replace("'react'", '"react"').replace('{ n }', '{n}'), false],
    ['the same', (text) => text, false],
    ['looks of what a package draws', (text) => text.replace('"dim"', '"dim wide"'), false],
    ['looks are gone', (text) => text.replace(' className="dim"', ''), true],
    ['what else it is given', (text) => text.replace('title="n"', 'title="all"'), true],
    ['looks of a component', (text) => text.replace('"gate"', '"gate wide"'), true],
    ['what a condition says', (text) => text.replaceAll('hue > 1', 'hue > 2'), false],
    ['what one of two conditions says', (text) => text.replace('hue > 1', 'hue > 2'), true],
    ['names that it reads of objects', (text) => text.replace('!lit)', '!lit, console.log())'), false],
    ['a name', (text) => text.replaceAll('hue', 'tone'), true],
    ['a value', (text) => text.replace('n={1}', 'n={3}'), true],
    [
      'the length of what is given',
      (text) => text.replace('n={1}', 'n={lit  ? 1 : 2}').replace('n={2}', 'n={lit ? 1 : 2}'),
      true,
    ],
    ['an order', (text) => text.replace('hue, open', 'open, hue'), true],
    ['what is broken', (text) => `${text}<`, true],
    ['what touched apart', (text) => text.replace('<b onClick', '<b  onClick').replace('}{', '}\n{'), false],
  ])('%s', (_, edit, isLinked) => {
    const texts: Record<string, string> = { 'lamp.tsx': LAMP, 'app.tsx': USE };
    const audit = open(texts);
    const { flow } = audit.result.project;
    for (const text of [edit(LAMP), LAMP, edit(edit(LAMP))]) {
      texts['lamp.tsx'] = text;
      audit.update(new Map([['lamp.tsx', readFile('lamp.tsx', text)]]));
      const now = new Map(Object.entries(texts));
      expect(said(audit.result, now)).toEqual(said(open(texts).result, now));
    }
    expect(audit.result.project.flow !== flow).toBe(isLinked);
  });
});
