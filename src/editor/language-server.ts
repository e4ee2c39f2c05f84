/** The language server: what an editor says and asks, over standard input and output. */
import {
  CodeActionKind,
  type Connection,
  createConnection,
  ErrorCodes,
  LSPErrorCodes,
  ProposedFeatures,
  ResponseError,
  TextDocuments,
  TextDocumentSyncKind,
  type InitializeParams,
  type InitializeResult,
  type WorkDoneProgressReporter,
} from 'vscode-languageserver/node.js';
import { TextDocument } from 'vscode-languageserver-textdocument';
import { URI } from 'vscode-uri';
import { z } from 'zod';
import { OPEN } from './answers';
import { type OpenFolder, openFolder } from './open-folder';
import { uriOf } from './places';
import type { Diagnosed, Refused } from './questions';

/** What a client may say when it starts. */
const optionsSchema = z.object({
  /** Where a workbench is served, for links into it: `http://127.0.0.1:4711`. */
  workbench: z.url().optional(),
});

/** Serves until the client says that it is enough; ends the process then. */
export function startLanguageServer(version: string): void {
  const connection = createConnection(ProposedFeatures.all, process.stdin, process.stdout);
  serve(connection, version);
  connection.listen();
}

function serve(connection: Connection, version: string): void {
  const documents = new TextDocuments(TextDocument);
  /** The innermost first. */
  let folders: OpenFolder[] = [];
  let workbench: string | undefined;
  const published = new Map<string, string>();

  /** The folder that a document lies in, and its path there. */
  function placeOf(uri: string): { folder: OpenFolder; path: string } | undefined {
    for (const folder of folders) {
      const path = folder.pathOf(uri);
      if (path !== undefined) return { folder, path };
    }
    return undefined;
  }

  /** Only what changed is published. */
  function publish(root: string, list: Diagnosed): void {
    const now = new Map(list.map(([path, diagnostics]) => [uriOf({ root }, path), diagnostics]));
    for (const [uri, diagnostics] of now) {
      const body = JSON.stringify(diagnostics);
      if (published.get(uri) === body) continue;
      published.set(uri, body);
      void connection.sendDiagnostics({ uri, diagnostics });
    }
    const own = `${URI.file(root).toString()}/`;
    for (const uri of [...published.keys()]) {
      if (now.has(uri) || !uri.startsWith(own)) continue;
      published.delete(uri);
      void connection.sendDiagnostics({ uri, diagnostics: [] });
    }
  }

  function add(root: string): OpenFolder {
    const folder = openFolder(root, {
      onDiagnosed: (list) => publish(root, list),
      onFailure: (reason) => connection.console.error(`zinc-rope: ${root}: ${reason}`),
    });
    folders = [...folders, folder].sort((a, b) => b.root.length - a.root.length);
    return folder;
  }

  async function open(folder: OpenFolder, progress?: WorkDoneProgressReporter): Promise<void> {
    progress?.begin('Zinc Rope', undefined, `auditing ${folder.root}`);
    try {
      for (const document of documents.all()) {
        const path = folder.pathOf(document.uri);
        if (path !== undefined) folder.typed(path, document.getText());
      }
      const address = workbench === undefined ? undefined : await projectIn(workbench, folder.root);
      const { diagnosed } = await folder.open(address);
      publish(folder.root, diagnosed);
    } catch (error) {
      const reason = error instanceof Error ? error.message : String(error);
      connection.window.showErrorMessage(`Zinc Rope cannot audit ${folder.root}: ${reason}`);
    } finally {
      progress?.done();
    }
  }

  async function openAll(list: OpenFolder[], shows: boolean): Promise<void> {
    for (const folder of list)
      await open(folder, shows ? await connection.window.createWorkDoneProgress() : undefined);
  }

  async function close(folder: OpenFolder): Promise<void> {
    folders = folders.filter((one) => one !== folder);
    publish(folder.root, []);
    await folder.close();
  }

  let showsProgress = false;
  let followsFolders = false;

  connection.onInitialize((params: InitializeParams): InitializeResult => {
    const options = optionsSchema.safeParse(params.initializationOptions ?? {});
    if (options.success) workbench = options.data.workbench?.replace(/\/$/, '');
    else connection.console.warn(`zinc-rope: initializationOptions: ${z.prettifyError(options.error)}`);
    showsProgress = params.capabilities.window?.workDoneProgress === true;
    followsFolders = params.capabilities.workspace?.workspaceFolders === true;
    for (const { uri } of params.workspaceFolders ?? []) add(URI.parse(uri).fsPath);
    const alone = params.rootUri;
    if (!folders.length && alone) add(URI.parse(alone).fsPath);
    return {
      serverInfo: { name: 'zinc-rope', version },
      capabilities: {
        textDocumentSync: { openClose: true, change: TextDocumentSyncKind.Incremental, save: true },
        hoverProvider: true,
        definitionProvider: true,
        referencesProvider: true,
        renameProvider: { prepareProvider: true },
        codeActionProvider: { codeActionKinds: [CodeActionKind.QuickFix] },
        codeLensProvider: {},
        workspaceSymbolProvider: true,
        executeCommandProvider: { commands: [OPEN] },
        workspace: { workspaceFolders: { supported: true, changeNotifications: followsFolders } },
      },
    };
  });

  connection.onInitialized(() => {
    if (followsFolders)
      connection.workspace.onDidChangeWorkspaceFolders(({ added, removed }) => {
        const gone = new Set(removed.map(({ uri }) => URI.parse(uri).fsPath));
        for (const folder of folders.filter((one) => gone.has(one.root))) void close(folder);
        void openAll(
          added.map(({ uri }) => add(URI.parse(uri).fsPath)),
          showsProgress,
        );
      });
    void openAll([...folders], showsProgress);
  });

  documents.onDidChangeContent(({ document }) => {
    const at = placeOf(document.uri);
    at?.folder.typed(at.path, document.getText());
  });
  documents.onDidClose(({ document }) => {
    const at = placeOf(document.uri);
    at?.folder.typed(at.path, null);
  });

  /** What is asked about a document; nothing of one that lies in no folder, or once it was called off. */
  async function asked<T>(
    uri: string,
    token: { isCancellationRequested: boolean },
    none: T,
    ask: (folder: OpenFolder, path: string) => Promise<T>,
  ): Promise<T> {
    const at = placeOf(uri);
    if (!at) return none;
    const answer = await ask(at.folder, at.path);
    if (token.isCancellationRequested) throw new ResponseError(LSPErrorCodes.RequestCancelled, 'called off');
    return answer;
  }

  const sure = <T extends object>(answer: T | Refused): T => {
    if ('refused' in answer) throw new ResponseError(LSPErrorCodes.RequestFailed, answer.refused);
    return answer;
  };

  connection.onHover(({ textDocument, position }, token) =>
    asked(textDocument.uri, token, null, (folder, path) => folder.ask({ kind: 'hover', path, position })),
  );
  connection.onDefinition(({ textDocument, position }, token) =>
    asked(textDocument.uri, token, [], (folder, path) => folder.ask({ kind: 'definition', path, position })),
  );
  connection.onReferences(({ textDocument, position, context }, token) =>
    asked(textDocument.uri, token, [], (folder, path) =>
      folder.ask({ kind: 'references', path, position, declaration: context.includeDeclaration }),
    ),
  );
  connection.onPrepareRename(({ textDocument, position }, token) =>
    asked(textDocument.uri, token, null, async (folder, path) =>
      sure(await folder.ask({ kind: 'prepare-rename', path, position })),
    ),
  );
  connection.onRenameRequest(({ textDocument, position, newName }, token) =>
    asked(textDocument.uri, token, null, async (folder, path) =>
      sure(await folder.ask({ kind: 'rename', path, position, name: newName })),
    ),
  );
  connection.onCodeAction(({ textDocument, range, context }, token) => {
    const isWanted = !context.only || context.only.some((kind) => CodeActionKind.QuickFix.startsWith(kind));
    if (!isWanted) return [];
    return asked(textDocument.uri, token, [], (folder, path) => folder.ask({ kind: 'actions', path, range }));
  });
  connection.onCodeLens(({ textDocument }, token) =>
    asked(textDocument.uri, token, [], (folder, path) => folder.ask({ kind: 'lenses', path })),
  );
  connection.onWorkspaceSymbol(async ({ query }, token) => {
    const found = await Promise.all(folders.map((folder) => folder.ask({ kind: 'symbols', query })));
    if (token.isCancellationRequested) throw new ResponseError(LSPErrorCodes.RequestCancelled, 'called off');
    return found.flat();
  });
  connection.onExecuteCommand(async ({ command, arguments: given }) => {
    const address = z.url().safeParse(given?.[0]);
    if (command !== OPEN || !address.success)
      throw new ResponseError(ErrorCodes.InvalidParams, `${command} takes an address of the workbench`);
    await connection.window.showDocument({ uri: address.data, external: true });
    return null;
  });
  connection.onShutdown(async () => {
    await Promise.all(folders.map((folder) => folder.close()));
  });
  documents.listen(connection);
}

const projectsSchema = z.array(z.object({ id: z.string(), root: z.string() }));

/** The address of a folder in the workbench; undefined where none answers, or it does not know the folder. */
async function projectIn(workbench: string, root: string): Promise<string | undefined> {
  try {
    const answer = await fetch(`${workbench}/api/projects`, { signal: AbortSignal.timeout(2_000) });
    const known = projectsSchema.parse(await answer.json()).find((one) => one.root === root);
    return known && `${workbench}/p/${known.id}`;
  } catch {
    return undefined;
  }
}
