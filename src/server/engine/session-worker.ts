/** One thread per open project: audits it and answers questions about it. */
import { parentPort } from 'node:worker_threads';
import { openAudit, type AuditResult } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import { readFile } from '../../core/readers';
import { isManifest } from '../../core/readers/manifest';
import { reportOf } from '../../core/report/summary';
import { auditFolder, loadConfig, settingsOf, understood } from './audit-folder';
import type { Answer, OpenedAudit, OpenTask, Question, RestoreTask } from './session-protocol';
import { catalogueView } from './catalogue';
import { componentView } from './component-page';
import { joinedView } from './joined';
import { hashOf } from './reader-worker';
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

function opened(): State {
  if (!state) throw new Error('the project is not open');
  return state;
}

async function open(task: OpenTask): Promise<OpenedAudit> {
  const started = performance.now();
  const config = await loadConfig(task.root);
  const before = {
    facts: new Map(task.known.map((one) => [one.path, JSON.parse(one.body) as FileFacts])),
    hashes: new Map(task.known.map((one) => [one.path, one.hash])),
  };
  const found = await auditFolder(task.root, {
    ...(config ? { config } : {}),
    ...(task.known.length ? { before } : {}),
    onProgress: (progress) => reply({ kind: 'progress', progress }),
  });
  const { textOf, texts } = found;
  const { result } = found.audit;
  state = { result, textOf, known: new Map() };
  // A file that could not be read has nothing that is kept, so that it is read again.
  const files = [...texts].flatMap(([path, { text, hash }]) => (hash ? [{ path, hash, text }] : []));
  for (const { path, text } of found.manifests) files.push({ path, hash: hashOf(text), text });
  const known = new Set(task.known.map((one) => `${one.path}\n${one.hash}`));
  return {
    report: reportOf(result, textOf, found.skipped),
    languages: languagesOf(result),
    milliseconds: performance.now() - started,
    files,
    config: config ?? {},
    facts: files.flatMap(({ path, hash }) => {
      const facts = found.facts.get(path);
      return facts && !known.has(`${path}\n${hash}`) ? [{ path, hash, body: JSON.stringify(facts) }] : [];
    }),
  };
}

/** Opens an audit that was kept, without touching the folder. */
function restore(task: RestoreTask): void {
  const texts = new Map(task.files.map((file) => [file.path, file.text]));
  const known = new Map(task.known.map((one) => [one.path, one.body]));
  const facts: FileFacts[] = [];
  for (const { path, text } of task.files) {
    if (!isManifest(path)) {
      const body = known.get(path);
      facts.push(body === undefined ? readFile(path, text) : (JSON.parse(body) as FileFacts));
    }
  }
  const manifests = understood(task.files.filter((one) => isManifest(one.path)));
  const { result } = openAudit({ facts, manifests, settings: settingsOf(task.config) });
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
    case 'open':
      return open(question.task);
    case 'restore':
      return restore(question.task);
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

type Asked = Exclude<Question, { kind: 'open' | 'restore' }>;

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

const reply = (message: Answer) => parentPort!.postMessage(message);

parentPort!.on('message', ({ id, question }: { id: number; question: Question }) => {
  answer(question).then(
    (value) => reply({ kind: 'value', id, value }),
    (error: unknown) => {
      const { message, stack = message } = error instanceof Error ? error : new Error(String(error));
      reply({ kind: 'error', id, message, stack });
    },
  );
});
