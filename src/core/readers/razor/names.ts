/** What Razor components are like, and how code of C# names things. */
import type { Traits } from '../../model/facts';
import type { NamedType } from '../script/type-expr';
import { TYPE } from './csharp';
import { typeOfText } from './types';

export const razorTraits = (isLayout: boolean): Traits => ({
  callbackProps: true,
  attributesFallThrough: false,
  handlesHold: true,
  refExposes: 'everything',
  statementHandlers: false,
  inputsWritable: true,
  plainState: true,
  exactCalls: true,
  contentPort: isLayout ? 'Body' : 'ChildContent',
  contextByIdentity: false,
  contextAtSetup: false,
  functionsHear: true,
  looseProvides: true,
  updateEvent: '*Changed',
});

/** Types in the code bear a mark, and are read as C# has them. */
export const razorTypes =
  (params: ReadonlySet<string>): NamedType =>
  (name) =>
    name.startsWith(TYPE) ? typeOfText(name.slice(TYPE.length), params) : undefined;

/** Tags with a capital are components; a namespace may stand before. */
export const isComponentTag = (tag: string): boolean => /^(\w+\.)*[A-Z]\w*$/.test(tag);

/** The name of a tag or type without its namespace. */
export const shortName = (name: string): string => name.slice(name.lastIndexOf('.') + 1);

/** The name that a component has by its file. */
export const componentName = (path: string): string =>
  path.slice(path.lastIndexOf('/') + 1).replace(/\.razor$/, '');

/** All pages that choose no layout of their own are known by this. */
export const PAGES = '@page';

/** And those that do, each in its layout, by this. */
export const LAID_PAGES = '@laid';

/** A space of names that is not the framework's, in what a pattern says after `using`. */
export const OTHER_SPACE = String.raw`(?!static\b|\w+\s*=|System\b|Microsoft\.(?:AspNetCore|JSInterop|Extensions)\b)([\w.]+)`;
