/** What the language server asks the thread of a folder, and what comes back: in terms of the protocol. */
import type {
  CodeAction,
  CodeLens,
  Diagnostic,
  Hover,
  Location,
  Position,
  Range,
  SymbolInformation,
  WorkspaceEdit,
} from 'vscode-languageserver-types';

/** A place in a file, by its path from the root of the folder. */
export interface At {
  path: string;
  position: Position;
}

export type Question =
  | { kind: 'open'; root: string; workbench?: string }
  /** Texts that stand in no file yet, by path; null where the file holds again. */
  | { kind: 'write'; texts: [path: string, text: string | null][] }
  /** Brings the audit up to date; with `paths`, no other file has changed. */
  | { kind: 'freshen'; paths?: string[] }
  | ({ kind: 'hover' } & At)
  | ({ kind: 'definition' } & At)
  | ({ kind: 'references'; declaration: boolean } & At)
  | ({ kind: 'prepare-rename' } & At)
  | ({ kind: 'rename'; name: string } & At)
  | { kind: 'actions'; path: string; range: Range }
  | { kind: 'lenses'; path: string }
  | { kind: 'symbols'; query: string };

/** Diagnostics of all files that have any, by path. */
export type Diagnosed = [path: string, list: Diagnostic[]][];

export interface Opened {
  files: number;
  components: number;
  diagnosed: Diagnosed;
}

/** A rename that cannot be made for sure, and why. */
export interface Refused {
  refused: string;
}

export interface Answers {
  open: Opened;
  write: undefined;
  freshen: Diagnosed;
  hover: Hover | null;
  definition: Location[];
  references: Location[];
  'prepare-rename': Range | Refused;
  rename: WorkspaceEdit | Refused;
  actions: CodeAction[];
  lenses: CodeLens[];
  symbols: SymbolInformation[];
}
