/**
 * Changes that a query package sees to: `const save = useMutation({ mutationFn, onSuccess })`. What `save.mutate` is called
 * with is what `mutationFn` gets, and what comes after what that gives (and after an error) in what is called when it is done.
 */
import type * as t from '@babel/types';
import type { ExprFact, Span } from '../../model/facts';
import { memberName } from './type-expr';
import { type Call, type Ctx, isHeld, merged, spanOf, type Unit, unwrap, use } from './unit';

const PACKAGE = /^(?:@tanstack\/(?:react|vue|svelte|solid|angular)-query(?:-experimental)?|react-query)$/;
const MAKER = /^(?:use|create|inject)Mutation$/;

/** What is called with what the change is asked for with, and how many of its parameters come before that. */
const CALLED: [name: string, before: number][] = [
  ['mutationFn', 0],
  ['onMutate', 0],
  ['onSuccess', 1],
  ['onError', 1],
  ['onSettled', 2],
];

/** Reads such a change: an object of the functions that ask for it; undefined for any other call. */
export function readMutation(u: Unit, node: Call, ctx: Ctx): ExprFact | undefined {
  if (!makesMutation(node.callee)) return undefined;
  const at = spanOf(node);
  const args = node.arguments.map((one) => use(u, u.expr(one, ctx), ctx, 'argument'));
  const [given, more] = args;
  if (!given) return undefined;
  const options = optionsIn(u, given);
  // What is no object that is written out may be the function itself.
  const calls = [
    ...(options?.kind === 'object' ? [] : [given]),
    ...[options, more].flatMap((one) => (one ? callsIn(one, at) : [])),
  ];
  const asked: ExprFact = { kind: 'computed', wraps: calls, uses: [], ...at };
  return {
    kind: 'object',
    members: [
      ...['mutate', 'mutateAsync'].map((name) => ({ name, value: asked, ...at })),
      // Of all else that it tells, only what came is made of anything.
      { name: 'data', value: { kind: 'computed', ...merged(...args), ...at }, ...at },
    ],
    ...at,
  };
}

/** Whether a call is one of the package's own functions, by whatever name it is imported. */
function makesMutation(node: t.Node): boolean {
  const callee = unwrap(node);
  const binding = callee.type === 'Identifier' ? callee.binding : undefined;
  if (binding?.from === undefined || !PACKAGE.test(binding.from)) return false;
  const { node: specifier } = binding;
  return specifier.type === 'ImportSpecifier' && MAKER.test(memberName(specifier.imported) ?? '');
}

/** The options, as they are or as a function gives them; undefined where the function is what makes the change. */
function optionsIn(u: Unit, given: ExprFact): ExprFact | undefined {
  if (given.kind !== 'function') return given;
  const [made] = (given.fn === undefined ? undefined : u.facts.functions[given.fn]?.gives) ?? [];
  return made?.kind === 'object' ? made : undefined;
}

/** What options say is called, written out, or a member of what is spread into them, or of what they are. */
function callsIn(options: ExprFact, at: Span): ExprFact[] {
  const { kind, members = [], spreads = [] } = options;
  const held = (kind === 'object' ? spreads : [options]).filter(isHeld);
  return CALLED.flatMap(([name, before]) => [
    ...members.flatMap((one) => (one.name === name ? callOf(one.value, before, at) : [])),
    ...held.flatMap(({ symbol, path = [], start, end }) =>
      callOf({ kind: 'member', symbol: symbol!, path: [...path, name], start, end }, before, at),
    ),
  ]);
}

const callOf = (fn: ExprFact, before: number, at: Span): ExprFact[] => [
  before ? { kind: 'computed', wraps: [fn], bound: before, uses: [], ...at } : fn,
];
