/** What the engine has to know of a language beside the facts of its files. Each reader's folder says it of its own. */
import type { FileFacts, Language } from './facts';
import type { ReadPart } from './parts';

export interface LanguageDescriptor {
  name: Language;
  /** As people write it. */
  title: string;
  /** Endings of files that are of this language alone; imports may leave them out. */
  endings: string[];
  /** Files that are of this language alone. */
  files?: RegExp;
  /** Files that are read only where some other files, `main`, are. */
  beside?: { files: RegExp; main: RegExp };
  /** Whether a script that several languages could have written is this one's. */
  claims?(path: string, text: string): boolean;
  /** Reads a file of its own, and what `readPart` gives of files that belong to it. Never throws for what they hold. */
  read(path: string, text: string, readPart: ReadPart): FileFacts;
  /** The parsers that it loads, by package: facts that another version made are not used. */
  parsers: string[];
  /** The package of the framework, whose version says what its components do. */
  package?: string;
  /** Folders that its builds write, where they lie beside a manifest. */
  built: string[];
  /** Packages that render components by where their files lie. */
  routers: string[];
  /** Files that such a router renders, beside those in its folders. */
  routed?: RegExp;
  /** Packages whose pages are files that nobody reads here, and which may render any component. */
  pages: string[];
  /** Builds that bring components into scope by the names of their files. */
  byFile: string[];
  /** Packages whose plugins bring no components but these: what an app is given by all others may. */
  plugins?: Record<string, string[]>;
  /** Components that are always there, where all others belong to spaces of names that files say they use. */
  brings?: readonly string[];
  /**
   * Names that what a package gives under a name may take on the tags of components; undefined where anything may be
   * taken.
   */
  takes?(from: string, name: string): readonly string[] | undefined;
  /** Builds that bring other names into scope without an import. */
  bringsNames: string[];
  /**
   * Modules that no file holds, of which such a build offers all that it brings, and the files whose exports these are: the
   * name of the file, or of the folder that it stands for.
   */
  offers?: { from: readonly string[]; files: RegExp };
  /**
   * Files that a router draws inside of each other: the kind (`page`, `layout`, `error`), and the folder whose layout
   * they choose.
   */
  nested?: RegExp;
  /**
   * Files of such a router that fetch for a page or a layout of their folder: the kind, and what marks the one that runs
   * first; the function that they export, and the port at which arrives what it gives.
   */
  fetched?: { files: RegExp; name: string; port: string };
}
