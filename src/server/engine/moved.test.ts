/** Where code only moves, every screen shows what it would show of a fresh audit. */
import { readdirSync, readFileSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { expect, test } from 'vitest';
import { riggingAskSchema } from '../../api/schemas';
import { type AuditResult, openAudit } from '../../core/audit';
import { spellingsOf } from '../../core/trace/spelled';
import { componentRef } from '../../core/model/refs';
import { isReadable, readFile } from '../../core/readers';
import { reportOf } from '../../core/report/summary';
import { alikeView } from './alike';
import { catalogueView } from './catalogue';
import { componentView } from './component-page';
import { joinedView } from './joined';
import { jointView } from './joint';
import { overview } from './overview';
import { riggingView, rowsView } from './rigging-view';
import { search, strandView } from './views';

const DEMO = join(import.meta.dirname, '../../../demo');

const pathsIn = (folder: string, base = ''): string[] =>
  readdirSync(folder).flatMap((name) =>
    statSync(join(folder, name)).isDirectory()
      ? pathsIn(join(folder, name), `${base}${name}/`)
      : isReadable(name)
        ? [`${base}${name}`]
        : [],
  );

type Texts = Map<string, string>;

const open = (texts: Texts) =>
  openAudit({
    facts: [...texts].map(([path, text]) => readFile(path, text, (part) => texts.get(part))),
    manifests: [],
  });

/** All that screens and editors ask for. */
function shown(result: AuditResult, texts: Texts): unknown {
  const textOf = (path: string) => texts.get(path) ?? '';
  const { project } = result;
  const ask = riggingAskSchema.parse({});
  const refs = project.components
    .filter(({ facts }) => facts.role === 'component')
    .map((one) => componentRef(project, one));
  return {
    report: reportOf(result, textOf),
    rigging: riggingView(result, textOf, ask),
    rows: rowsView(result, textOf, ask, 0, 500),
    catalogue: catalogueView(result, textOf),
    overview: overview(result),
    joined: joinedView(result, textOf),
    alike: alikeView(result),
    search: search(result, 'wi'),
    components: refs.map((ref) => componentView(result, textOf, ref)),
    joints: refs.map((ref) => jointView(result, textOf, ref, 0)),
    strands: refs.flatMap((ref) =>
      ['speed', 'wind'].map((name) => strandView(result, textOf, { ref: `${ref}:prop:${name}` })),
    ),
    spelled: project.components.flatMap((component) =>
      spellingsOf(project)
        .of({ kind: 'component', component })
        .map(({ place }) => place),
    ),
  };
}

test.each(['console', 'desk', 'board', 'log', 'signs'])('%s', (demo) => {
  const texts: Texts = new Map(
    pathsIn(join(DEMO, demo)).map((path) => [path, readFileSync(join(DEMO, demo, path), 'utf8')]),
  );
  const audit = open(texts);
  const { flow } = audit.result.project;
  // What was worked out of the first audit is there when the second is asked.
  shown(audit.result, texts);
  const edited = [...texts.keys()].filter((_, index) => index % 2 === 0);
  for (const path of edited) {
    // Lines and tabs between lines, and no text that anybody reads.
    texts.set(path, texts.get(path)!.replace(/(import .*\n)(?!import)/, '$1\n\t\n'));
    audit.update(new Map([[path, readFile(path, texts.get(path)!, (part) => texts.get(part))]]));
  }
  expect(audit.result.project.flow).toBe(flow);
  expect(shown(audit.result, texts)).toEqual(shown(open(texts).result, texts));
});
