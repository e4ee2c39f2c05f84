/** One thread per open project: audits it, brings the audit up to date, and answers questions about it. */
import type { Config } from '../../api/config';
import { riggingAskSchema } from '../../api/schemas';
import { openAudit } from '../../core/audit';
import type { FileFacts } from '../../core/model/facts';
import { groupBy } from '../../core/model/group-by';
import { oncePer } from '../../core/model/once-per';
import { isManifest } from '../../core/readers/manifest';
import { type ReportedFinding, reportOf } from '../../core/report/summary';
import { type AheadState, aheadOf, type Base, hashesNow, rowsOf } from './ahead';
import { auditFolder, loadConfig, settingsOf, understood } from './audit-folder';
import type { FolderAudit } from './folder';
import { freshenFiles } from './freshen';
import { languagesOf } from './languages';
import type { KnownFacts } from '../db/facts';
import type { NumberedFinding, StoredFile } from '../db/saving';
import { answerQuestions, tell } from '../threads/answering';
import type { Many, OpenedAudit, Question } from './session-protocol';
import { sheetText } from '../../core/readers/sheet/text';
import { sheetOf } from '../../core/report/sheet';
import { alikeView } from './alike';
import { catalogueView } from './catalogue';
import { componentView } from './component-page';
import { joinedView } from './joined';
import { draftView } from './draft';
import { hashOf, isSameText, readUnit, type ReadText } from './reader-worker';
import { jointView } from './joint';
import { overview } from './overview';
import { riggingView, rowsView } from './rigging-view';
import { search, strandView } from './views';

interface State {
  folder: FolderAudit;
  /** What was worked out already, by the question. */
  known: Map<string, unknown>;
  /** What will be asked and was not yet made ready. */
  cold: Asked[];
}

/** What is in the database of an audit that this thread made. */
interface Kept {
  /** Hashes by path. */
  files: Map<string, string>;
  /** Findings as they are written down, by their number. */
  findings: Map<number, string>;
  /** The number of the next finding. */
  next: number;
  facts: WeakSet<FileFacts>;
}

/** So many answers are kept, those asked for last. */
const MAX_KNOWN = 40;

let state: State | undefined;
/** What was kept of the audit before, until it is opened. */
let before: { files: StoredFile[]; facts: KnownFacts[] } = { files: [], facts: [] };
/** What is fetched of the audit that was opened, and what of it is in the database once all is fetched. */
let many: { [K in keyof Many]: Many[K][] | ((from: number, to: number) => Many[K][]) } | undefined;
let toKeep: Kept | undefined;
let kept: Kept | undefined;
/** Facts that are in the database. */
let keptFacts = new WeakSet<FileFacts>();
/** What the folder is compared with as it changes: the audit that was opened last; made when it is needed. */
let base: Base | undefined;
/** Where the folder holds something else by now. */
let ahead: AheadState | undefined;

function opened(): FolderAudit {
  if (!state) throw new Error('the project is not open');
  return state.folder;
}

const show = (folder: FolderAudit, cold: Asked[] = []): State => (state = { folder, known: new Map(), cold });

function takeBefore(): typeof before {
  const taken = before;
  before = { files: [], facts: [] };
  return taken;
}

/** Facts that were kept, by path, with the hashes of the texts that they were made of. */
function factsKept(list: KnownFacts[]): { facts: Map<string, FileFacts>; hashes: Map<string, string> } {
  const facts = new Map(list.map((one) => [one.path, JSON.parse(one.body) as FileFacts]));
  for (const one of facts.values()) keptFacts.add(one);
  return { facts, hashes: new Map(list.map((one) => [one.path, one.hash])) };
}

async function open(root: string, since: boolean): Promise<OpenedAudit> {
  const started = performance.now();
  const config = await loadConfig(root);
  const found = await auditFolder(root, {
    ...(config ? { config } : {}),
    ...(state ? { last: state.folder } : { before: factsKept(takeBefore().facts) }),
    onProgress: tell,
  });
  show(found, [...AHEAD]);
  const { textOf, texts, audit } = found;
  // A file that could not be read has nothing that is kept, so that it is read again.
  const all = [...texts].flatMap(([path, { text, hash }]) => (hash ? [{ path, hash, text }] : []));
  for (const { path, text } of found.manifests) all.push({ path, hash: hashOf(text), text });
  const { findings, ...report } = reportOf(audit.result, textOf, found.skipped);
  base = { hashes: hashesNow(found), findings };
  ahead = undefined;
  const last = since ? kept : undefined;
  const { fresh, ended, ...numbered } = compared(findings, last);
  toKeep = {
    files: new Map(all.map(({ path, hash }) => [path, hash])),
    ...numbered,
    facts: new WeakSet(found.facts.values()),
  };
  const files = last ? all.filter(({ path, hash }) => last.files.get(path) !== hash) : all;
  const facts = all.flatMap(({ path, hash }) => {
    const one = found.facts.get(path);
    return one && !keptFacts.has(one) ? [{ path, hash, one }] : [];
  });
  const bodies = (from: number, to: number): KnownFacts[] =>
    facts.slice(from, to).map(({ path, hash, one }) => ({ path, hash, body: JSON.stringify(one) }));
  many = { files, findings: fresh, facts: bodies };
  const { files: current } = toKeep;
  const gone = last && {
    files: [...last.files].flatMap(([path, hash]) => (current.get(path) === hash ? [] : [path])),
    findings: ended,
  };
  return {
    report,
    counts: { files: files.length, findings: fresh.length, facts: facts.length },
    ...(gone ? { gone } : {}),
    languages: languagesOf(audit.result),
    milliseconds: performance.now() - started,
    config: config ?? {},
  };
}

/** A finding as it is written down; worked out once, as it may be reported again and again. */
const bodyOf = oncePer((finding: ReportedFinding): string => JSON.stringify(finding));

/** Which findings are to be kept, and which hold no longer: those that are as before, to the last letter, keep their number. */
function compared(
  findings: ReportedFinding[],
  last: Pick<Kept, 'findings' | 'next'> = { findings: new Map(), next: 0 },
): Pick<Kept, 'findings' | 'next'> & { fresh: NumberedFinding[]; ended: number[] } {
  const had = groupBy(last.findings, ([, body]) => body);
  const fresh: NumberedFinding[] = [];
  const now = new Map<number, string>();
  let { next } = last;
  for (const finding of findings) {
    const body = bodyOf(finding);
    const was = had.get(body)?.shift()?.[0];
    const number = was ?? next++;
    if (was === undefined) fresh.push({ number, finding });
    now.set(number, body);
  }
  return { findings: now, next, fresh, ended: [...last.findings.keys()].filter((one) => !now.has(one)) };
}

/** All of the audit that was opened is in the database. */
function keep(): void {
  kept = toKeep;
  keptFacts = toKeep?.facts ?? keptFacts;
  toKeep = undefined;
  many = undefined;
}

/** Milliseconds without a question until the screens that a project opens on are made ready, one at a time. */
const IDLE = 400;
let idle: NodeJS.Timeout | undefined;

/** What is asked first of a project. What is not kept for long is asked for the sake of what it has worked out. */
const AHEAD: Asked[] = [
  { kind: 'overview' },
  { kind: 'rigging', ask: riggingAskSchema.parse({}) },
  { kind: 'search', query: 'a' },
  { kind: 'catalogue' },
];

/** While nobody asks, makes ready what will be asked; while something is fetched for the database, that goes first. */
function warm(): void {
  clearTimeout(idle);
  if (!state?.cold.length || many) return;
  idle = setTimeout(() => {
    const next = state?.cold.shift();
    try {
      if (next) once(next);
    } catch {
      // Whoever asks is told what went wrong.
    }
    warm();
  }, IDLE);
}

function part<K extends keyof Many>(of: K, from: number, most: number): Many[K][] {
  const list = many?.[of] ?? [];
  return typeof list === 'function' ? list(from, from + most) : list.slice(from, from + most);
}

/** Opens an audit that was kept, without touching the folder. */
function restore(config: Config | undefined): void {
  const { files, facts: list } = takeBefore();
  const bodies = new Map(files.map((file) => [file.path, file.text]));
  const known = factsKept(list);
  const facts = new Map<string, FileFacts>();
  const texts = new Map<string, ReadText>();
  const partOf = (path: string) => bodies.get(path);
  for (const { path, hash, text } of files) {
    if (isManifest(path)) continue;
    const one = known.facts.get(path);
    const { parts } = one ?? {};
    const holds = isSameText({ hash, ...(parts ? { parts } : {}) }, hash, partOf);
    facts.set(path, one && holds ? one : readUnit(path, text, partOf));
    texts.set(path, { text, hash });
  }
  const manifests = files.filter((one) => isManifest(one.path)).map(({ path, text }) => ({ path, text }));
  const folder: FolderAudit = {
    audit: openAudit({
      facts: [...facts.values()],
      manifests: understood(manifests),
      settings: settingsOf(config),
    }),
    config,
    facts,
    texts,
    skipped: [],
    manifests,
    broken: new Map(),
    textOf: (path) => bodies.get(path) ?? '',
  };
  show(folder, [...AHEAD]);
}

/**
 * Brings what is shown up to what the folder holds now, without keeping it; `paths` are the files that changed, where that
 * is all. Gives what is other than in the audit that was kept.
 */
async function freshen(root: string, paths: string[] | undefined): Promise<AheadState['ahead'] | undefined> {
  const folder = opened();
  // What was opened from the database may be older than all that changed since.
  const only = base && paths;
  base ??= {
    hashes: hashesNow(folder),
    findings: reportOf(folder.audit.result, folder.textOf, folder.skipped).findings,
  };
  const quick = only && freshenFiles(root, folder, only);
  const config = quick ? undefined : await loadConfig(root);
  const now =
    quick ?? (await auditFolder(root, { ...(config ? { config } : {}), last: folder, keepBroken: true }));
  // Nothing but the times of files may have changed: then what was worked out holds.
  if (holdsTheSame(folder, now)) {
    state!.folder = now;
    return ahead?.ahead;
  }
  show(now);
  ahead = aheadOf(now, base, new Date());
  return ahead?.ahead;
}

const holdsTheSame = (was: FolderAudit, now: FolderAudit): boolean =>
  now.audit === was.audit &&
  now.texts.size === was.texts.size &&
  [...now.texts].every(([path, { hash }]) => was.texts.get(path)?.hash === hash) &&
  JSON.stringify([...now.broken]) === JSON.stringify([...was.broken]) &&
  JSON.stringify(now.manifests) === JSON.stringify(was.manifests);

/** What changes the audit waits for the change before. */
let changed: Promise<unknown> = Promise.resolve();

function inTurn<T>(change: () => Promise<T> | T): Promise<T> {
  const done = changed.then(change);
  changed = done.catch(() => undefined);
  return done;
}

async function answer(question: Question): Promise<unknown> {
  clearTimeout(idle);
  try {
    return await answered(question);
  } finally {
    warm();
  }
}

async function answered(question: Question): Promise<unknown> {
  switch (question.kind) {
    case 'known':
      before.files.push(...question.files);
      before.facts.push(...question.facts);
      return undefined;
    case 'open':
      return inTurn(() => open(question.root, question.since));
    case 'restore':
      return inTurn(() => restore(question.config));
    case 'freshen':
      return inTurn(() => freshen(question.root, question.paths));
    case 'ahead':
      return ahead?.summary;
    case 'ahead-findings':
      return ahead && rowsOf(ahead);
    case 'ahead-finding':
      return ahead?.findings.find((one) => one.fingerprint === question.fingerprint);
    case 'ahead-source':
      return opened().texts.get(question.path)?.text;
    case 'part':
      return part(question.of, question.from, question.most);
    case 'kept':
      return keep();
    case 'draft':
      return draftView(opened(), question.path, question.text);
    default:
      return once(question);
  }
}

/** What an audit shows is worked out once for each question. */
function once(question: Asked): unknown {
  opened();
  const { known } = state!;
  const key = JSON.stringify(question);
  const found = known.has(key) ? known.get(key) : view(question);
  known.delete(key);
  known.set(key, found);
  if (known.size > MAX_KNOWN) known.delete(known.keys().next().value!);
  return found;
}

type Asked = Exclude<
  Question,
  {
    kind:
      | 'known'
      | 'open'
      | 'restore'
      | 'part'
      | 'kept'
      | 'freshen'
      | 'ahead'
      | 'ahead-findings'
      | 'ahead-finding'
      | 'ahead-source'
      | 'draft';
  }
>;

function view(question: Asked): unknown {
  const { textOf, audit, facts } = opened();
  const { result } = audit;
  switch (question.kind) {
    case 'rigging':
      return riggingView(result, textOf, question.ask);
    case 'rows':
      return rowsView(result, textOf, question.ask, question.from, question.most);
    case 'strand':
      return strandView(result, textOf, question.ask);
    case 'search':
      return search(result, question.query);
    case 'catalogue':
      return catalogueView(result, textOf);
    case 'overview':
      return overview(result);
    case 'sheets':
      return [...facts.values()].flatMap((one) => (one.language === 'sheet' ? [one.path] : [])).sort();
    case 'written':
      return sheetText(sheetOf(result.project, question.title).sheet);
    case 'joined':
      return joinedView(result, textOf);
    case 'component':
      return componentView(result, textOf, question.ref);
    case 'alike':
      return alikeView(result, question.ref);
    case 'joint':
      return jointView(result, textOf, question.ref, question.at);
  }
}

answerQuestions(answer);
