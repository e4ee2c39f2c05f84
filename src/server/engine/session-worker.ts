/** One thread per open project: audits it and answers questions about it. */
import type { Config } from '../../api/config';
import { openAudit, type AuditResult } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import { isManifest } from '../../core/readers/manifest';
import { reportOf } from '../../core/report/summary';
import { auditFolder, loadConfig, settingsOf, understood } from './audit-folder';
import type { KnownFacts } from '../db/facts';
import type { StoredFile } from '../db/projects';
import { answerQuestions, tell } from '../threads/answering';
import type { Many, OpenedAudit, Question } from './session-protocol';
import { catalogueView } from './catalogue';
import { componentView } from './component-page';
import { joinedView } from './joined';
import { hashOf, isSameText, readUnit } from './reader-worker';
import { jointView } from './joint';
import { riggingView, search, strandView } from './views';

interface State {
  result: AuditResult;
  textOf(path: string): string;
  /** What was worked out already, by the question. */
  known: Map<string, unknown>;
}

/** So many answers are kept, those asked for last. */
const MAX_KNOWN = 40;

let state: State | undefined;
/** What was kept of the audit before, until it is opened. */
let before: { files: StoredFile[]; facts: KnownFacts[] } = { files: [], facts: [] };
/** What is fetched of the audit that was opened. */
let many: { [K in keyof Many]: (from: number, to: number) => Many[K][] } | undefined;

function opened(): State {
  if (!state) throw new Error('the project is not open');
  return state;
}

function takeBefore(): typeof before {
  const taken = before;
  before = { files: [], facts: [] };
  return taken;
}

async function open(root: string): Promise<OpenedAudit> {
  const started = performance.now();
  const config = await loadConfig(root);
  const { facts: known } = takeBefore();
  const had = new Map(known.map((one) => [one.path, JSON.parse(one.body) as FileFacts]));
  const found = await auditFolder(root, {
    ...(config ? { config } : {}),
    ...(known.length
      ? {
          before: {
            facts: had,
            hashes: new Map(known.map((one) => [one.path, one.hash])),
          },
        }
      : {}),
    onProgress: tell,
  });
  const { textOf, texts } = found;
  const { result } = found.audit;
  state = { result, textOf, known: new Map() };
  // A file that could not be read has nothing that is kept, so that it is read again.
  const files = [...texts].flatMap(([path, { text, hash }]) => (hash ? [{ path, hash, text }] : []));
  for (const { path, text } of found.manifests) files.push({ path, hash: hashOf(text), text });
  const facts = files.flatMap(({ path, hash }) => {
    const one = found.facts.get(path);
    return one && one !== had.get(path) ? [{ path, hash, one }] : [];
  });
  const { findings, ...report } = reportOf(result, textOf, found.skipped);
  many = {
    files: (from, to) => files.slice(from, to),
    findings: (from, to) => findings.slice(from, to),
    facts: (from, to) =>
      facts.slice(from, to).map(({ path, hash, one }) => ({ path, hash, body: JSON.stringify(one) })),
  };
  return {
    report,
    counts: { files: files.length, findings: findings.length, facts: facts.length },
    languages: languagesOf(result),
    milliseconds: performance.now() - started,
    config: config ?? {},
  };
}

/** Opens an audit that was kept, without touching the folder. */
function restore(config: Config | undefined): void {
  const { files, facts: kept } = takeBefore();
  const texts = new Map(files.map((file) => [file.path, file.text]));
  const known = new Map(kept.map((one) => [one.path, one.body]));
  const facts: FileFacts[] = [];
  const partOf = (path: string) => texts.get(path);
  for (const { path, hash, text } of files) {
    if (!isManifest(path)) {
      const body = known.get(path);
      const one = body === undefined ? undefined : (JSON.parse(body) as FileFacts);
      const { parts } = one ?? {};
      const holds = isSameText({ hash, ...(parts ? { parts } : {}) }, hash, partOf);
      facts.push(one && holds ? one : readUnit(path, text, partOf));
    }
  }
  const manifests = understood(files.filter((one) => isManifest(one.path)));
  const { result } = openAudit({ facts, manifests, settings: settingsOf(config) });
  state = { result, textOf: (path) => texts.get(path) ?? '', known: new Map() };
}

function languagesOf(result: AuditResult): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const component of result.project.components) {
    if (component.facts.role !== 'component') continue;
    const { language } = result.project.files[component.file]!.facts;
    counts[language] = (counts[language] ?? 0) + 1;
  }
  return counts;
}

async function answer(question: Question): Promise<unknown> {
  switch (question.kind) {
    case 'known':
      before.files.push(...question.files);
      before.facts.push(...question.facts);
      return undefined;
    case 'open':
      return open(question.root);
    case 'restore':
      return restore(question.config);
    case 'part': {
      const { of, from, most } = question;
      return many?.[of](from, from + most) ?? [];
    }
    case 'kept':
      many = undefined;
      return undefined;
    default:
      return once(question);
  }
}

/** What an audit shows is worked out once for each question. */
function once(question: Asked): unknown {
  const { known } = opened();
  const key = JSON.stringify(question);
  const found = known.has(key) ? known.get(key) : view(question);
  known.delete(key);
  known.set(key, found);
  if (known.size > MAX_KNOWN) known.delete(known.keys().next().value!);
  return found;
}

type Asked = Exclude<Question, { kind: 'known' | 'open' | 'restore' | 'part' | 'kept' }>;

function view(question: Asked): unknown {
  switch (question.kind) {
    case 'rigging':
      return riggingView(opened().result, opened().textOf, question.pins);
    case 'strand':
      return strandView(opened().result, opened().textOf, question.ref);
    case 'search':
      return search(opened().result, question.query);
    case 'catalogue':
      return catalogueView(opened().result, opened().textOf);
    case 'joined':
      return joinedView(opened().result, opened().textOf);
    case 'component':
      return componentView(opened().result, opened().textOf, question.ref);
    case 'joint':
      return jointView(opened().result, opened().textOf, question.ref, question.at);
  }
}

answerQuestions(answer);
