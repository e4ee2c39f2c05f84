/** What Angular's own exports mean to a reader. */
import type * as t from '@babel/types';
import type { ImportFact, Traits } from '../../model/facts';
import { type TypeExpr, UNKNOWN } from '../../model/types';
import { memberName, type NamedType } from '../script/type-expr';

export const ANGULAR_TRAITS: Traits = {
  callbackProps: false,
  attributesFallThrough: false,
  handlesHold: true,
  refExposes: 'everything',
  statementHandlers: true,
  inputsWritable: true,
  contentPort: '#default',
  contextByIdentity: false,
  contextAtSetup: true,
  bySelectors: true,
  plainState: true,
  isElement: true,
  looseProvides: true,
  contextWritten: true,
  updateEvent: '@*Change',
};

const MODULE = /^@angular\//;

/** The framework's own name for a name of the file; undefined for anything else. */
export type AngularNames = (local: string) => string | undefined;

export function angularNames(imports: ImportFact[]): AngularNames {
  const named = new Map<string, string>();
  const spaces = new Set<string>();
  for (const { from, name, local } of imports) {
    if (!MODULE.test(from) && !/^rxjs(\/|$)/.test(from)) continue;
    if (name === '*') spaces.add(local);
    else named.set(local, name);
  }
  return (local) => {
    const own = named.get(local);
    if (own !== undefined) return own;
    const dot = local.indexOf('.');
    if (dot < 0) return undefined;
    const [first, rest] = [local.slice(0, dot), local.slice(dot + 1)];
    if (spaces.has(first)) return rest;
    const head = named.get(first);
    return head === undefined ? undefined : `${head}.${rest}`;
  };
}

/** The framework's function that a call calls. */
export function calledOwn(names: AngularNames, node: t.Node): string | undefined {
  if (node.type !== 'CallExpression' && node.type !== 'OptionalCallExpression') return undefined;
  const name = memberName(node.callee);
  return name === undefined ? undefined : names(name);
}

/** Whether a script has to do with the framework. */
export const usesAngular = (path: string, text: string): boolean =>
  // Its templates are no markup in code: a file that may hold such is another language's, whatever it asks for.
  !/\.[jt]sx$/.test(path) && /(?:from|import)\s*['"](?:@angular|@ngrx\/signals)(?:\/|['"])/.test(text);

/** The port under which the events of a name are known. */
export const eventPort = (name: string): string => `@${name}`;

/** The port of templates that a component looks for in its content, by the name that they are known by. */
export const slotOf = (reference: string): string => `#${reference}`;

/** The port under which the content that a selector takes is known. */
export const slotPort = (selector: string | undefined): string =>
  selector === undefined || selector === '*' || selector === '' ? '#default' : `#${selector}`;

/** Before the name of a pipe, where it is read as a call. */
export const PIPED = '|';

/** Types of streams, and those that keep what came. */
const STREAMS = /^(Observable|(Behavior|Replay|Async)?Subject)$/;
const KEEPING = /^(Behavior|Replay|Async)Subject$/;

/** Types of the framework that hold another: what is inside. */
const HOLDERS = new Set(['Signal', 'WritableSignal', 'InputSignal', 'ModelSignal']);

export function angularTypes(names: AngularNames): NamedType {
  return (name, args) => {
    const own = names(name);
    if (own === undefined) return undefined;
    if (HOLDERS.has(own)) return signalOf(args()[0] ?? UNKNOWN);
    if (STREAMS.test(own))
      return {
        t: 'carrier',
        name: own,
        of: args()[0] ?? UNKNOWN,
        ...(KEEPING.test(own) ? { keeps: true } : {}),
      };
    return UNKNOWN;
  };
}

/** What is read by being called. */
export const signalOf = (type: TypeExpr): TypeExpr => ({ t: 'fn', params: [], returns: type });
