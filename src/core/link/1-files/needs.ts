/** What the packages that a file's package needs say of its code: the version of the framework, and builds that bring names. */
import type { Language } from '../../model/facts';
import type { FrameworkVersion, Package } from '../../model/project';
import { LANGUAGES, ofAll } from '../../readers/languages';

/** Builds that bring components into scope by the names of their files. */
const BY_FILE = ofAll('byFile');

/** The descriptor of a language. */
export const describe = (language: Language) => LANGUAGES.find((one) => one.name === language);

/** The version of a language's framework; undefined where the package does not say. */
export function versionOf(language: Language, pkg: Package | undefined): FrameworkVersion | undefined {
  const name = describe(language)?.package;
  const range = name === undefined ? undefined : pkg?.needs.get(name);
  const least = range && /\d+/.exec(range)?.[0];
  return least ? { least: Number(least), only: !/[|*x<>]/.test(range) } : undefined;
}

/** Whether components are in scope by the names of their files. */
export const bringsByFile = (pkg: Pick<Package, 'needs'> | undefined): boolean =>
  pkg !== undefined && BY_FILE.some((one) => pkg.needs.has(one));

/** Whether a build may bring names into scope that nothing in a file declares. */
export const bringsNames = (language: Language, pkg: Package | undefined): boolean =>
  pkg !== undefined && describe(language)?.bringsNames.some((one) => pkg.needs.has(one)) === true;
