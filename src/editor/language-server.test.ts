/** The language server as an editor uses it: a process, documents that are typed in, and what it answers. */
import { type ChildProcess, spawn } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, realpathSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, expect, test, vi } from 'vitest';
import {
  CancellationTokenSource,
  type CodeAction,
  type CodeLens,
  createProtocolConnection,
  type Diagnostic,
  type Hover,
  type InitializeResult,
  type Location,
  type ProtocolConnection,
  type Range,
  StreamMessageReader,
  StreamMessageWriter,
  type SymbolInformation,
  type WorkspaceEdit,
} from 'vscode-languageserver/node.js';
import { URI } from 'vscode-uri';

const ROOT = join(import.meta.dirname, '../..');
let folder: string;
let child: ChildProcess;
let client: ProtocolConnection;
let capabilities: InitializeResult['capabilities'];
const diagnostics = new Map<string, Diagnostic[]>();
const progress: string[] = [];
let opened: string | undefined;

beforeAll(async () => {
  folder = realpathSync(mkdtempSync(join(tmpdir(), 'editor-')));
  for (const demo of ['console', 'desk', 'log'])
    cpSync(join(ROOT, 'demo', demo), join(folder, demo), { recursive: true });
  child = spawn(process.execPath, [join(ROOT, 'dist/cli.js'), 'lsp', '--stdio'], { cwd: folder });
  client = createProtocolConnection(
    new StreamMessageReader(child.stdout!),
    new StreamMessageWriter(child.stdin!),
  );
  client.onNotification(
    'textDocument/publishDiagnostics',
    (one: { uri: string; diagnostics: Diagnostic[] }) => diagnostics.set(pathOf(one.uri), one.diagnostics),
  );
  client.onRequest('window/workDoneProgress/create', () => null);
  client.onNotification('$/progress', ({ value }: { value: { kind: string } }) => progress.push(value.kind));
  client.onRequest('window/showDocument', ({ uri }: { uri: string }) => {
    opened = uri;
    return { success: true };
  });
  client.listen();
  const started: InitializeResult = await client.sendRequest('initialize', {
    processId: process.pid,
    rootUri: null,
    workspaceFolders: ['console', 'desk', 'log'].map((name) => ({
      name,
      uri: URI.file(join(folder, name)).toString(),
    })),
    capabilities: { window: { workDoneProgress: true }, workspace: { workspaceFolders: true } },
  });
  ({ capabilities } = started);
  await client.sendNotification('initialized', {});
  await vi.waitFor(() => expect(progress.filter((one) => one === 'end')).toHaveLength(3), {
    timeout: 25_000,
  });
}, 60_000);

afterAll(async () => {
  client.dispose();
  child.kill();
  rmSync(folder, { recursive: true });
});

const uriOf = (path: string) => URI.file(join(folder, path)).toString();
const pathOf = (uri: string) => URI.parse(uri).fsPath.slice(folder.length + 1);
const textOf = (path: string) => readFileSync(join(folder, path), 'utf8');

/** The place of a piece of text in a file; `|` in it is where the caret stands. */
function at(path: string, piece: string, text = textOf(path)) {
  const start = text.indexOf(piece.replace('|', ''));
  expect(start, `${piece} in ${path}`).toBeGreaterThanOrEqual(0);
  const before = text.slice(0, start + Math.max(0, piece.indexOf('|'))).split('\n');
  return {
    textDocument: { uri: uriOf(path) },
    position: { line: before.length - 1, character: before.at(-1)!.length },
  };
}

/** Places as `path:text`, by the text that stands there. */
const shown = (list: Location[]) =>
  list.map(({ uri, range }) => `${pathOf(uri)}:${range.start.line + 1} ${textIn(pathOf(uri), range)}`);

function textIn(path: string, { start, end }: Range): string {
  const line = textOf(path).split('\n')[start.line]!;
  return start.line === end.line
    ? line.slice(start.character, end.character)
    : `${line.slice(start.character)}…`;
}

test('it says what it can do', () => {
  expect(capabilities).toMatchObject({
    hoverProvider: true,
    definitionProvider: true,
    referencesProvider: true,
    renameProvider: { prepareProvider: true },
    codeLensProvider: {},
    workspaceSymbolProvider: true,
  });
  expect(progress.slice(0, 2)).toEqual(['begin', 'end']);
});

test('findings are diagnostics, with the places that prove them', () => {
  const [missing] = diagnostics
    .get('console/src/crew/CrewPanel.tsx')!
    .filter(({ code }) => code === 'prop/missing');
  expect(missing).toMatchObject({ severity: 1, source: 'zinc-rope' });
  expect(missing!.message).toContain('Meter without "max"');
  expect(textIn('console/src/crew/CrewPanel.tsx', missing!.range)).toContain('Meter');
  expect(missing!.relatedInformation!.map(({ location }) => pathOf(location.uri))).toContain(
    'console/src/shared/Meter.tsx',
  );
});

test.each<[what: string, path: string, piece: string, places: string[]]>([
  [
    'what is handed over: to where it is declared',
    'console/src/crew/CrewPanel.tsx',
    '<Meter |value=',
    ['console/src/shared/Meter.tsx:2 value', 'console/src/shared/Meter.tsx:6 value'],
  ],
  [
    'a tag: to its component',
    'console/src/crew/CrewPanel.tsx',
    '<|Meter value=',
    ['console/src/shared/Meter.tsx:6 Meter'],
  ],
  [
    'a declared prop: to where it is handed over',
    'console/src/shared/Meter.tsx',
    '|max: number',
    ['console/src/line/WindGauge.tsx:17 max'],
  ],
  ['a listener: to the event', 'desk/src/App.vue', '@|pick="chosen', ['desk/src/fares/FareBoard.vue:6 pick']],
  [
    'an event that is raised: to who listens',
    'desk/src/fares/FareBoard.vue',
    "emit('|pick'",
    ['desk/src/App.vue:29 pick'],
  ],
  [
    'a key that is provided: to who asks for it',
    'desk/src/App.vue',
    "provide('|boardStyle'",
    ["desk/src/office/SaleLog.vue:10 'boardStyle'"],
  ],
  [
    'a key that is asked for: to who provides it',
    'desk/src/office/OfficeDrawer.vue',
    'inject(|DESK_OPEN',
    ['desk/src/App.vue:21 DESK_OPEN'],
  ],
  [
    'content for a slot: to the outlet',
    'desk/src/App.vue',
    '<template #|foot',
    ['desk/src/shared/DeskFrame.vue:18 name="foot"'],
  ],
  [
    'a listener in a template: to the class',
    'log/src/job/job-board.ts',
    '(|closed)="closed',
    ['log/src/job/job-row.ts:22 closed'],
  ],
  ['what crosses nothing', 'console/src/crew/CrewPanel.tsx', '|return (', []],
])('definition of %s', async (_, path, piece, places) => {
  expect(shown(await client.sendRequest('textDocument/definition', at(path, piece)))).toEqual(places);
});

test('references are every place at which a thing is spelled, its declaration where that is asked for', async () => {
  const ask = async (includeDeclaration: boolean) =>
    shown(
      await client.sendRequest('textDocument/references', {
        ...at('console/src/shared/Meter.tsx', '|max: number'),
        context: { includeDeclaration },
      }),
    );
  const uses = [
    'console/src/line/WindGauge.tsx:17 max',
    'console/src/shared/Meter.tsx:7 max',
    'console/src/shared/Meter.tsx:7 max',
  ];
  expect(await ask(false)).toEqual(uses);
  expect(await ask(true)).toEqual([
    uses[0],
    'console/src/shared/Meter.tsx:3 max',
    'console/src/shared/Meter.tsx:6 max',
    ...uses.slice(1),
  ]);
});

test.each<[path: string, piece: string, told: RegExp[]]>([
  [
    'console/src/crew/CrewPanel.tsx',
    '<|Meter value=',
    [/^\*\*Meter\*\*, src\/shared\/Meter\.tsx:6, 2 call sites/, /- `max: number` prop, required/],
  ],
  [
    'console/src/crew/CrewPanel.tsx',
    '<Meter |value=',
    [/^`value: number` prop of \*\*Meter\*\*, required/, /from `CrewPanel:prop:crew`/, /\d+ hops$/],
  ],
  [
    'desk/src/App.vue',
    'const |open = ref',
    [/^`open` state of \*\*App\*\*/, /to `OfficeDrawer:context:DESK_OPEN`/],
  ],
  [
    'log/src/job/job-board.ts',
    'inject(|JobPick',
    [/`JobPick` context, provided in 2 places, asked for in 2/],
  ],
])('hover in %s at %s', async (path, piece, told) => {
  const hover: Hover | null = await client.sendRequest('textDocument/hover', at(path, piece));
  for (const one of told) expect((hover!.contents as { value: string }).value).toMatch(one);
});

/** The lines that a rename changes, as they are after it. */
async function renamed(path: string, piece: string, newName: string): Promise<string[]> {
  const edit: WorkspaceEdit = await client.sendRequest('textDocument/rename', {
    ...at(path, piece),
    newName,
  });
  return Object.entries(edit.changes!).flatMap(([uri, edits]) =>
    edits.map(({ range, newText }) => {
      const line = textOf(pathOf(uri)).split('\n')[range.start.line]!;
      const { start, end } = range;
      return `${pathOf(uri)}: ${(line.slice(0, start.character) + newText + line.slice(end.character)).trim()}`;
    }),
  );
}

test.each<[what: string, path: string, piece: string, name: string, lines: RegExp[]]>([
  [
    'a prop, which keeps its name inside',
    'console/src/shared/Meter.tsx',
    '|max: number',
    'most',
    [
      /WindGauge\.tsx: <Meter value=\{shown\} most=/,
      /Meter\.tsx: most: number;/,
      /Meter\(\{ value, most: max \}/,
    ],
  ],
  [
    'an event with dashes',
    'desk/src/App.vue',
    '@|close-desk',
    'shut-desk',
    [/App\.vue: <DeskFrame title="Tickets" @shut-desk=/, /defineEmits<\{ 'shut-desk': \[\] \}>/],
  ],
  [
    'a prop of a class with its template',
    'log/src/job/job-row.ts',
    'readonly |unit = input',
    'measure',
    [
      /job-board\.ts: \[measure\]="unit\(\)"/,
      /job-row\.ts: .*\[unit\]="measure\(\)"/,
      /readonly measure = input\('min'\)/,
    ],
  ],
])('rename of %s', async (_, path, piece, name, lines) => {
  const found = await renamed(path, piece, name);
  expect(found).toHaveLength(lines.length);
  lines.forEach((line, i) => expect(found[i]).toMatch(line));
});

test.each<[path: string, piece: string, name: string, why: RegExp]>([
  ['console/src/shared/Meter.tsx', '|max: number', 'value', /Meter has a port called "value" already/],
  ['console/src/shared/Meter.tsx', '|max: number', '9', /is no name/],
  ['console/src/crew/CrewPanel.tsx', 'import { |useState', 'use', /only a prop, an event or a slot/],
  // An owner further up listens for what the row raises by its name.
  ['log/src/job/job-row.ts', '|measured = output', 'taken', /findings would change: .*event\/unheard/],
])('no rename in %s of %s to %s', async (path, piece, newName, why) => {
  await expect(client.sendRequest('textDocument/rename', { ...at(path, piece), newName })).rejects.toThrow(
    why,
  );
});

const actionsAt = async (path: string, piece: string): Promise<CodeAction[]> => {
  const { textDocument, position } = at(path, piece);
  return client.sendRequest('textDocument/codeAction', {
    textDocument,
    range: { start: position, end: position },
    context: { diagnostics: [] },
  });
};

test.each<[path: string, piece: string, comment: string]>([
  [
    'console/src/crew/CrewPanel.tsx',
    '<|Meter value=',
    '{/* zinc-rope-ignore prop/missing: say why it may stay */}',
  ],
  ['desk/src/App.vue', 'provide(|CREW_RATE', '// zinc-rope-ignore context/type-clash: say why it may stay'],
])('a finding in %s is silenced by a comment that is one there', async (path, piece, comment) => {
  const [action] = await actionsAt(path, piece);
  expect(action!.edit!.changes![uriOf(path)]!.map(({ newText }) => newText.trim())).toEqual([comment]);
});

test('what is mechanical is repaired', async () => {
  const [repair] = await actionsAt('console/src/layout/Layout.tsx', '|subtitel=');
  expect(repair).toMatchObject({ title: 'Put "subtitle" here', isPreferred: true });
  const [edit] = repair!.edit!.changes![uriOf('console/src/layout/Layout.tsx')]!;
  expect(textIn('console/src/layout/Layout.tsx', edit!.range)).toBe('subtitel');
});

test('components say how often they are rendered, and are found by name', async () => {
  const lenses: CodeLens[] = await client.sendRequest('textDocument/codeLens', {
    textDocument: { uri: uriOf('console/src/crew/CrewPanel.tsx') },
  });
  expect(lenses.map(({ command }) => command!.title)).toEqual(['1 call site, 2 findings']);
  const found: SymbolInformation[] = await client.sendRequest('workspace/symbol', { query: 'FareBo' });
  expect(found.map(({ name, location }) => [name, pathOf(location.uri)])).toEqual([
    ['FareBoard', 'desk/src/fares/FareBoard.vue'],
  ]);
});

test('what is typed counts before it is saved; what is half-written keeps what was known', async () => {
  const path = 'console/src/crew/CrewPanel.tsx';
  const text = textOf(path);
  const rules = () => (diagnostics.get(path) ?? []).map(({ code }) => code);
  const settled = (check: () => void) => vi.waitFor(check, { timeout: 15_000, interval: 20 });
  const uri = uriOf(path);
  await client.sendNotification('textDocument/didOpen', {
    textDocument: { uri, languageId: 'typescriptreact', version: 1, text },
  });
  const typed = text.replace(
    '<Meter value={crew.length} />',
    '<Meter value={crew.length} max={9} maxx={9} />',
  );
  const type = (version: number, to: string) =>
    client.sendNotification('textDocument/didChange', {
      textDocument: { uri, version },
      contentChanges: [{ text: to }],
    });
  await type(2, typed);
  // Whoever asks gets an answer to what is typed, not to what was.
  const places: Location[] = await client.sendRequest(
    'textDocument/definition',
    at(path, 'max={9} |maxx', typed),
  );
  expect(places).toEqual([]);
  await settled(() => expect(rules()).toContain('prop/unknown'));
  expect(rules()).not.toContain('prop/missing');
  await type(3, typed.replace('</Panel>', '</Pan'));
  await settled(() =>
    expect(diagnostics.get(path)!.map(({ message }) => message)).toContainEqual(
      expect.stringContaining('what was known before holds'),
    ),
  );
  expect(rules()).toContain('prop/unknown');
  // Closed without being saved, the file holds again.
  await client.sendNotification('textDocument/didClose', { textDocument: { uri } });
  await settled(() => expect(rules()).toContain('prop/missing'));
  expect(rules()).not.toContain('prop/unknown');
  // Saved elsewhere, it is seen, too.
  writeFileSync(join(folder, path), typed);
  await settled(() => expect(rules()).toContain('prop/unknown'));
  writeFileSync(join(folder, path), text);
  await settled(() => expect(rules()).toContain('prop/missing'));
});

test('a question that is called off is refused', async () => {
  const source = new CancellationTokenSource();
  const asked = client.sendRequest('textDocument/hover', at('desk/src/App.vue', ':|fares='), source.token);
  source.cancel();
  await expect(asked).rejects.toMatchObject({ code: -32800 });
});

test('addresses of the workbench are opened by the editor, and nothing else is', async () => {
  const run = (given: unknown) =>
    client.sendRequest('workspace/executeCommand', { command: 'zinc-rope.open', arguments: [given] });
  await run('http://127.0.0.1:4711/p/1/strand?ref=a');
  expect(opened).toBe('http://127.0.0.1:4711/p/1/strand?ref=a');
  await expect(run('no address')).rejects.toThrow(/takes an address/);
});

test('it ends when it is told to', async () => {
  await client.sendRequest('shutdown');
  const ended = new Promise((resolve) => child.once('exit', resolve));
  await client.sendNotification('exit');
  expect(await ended).toBe(0);
});
