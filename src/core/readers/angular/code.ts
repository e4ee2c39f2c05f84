/** Expressions of templates, as the syntax trees that the shared analysis reads. */
import type { AST } from '@angular/compiler';
import type * as t from '@babel/types';
import { angularCompiler } from '../on-demand';
import { bindingOf, type Scope } from '../script/scope';
import { PIPED } from './names';
import type { AngularUnit } from './unit';

/** One expression, its names bound to what the template declares around it; all others are members of the class. */
export function codeOf(u: AngularUnit, ast: AST, scope: Scope): t.Expression | undefined {
  const made = new Converter(u, scope).convert(ast);
  if (!made) return undefined;
  u.angular.scopes.bind(made, scope);
  return made as t.Expression;
}

/** What runs when an event comes, as a function of the event. */
export function listenerOf(u: AngularUnit, ast: AST, scope: Scope, at: MadeSpan): t.Node {
  const event = {
    type: 'Identifier',
    name: '$event',
    ...at,
    end: at.start,
    optional: true,
  } as unknown as t.Identifier;
  const inner = u.angular.scopes.within(scope, [event]);
  const converter = new Converter(u, inner);
  const parts = converter.statements(ast);
  const body = parts.map((expression): t.Statement => {
    return { type: 'ExpressionStatement', expression, ...spanAt(expression) } as t.ExpressionStatement;
  });
  for (const one of body) u.angular.scopes.bind(one, inner);
  const usesEvent = /\$event\b/.test(u.file.text.slice(at.start, at.end));
  return {
    type: 'ArrowFunctionExpression',
    params: usesEvent ? [event] : [],
    body: { type: 'BlockStatement', body, directives: [], ...at },
    async: false,
    expression: false,
    ...at,
  } as unknown as t.ArrowFunctionExpression;
}

interface MadeSpan {
  start: number;
  end: number;
}

const spanAt = (node: t.Node): MadeSpan => ({ start: node.start!, end: node.end! });

class Converter {
  private readonly kinds = angularCompiler();

  constructor(
    private readonly u: AngularUnit,
    private readonly scope: Scope,
  ) {}

  /** The parts of a chain, one by one. */
  statements(ast: AST): t.Expression[] {
    const { ASTWithSource, Chain } = this.kinds;
    const bare = ast instanceof ASTWithSource ? ast.ast : ast;
    const parts = bare instanceof Chain ? bare.expressions : [bare];
    return parts.flatMap((one) => (this.convert(one) as t.Expression | undefined) ?? []);
  }

  convert(ast: AST): t.Node | undefined {
    const k = this.kinds;
    const at: MadeSpan = { start: ast.sourceSpan.start, end: ast.sourceSpan.end };
    const make = (type: string, rest: object): t.Node => ({ type, ...rest, ...at }) as unknown as t.Node;
    const all = (list: AST[]) => list.flatMap((one) => this.convert(one) ?? []);
    if (ast instanceof k.ASTWithSource) return this.convert(ast.ast);
    if (ast instanceof k.EmptyExpr) return undefined;
    if (ast instanceof k.ThisReceiver) return make('ThisExpression', {});
    if (ast instanceof k.ImplicitReceiver) return make('ThisExpression', {});
    if (ast instanceof k.PropertyRead || ast instanceof k.SafePropertyRead) return this.read(ast, at);
    if (ast instanceof k.KeyedRead || ast instanceof k.SafeKeyedRead)
      return make(ast instanceof k.SafeKeyedRead ? 'OptionalMemberExpression' : 'MemberExpression', {
        object: this.some(ast.receiver),
        property: this.some(ast.key),
        computed: true,
        ...(ast instanceof k.SafeKeyedRead ? { optional: true } : {}),
      });
    if (ast instanceof k.Call || ast instanceof k.SafeCall) {
      const isAny =
        ast.receiver instanceof k.PropertyRead && ast.receiver.name === '$any' && ast.args.length === 1;
      // A cast, and no call.
      if (isAny && isImplicit(k, ast.receiver as InstanceType<typeof k.PropertyRead>))
        return make('TSAsExpression', { expression: this.some(ast.args[0]!), typeAnnotation: ANY });
      return make(ast instanceof k.SafeCall ? 'OptionalCallExpression' : 'CallExpression', {
        callee: this.some(ast.receiver),
        arguments: all(ast.args),
        ...(ast instanceof k.SafeCall ? { optional: true } : {}),
      });
    }
    if (ast instanceof k.LiteralPrimitive) return this.literal(ast.value, make);
    if (ast instanceof k.LiteralArray) return make('ArrayExpression', { elements: all(ast.expressions) });
    if (ast instanceof k.LiteralMap) return this.map(ast, make);
    if (ast instanceof k.Unary)
      return make('UnaryExpression', { operator: ast.operator, argument: this.some(ast.expr), prefix: true });
    if (ast instanceof k.Binary) return this.binary(ast, make);
    if (ast instanceof k.PrefixNot)
      return make('UnaryExpression', { operator: '!', argument: this.some(ast.expression), prefix: true });
    if (ast instanceof k.TypeofExpression || ast instanceof k.VoidExpression)
      return make('UnaryExpression', {
        operator: ast instanceof k.VoidExpression ? 'void' : 'typeof',
        argument: this.some(ast.expression),
        prefix: true,
      });
    if (ast instanceof k.Conditional)
      return make('ConditionalExpression', {
        test: this.some(ast.condition),
        consequent: this.some(ast.trueExp),
        alternate: this.some(ast.falseExp),
      });
    if (ast instanceof k.NonNullAssert)
      return make('TSNonNullExpression', { expression: this.some(ast.expression) });
    if (ast instanceof k.ParenthesizedExpression) return this.convert(ast.expression);
    if (ast instanceof k.BindingPipe) {
      // What a pipe makes of a value is another value.
      const { start, end } = ast.nameSpan;
      (this.u.facts.filters ??= []).push({ name: ast.name, start, end });
      const parts = [this.some(ast.exp), ...all(ast.args)];
      return make('CallExpression', {
        callee: {
          type: 'Identifier',
          name: PIPED + ast.name,
          start,
          end,
        },
        arguments: parts,
      });
    }
    if (ast instanceof k.Interpolation || ast instanceof k.TemplateLiteral)
      return make('TemplateLiteral', {
        quasis: [],
        expressions: all(ast.expressions),
      });
    if (ast instanceof k.TaggedTemplateLiteral)
      return make('CallExpression', { callee: this.some(ast.tag), arguments: all(ast.template.expressions) });
    if (ast instanceof k.Chain) {
      const parts = all(ast.expressions);
      return parts.length === 1 ? parts[0] : make('SequenceExpression', { expressions: parts });
    }
    return make('Identifier', { name: 'undefined' });
  }

  private some(ast: AST): t.Node {
    return (
      this.convert(ast) ??
      ({
        type: 'Identifier',
        name: 'undefined',
        start: ast.sourceSpan.start,
        end: ast.sourceSpan.end,
      } as t.Node)
    );
  }

  /** `x`: what the template declares, or a member of the class. */
  private read(
    ast: InstanceType<ReturnType<typeof angularCompiler>['PropertyRead' | 'SafePropertyRead']>,
    at: MadeSpan,
  ): t.Node {
    const k = this.kinds;
    const { name } = ast;
    const { start, end } = ast.nameSpan;
    const id = { type: 'Identifier', name, start, end } as t.Identifier;
    const implicit = ast instanceof k.PropertyRead && isImplicit(k, ast);
    if (implicit && (bindingOf(name, this.scope) || GLOBALS.has(name))) return { ...id, ...at };
    if (implicit || ast.receiver instanceof k.ThisReceiver)
      this.u.used.push({ name, start, end, scope: this.scope });
    if (!implicit && !(ast.receiver instanceof k.ThisReceiver)) this.u.angular.markupReads.add(name);
    const soft = ast instanceof k.SafePropertyRead;
    const object = implicit
      ? ({ type: 'ThisExpression', start, end: start } as t.ThisExpression)
      : this.some(ast.receiver);
    return {
      type: soft ? 'OptionalMemberExpression' : 'MemberExpression',
      object,
      property: id,
      computed: false,
      ...(soft ? { optional: true } : {}),
      ...at,
      ...(implicit ? { start } : {}),
    } as unknown as t.MemberExpression;
  }

  private literal(value: unknown, make: (type: string, rest: object) => t.Node): t.Node {
    switch (typeof value) {
      case 'string':
        return make('StringLiteral', { value });
      case 'number':
        return make('NumericLiteral', { value });
      case 'boolean':
        return make('BooleanLiteral', { value });
      default:
        return value === null ? make('NullLiteral', {}) : make('Identifier', { name: 'undefined' });
    }
  }

  private map(
    ast: InstanceType<ReturnType<typeof angularCompiler>['LiteralMap']>,
    make: (type: string, rest: object) => t.Node,
  ): t.Node {
    const text = this.u.file.text;
    let from = ast.sourceSpan.start;
    const properties = ast.keys.map((key, index) => {
      const value = this.some(ast.values[index]!);
      const found = text.indexOf(key.key, from);
      const start = found >= 0 && found <= value.start! ? found : value.start!;
      from = value.end!;
      const id = { type: 'Identifier', name: key.key, start, end: start + key.key.length };
      return {
        type: 'ObjectProperty',
        key: id,
        value,
        computed: false,
        shorthand: false,
        start,
        end: value.end,
      };
    });
    return make('ObjectExpression', { properties });
  }

  private binary(
    ast: InstanceType<ReturnType<typeof angularCompiler>['Binary']>,
    make: (type: string, rest: object) => t.Node,
  ): t.Node {
    const { operation } = ast;
    const sides = { left: this.some(ast.left), right: this.some(ast.right), operator: operation };
    if (/^(=|\+=|-=|\*=|\/=|%=|\*\*=|&&=|\|\|=|\?\?=)$/.test(operation))
      return make('AssignmentExpression', sides);
    return make(/^(&&|\|\||\?\?)$/.test(operation) ? 'LogicalExpression' : 'BinaryExpression', sides);
  }
}

const ANY = { type: 'TSAnyKeyword', start: 0, end: 0 };
const GLOBALS = new Set(['undefined']);

const isImplicit = (
  k: ReturnType<typeof angularCompiler>,
  { receiver }: InstanceType<ReturnType<typeof angularCompiler>['PropertyRead']>,
): boolean => receiver instanceof k.ImplicitReceiver && !(receiver instanceof k.ThisReceiver);
