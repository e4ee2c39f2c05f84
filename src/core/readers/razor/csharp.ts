/**
 * Expressions, statements and members of C#, by precedence, as the syntax trees that the shared analysis reads. What is not
 * understood becomes a value of which nothing is known, and is passed over to where it ends.
 */
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { depthAfter, type Token, tokenise } from './lexer';
import {
  type AttributeNode,
  type ClassNode,
  make,
  type MemberNode,
  name as nameNode,
  type Pairs,
  unknown,
} from './nodes';
import { typeOfText } from './types';

const LEVELS: string[][] = [
  ['??'],
  ['||'],
  ['&&'],
  ['|', '^'],
  ['&'],
  ['==', '!='],
  ['<', '>', '<=', '>='],
  ['<<', '>>'],
  ['+', '-'],
  ['*', '/', '%'],
];
const ASSIGN = /^(=|\+=|-=|\*=|\/=|%=|&=|\|=|\^=|\?\?=|<<=)$/;
const WORDS =
  /^(public|private|protected|internal|static|readonly|const|virtual|override|abstract|sealed|async|partial|new|required|extern|unsafe|volatile|file|event|ref)$/;
const CLASSES = /^(class|record|struct|interface|enum)$/;
/** Code in code is followed so far. */
const MAX_DEPTH = 120;

export class CSharp {
  private readonly tokens: Token[];
  private at = 0;
  private depth = 0;

  constructor(
    private readonly text: string,
    from: number,
    to: number,
  ) {
    this.tokens = tokenise(text, from, to);
  }

  private get now(): Token {
    return this.tokens[this.at]!;
  }

  private ahead(by: number): Token {
    return this.tokens[Math.min(this.at + by, this.tokens.length - 1)]!;
  }

  private is(text: string): boolean {
    return this.now.kind === 'mark' && this.now.text === text;
  }

  private isWord(text: string): boolean {
    return this.now.kind === 'name' && this.now.text === text;
  }

  private take(): Token {
    const token = this.now;
    if (token.kind !== 'end') this.at++;
    return token;
  }

  private takeName(): Token | undefined {
    return this.now.kind === 'name' ? this.take() : undefined;
  }

  private skip(text: string): boolean {
    const found = this.is(text) || this.isWord(text);
    if (found) this.at++;
    return found;
  }

  private get done(): boolean {
    return this.now.kind === 'end';
  }

  private get before(): number {
    return this.tokens[Math.max(0, this.at - 1)]!.end;
  }

  /** Passes over what is between brackets; the token is an opening one. */
  private passBrackets(): void {
    this.passNaming();
  }

  /** Passes over a token, or all between brackets; names in it count as used. */
  private passNaming(): t.Expression[] {
    const found: t.Expression[] = [];
    let open = 0;
    do {
      const follows = this.tokens[this.at - 1]?.text === '.';
      const token = this.take();
      if (token.kind === 'end') break;
      if (token.kind === 'name' && !follows) found.push(nameNode(token.text, token));
      open += depthAfter(token);
    } while (open > 0 && !this.done);
    return found;
  }

  private passAsStatement(): t.Statement[] {
    return this.passNaming().map((expression) =>
      make<t.Statement>(
        'ExpressionStatement',
        { start: expression.start!, end: expression.end! },
        { expression },
      ),
    );
  }

  /** An expression, and where it ends. */
  static expression(text: string, from: number, to: number): t.Expression | undefined {
    const parser = new CSharp(text, from, to);
    return parser.done ? undefined : parser.expression();
  }

  static statements(text: string, from: number, to: number): t.Statement[] {
    const parser = new CSharp(text, from, to);
    return parser.block(() => parser.done);
  }

  // ---- expressions

  expression(): t.Expression {
    if (++this.depth > MAX_DEPTH) {
      this.depth--;
      const { start, end } = this.take();
      return unknown({ start, end });
    }
    const found = this.assignment();
    this.depth--;
    return found;
  }

  /** What a variable starts from; a list may stand there without saying what it is. */
  private initial(): t.Expression {
    if (!this.is('{')) return this.expression();
    const { start } = this.take();
    const elements: t.Expression[] = [];
    while (!this.is('}') && !this.done) {
      const from = this.at;
      elements.push(this.initial());
      if (!this.skip(',') && !this.is('}')) this.take();
      if (this.at === from) this.take();
    }
    this.skip('}');
    return make('ArrayExpression', { start, end: this.before }, { elements });
  }

  /** Passes over what is left, and the mark behind it. */
  private passTo(mark: string): void {
    while (!this.is(mark) && !this.is('}') && !this.done)
      if (this.is('{') || this.is('(') || this.is('[')) this.passBrackets();
      else this.take();
    this.skip(mark);
  }

  private assignment(): t.Expression {
    const lambda = this.lambda();
    if (lambda) return lambda;
    const left = this.conditional();
    if (this.now.kind === 'mark' && ASSIGN.test(this.now.text)) {
      const operator = this.take().text;
      const right = this.expression();
      return make('AssignmentExpression', { start: left.start!, end: right.end! }, { operator, left, right });
    }
    return left;
  }

  /** `x => …`, `(x, y) => …`, `async () => { … }` */
  private lambda(): t.Expression | undefined {
    const from = this.at;
    const { start } = this.now;
    this.skip('async');
    this.skip('static');
    const params: t.Identifier[] = [];
    if (this.now.kind === 'name' && this.ahead(1).text === '=>') {
      const one = this.take();
      params.push(nameNode(one.text, one));
    } else if (this.is('(') && this.isLambda()) {
      this.take();
      while (!this.is(')') && !this.done) {
        // A type may stand before the name.
        let last: Token | undefined;
        while (!this.is(',') && !this.is(')') && !this.done) {
          if (this.now.kind === 'name') last = this.now;
          if (this.is('(') || this.is('[')) this.passBrackets();
          else this.take();
        }
        if (last) params.push(nameNode(last.text, last));
        this.skip(',');
      }
      this.take();
    } else {
      this.at = from;
      return undefined;
    }
    this.take();
    const body = this.is('{') ? this.blockStatement() : this.expression();
    return make<t.Expression>(
      'ArrowFunctionExpression',
      { start, end: body.end! },
      { params, body, async: false, expression: body.type !== 'BlockStatement' },
    );
  }

  private isLambda(): boolean {
    let open = 0;
    for (let i = this.at; i < this.tokens.length && i < this.at + 60; i++) {
      const { text, kind } = this.tokens[i]!;
      if (kind === 'end') return false;
      if (kind !== 'mark') continue;
      if (text === '(') open++;
      else if (text === ')' && --open === 0) return this.tokens[i + 1]?.text === '=>';
      else if (text === ';' || text === '{') return false;
    }
    return false;
  }

  private conditional(): t.Expression {
    const test = this.binary(0);
    if (!this.is('?')) return test;
    this.take();
    const consequent = this.expression();
    if (!this.skip(':')) return unknown({ start: test.start!, end: this.before }, [test, consequent]);
    const alternate = this.expression();
    return make(
      'ConditionalExpression',
      { start: test.start!, end: alternate.end! },
      { test, consequent, alternate },
    );
  }

  private binary(level: number): t.Expression {
    if (level >= LEVELS.length) return this.unary();
    let left = this.binary(level + 1);
    for (;;) {
      if (level === 6 && (this.isWord('is') || this.isWord('as'))) {
        left = this.pattern(left);
        continue;
      }
      if (this.isWord('switch') && this.ahead(1).text === '{') {
        this.take();
        const { start } = this.now;
        const parts = this.switchArms();
        left = unknown({ start: left.start!, end: Math.max(this.before, start) }, [left, ...parts]);
        continue;
      }
      if (this.now.kind !== 'mark' || !LEVELS[level]!.includes(this.now.text)) return left;
      const operator = this.take().text;
      const right = level === 0 ? this.binary(0) : this.binary(level + 1);
      const type = /^(\?\?|\|\||&&)$/.test(operator) ? 'LogicalExpression' : 'BinaryExpression';
      left = make(type, { start: left.start!, end: right.end! }, { operator, left, right });
    }
  }

  /** `x is null`, `x is not { Count: > 0 } y`, `x as T`: asks what it is. */
  private pattern(left: t.Expression): t.Expression {
    const word = this.take().text;
    const from = this.now.start;
    let isNull = false;
    let negated = false;
    const named: t.Expression[] = [];
    while (!this.done) {
      if (this.is('{') || this.is('(') || this.is('[')) named.push(...this.passNaming());
      else if (this.now.kind === 'name' || this.now.kind === 'number' || this.now.kind === 'text') {
        const { text } = this.now;
        named.push(...this.passNaming());
        isNull ||= text === 'null';
        negated ||= text === 'not';
      } else if (/^(\.|<|>|\?|<=|>=|-|\|)$/.test(this.now.text) && this.isTypeGoingOn()) this.take();
      else break;
    }
    const at = { start: left.start!, end: Math.max(this.before, from) };
    if (word === 'as') return unknown(at, [left]);
    const right = make('NullLiteral', { start: from, end: at.end }, {});
    return isNull
      ? make('BinaryExpression', at, { operator: negated ? '!=' : '==', left, right })
      : make('BinaryExpression', at, { operator: 'instanceof', left, right: unknown(at, named) });
  }

  /** Inside of a pattern, marks of types and comparisons go on with it. */
  private isTypeGoingOn(): boolean {
    const next = this.ahead(1);
    return (
      next.kind === 'name' ||
      next.kind === 'number' ||
      next.text === '>' ||
      next.text === ',' ||
      next.text === ')'
    );
  }

  private switchArms(): t.Node[] {
    const parts: t.Node[] = [];
    this.take();
    while (!this.is('}') && !this.done) {
      // What an arm asks for is passed over to what it gives.
      while (!this.is('=>') && !this.is('}') && !this.done) parts.push(...this.passNaming());
      if (!this.skip('=>')) break;
      parts.push(this.expression());
      this.skip(',');
    }
    this.skip('}');
    return parts;
  }

  private unary(): t.Expression {
    const token = this.now;
    if (token.kind === 'mark') {
      if (/^(!|-|\+|~)$/.test(token.text)) {
        this.take();
        const argument = this.unary();
        const operator = token.text;
        return make(
          'UnaryExpression',
          { start: token.start, end: argument.end! },
          { operator, argument, prefix: true },
        );
      }
      if (token.text === '++' || token.text === '--') {
        this.take();
        const argument = this.unary();
        return make(
          'UpdateExpression',
          { start: token.start, end: argument.end! },
          { operator: token.text, argument, prefix: true },
        );
      }
      if (token.text === '^' || token.text === '&') {
        this.take();
        return this.unary();
      }
      if (token.text === '(' && this.isCast()) {
        this.passBrackets();
        const inner = this.unary();
        return unknown({ start: token.start, end: inner.end! }, [inner]);
      }
    }
    // What is waited for is what it gives.
    if (token.kind === 'name' && token.text === 'await') {
      this.take();
      return this.unary();
    }
    if (token.kind === 'name' && token.text === 'throw') {
      this.take();
      const inner = this.unary();
      return unknown({ start: token.start, end: inner.end! }, [inner]);
    }
    return this.postfix(this.primary());
  }

  /** `(int)x`: a type between brackets, and a value behind. */
  private isCast(): boolean {
    let i = 1;
    for (; i < 12; i++) {
      const { kind, text } = this.ahead(i);
      if (text === ')' && kind === 'mark') break;
      if (kind !== 'name' && !/^[.<>,?[\]]$/.test(text)) return false;
    }
    const after = this.ahead(i + 1);
    return (
      i > 1 &&
      (after.kind === 'name' || after.kind === 'number' || after.kind === 'text' || after.text === '(') &&
      !/^(is|as|and|or|switch)$/.test(after.text)
    );
  }

  private postfix(given: t.Expression): t.Expression {
    let left = given;
    for (;;) {
      const token = this.now;
      if (token.kind !== 'mark') return left;
      if (token.text === '.' || token.text === '?.' || token.text === '::' || token.text === '->') {
        this.take();
        if (this.now.kind !== 'name') return left;
        const member = this.take();
        const soft = token.text === '?.';
        left = make(
          soft ? 'OptionalMemberExpression' : 'MemberExpression',
          { start: left.start!, end: member.end },
          {
            object: left,
            property: nameNode(member.text, member),
            computed: false,
            ...(soft ? { optional: true } : {}),
          },
        );
        this.passTypeArguments();
      } else if (token.text === '(') {
        const args = this.argumentList();
        left = make(
          'CallExpression',
          { start: left.start!, end: this.before },
          { callee: left, arguments: args },
        );
      } else if (token.text === '[' || token.text === '?[') {
        this.take();
        const property = this.is(']') ? unknown(this.now) : this.expression();
        while (!this.is(']') && !this.done) this.take();
        this.skip(']');
        const soft = token.text === '?[';
        left = make(
          soft ? 'OptionalMemberExpression' : 'MemberExpression',
          { start: left.start!, end: this.before },
          { object: left, property, computed: true, ...(soft ? { optional: true } : {}) },
        );
      } else if (token.text === '++' || token.text === '--') {
        this.take();
        left = make(
          'UpdateExpression',
          { start: left.start!, end: token.end },
          { operator: token.text, argument: left, prefix: false },
        );
      } else if (token.text === '!' && !/^=/.test(this.ahead(1).text)) this.take();
      else return left;
    }
  }

  /** `Get<Mordant>(…)`: types between the name and what it is called with. */
  private passTypeArguments(): void {
    if (!this.is('<')) return;
    let open = 0;
    for (let i = 0; i < 24; i++) {
      const { kind, text } = this.ahead(i);
      if (text === '<') open++;
      else if (text === '>') {
        if (--open === 0) {
          if (this.ahead(i + 1).text !== '(' && this.ahead(i + 1).text !== '.') return;
          this.at += i + 1;
          return;
        }
      } else if (kind !== 'name' && !/^[.,?[\]]$/.test(text)) return;
    }
  }

  private argumentList(): t.Expression[] {
    const found: t.Expression[] = [];
    this.take();
    while (!this.is(')') && !this.done) {
      const from = this.at;
      // `name: value`, `out var x`
      if (this.now.kind === 'name' && this.ahead(1).text === ':') this.at += 2;
      if (this.isWord('out') || this.isWord('ref') || this.isWord('in')) {
        this.take();
        if (this.ahead(1).kind === 'name') this.take();
      }
      found.push(this.expression());
      if (!this.skip(',') && !this.is(')')) this.take();
      if (this.at === from) this.take();
    }
    this.skip(')');
    return found;
  }

  private primary(): t.Expression {
    const token = this.take();
    const at: Span = { start: token.start, end: token.end };
    switch (token.kind) {
      case 'number':
        return make('NumericLiteral', at, { value: Number(token.text.replace(/[_fFdDmMuUlL]/g, '')) });
      case 'text':
        return make('StringLiteral', at, { value: token.text });
      case 'template': {
        const expressions = token.holes!.flatMap(
          ({ start, end }) => CSharp.expression(this.text, start, end) ?? [],
        );
        return make('TemplateLiteral', at, { quasis: [], expressions });
      }
      case 'name':
        return this.word(token);
      default:
        break;
    }
    if (token.text === '(') {
      const parts = [this.expression()];
      while (this.skip(',')) parts.push(this.expression());
      while (!this.is(')') && !this.done) this.take();
      this.skip(')');
      return parts.length === 1
        ? parts[0]!
        : make('ArrayExpression', { start: token.start, end: this.before }, { elements: parts });
    }
    if (token.text === '[') {
      const elements: t.Expression[] = [];
      while (!this.is(']') && !this.done) {
        this.skip('..');
        elements.push(this.expression());
        if (!this.skip(',') && !this.is(']')) this.take();
      }
      this.skip(']');
      return make('ArrayExpression', { start: token.start, end: this.before }, { elements });
    }
    return unknown(at);
  }

  private word(token: Token): t.Expression {
    const at: Span = { start: token.start, end: token.end };
    switch (token.text) {
      case 'true':
      case 'false':
        return make('BooleanLiteral', at, { value: token.text === 'true' });
      case 'null':
      case 'default':
        if (this.is('(')) this.passBrackets();
        return make('NullLiteral', at, {});
      case 'this':
      case 'base':
        return make('ThisExpression', at, {});
      case 'new':
        return this.creation(token);
      case 'nameof':
        return this.nameOf(token);
      case 'typeof':
      case 'sizeof':
        if (this.is('(')) this.passBrackets();
        return make('StringLiteral', { start: token.start, end: this.before }, { value: '' });
      case 'var':
        // `out var x`
        if (this.now.kind === 'name') {
          const declared = this.take();
          return nameNode(declared.text, declared);
        }
        return unknown(at);
      default: {
        this.passTypeArguments();
        return nameNode(token.text, at);
      }
    }
  }

  private nameOf({ start }: Token): t.Expression {
    const named = this.passNaming();
    return unknown({ start, end: this.before }, named);
  }

  /** `new Recipe(…) { Name = x }`, `new() { … }`, `new[] { … }` */
  private creation(token: Token): t.Expression {
    let head: Token | undefined;
    while (this.now.kind === 'name' || this.is('.') || this.is('<') || this.is('?')) {
      if (this.is('<')) {
        let open = 0;
        do {
          if (this.is('<')) open++;
          else if (this.is('>')) open--;
          this.take();
        } while (open > 0 && !this.done);
        continue;
      }
      const part = this.take();
      if (part.kind === 'name') head = part;
    }
    const parts: t.Expression[] = [];
    const pairs: Pairs = { list: [], isWhole: true };
    let isList = false;
    if (this.is('[')) {
      const sizes = this.passNaming();
      if (!this.is('{')) return unknown({ start: token.start, end: this.before }, sizes);
      isList = true;
    }
    if (this.is('(')) parts.push(...this.argumentList());
    if (this.is('{')) {
      this.take();
      while (!this.is('}') && !this.done) {
        const from = this.at;
        if (this.is('{') || this.is('[')) parts.push(...this.pair(pairs));
        else {
          const one = this.expression();
          if (one.type !== 'AssignmentExpression') pairs.isWhole = false;
          parts.push(one.type === 'AssignmentExpression' ? (one.right as t.Expression) : one);
        }
        if (!this.skip(',') && !this.is('}')) this.take();
        if (this.at === from) this.take();
      }
      this.skip('}');
    }
    const at = { start: token.start, end: this.before };
    if (isList) return make('ArrayExpression', at, { elements: parts });
    return head
      ? make('NewExpression', at, { callee: nameNode(head.text, head), arguments: parts, extra: { pairs } })
      : // Of what it makes, only that it is made is known.
        { ...unknown(at, parts), extra: { made: true, pairs } };
  }

  /** What is put under a name into what is made: `["Title"] = x`, `{ "Title", x }`. Gives back what is read there. */
  private pair(pairs: Pairs): t.Expression[] {
    const inner = this.is('{');
    this.take();
    const read: t.Expression[] = [];
    while (!this.is('}') && !this.is(']') && !this.done) {
      const from = this.at;
      read.push(this.initial());
      this.skip(',');
      if (this.at === from) this.take();
    }
    this.take();
    if (!inner && this.skip('=')) read.push(this.initial());
    const [key, value, ...others] = read;
    const keyAt = key && this.keyAt(key);
    if (keyAt && value && !others.length) pairs.list.push({ ...keyAt, value });
    else pairs.isWhole = false;
    return read;
  }

  /** A text that is written out, or `nameof(Lamp.Tint)`. */
  private keyAt({ type, start, end }: t.Expression): (Span & { name: string }) | undefined {
    const text = this.text.slice(start!, end!);
    const [, before, name] = /^(nameof\((?:\w+\.)*|")(\w+)["\s)]+$/.exec(text) ?? [];
    if (name === undefined || !/^(StringLiteral|CallExpression)$/.test(type)) return undefined;
    return { name, start: start! + before!.length, end: start! + before!.length + name.length };
  }

  // ---- statements

  private blockStatement(): t.BlockStatement {
    const { start } = this.take();
    const body = this.block(() => this.is('}'));
    const { end } = this.now;
    this.skip('}');
    return make<t.BlockStatement>('BlockStatement', { start, end }, { body, directives: [] });
  }

  private block(ends: () => boolean): t.Statement[] {
    const found: t.Statement[] = [];
    while (!ends() && !this.done) {
      const from = this.at;
      const one = this.statement();
      if (one) found.push(one);
      if (this.at === from) this.take();
    }
    return found;
  }

  private single(): t.Statement {
    return this.statement() ?? make<t.Statement>('BlockStatement', this.now, { body: [], directives: [] });
  }

  private parenthesised(): t.Expression {
    if (!this.skip('(')) return unknown(this.now);
    const found = this.expression();
    while (!this.is(')') && !this.done) this.take();
    this.skip(')');
    return found;
  }

  statement(): t.Statement | undefined {
    if (++this.depth > MAX_DEPTH) {
      this.depth--;
      this.take();
      return undefined;
    }
    const found = this.anyStatement();
    this.depth--;
    return found;
  }

  private anyStatement(): t.Statement | undefined {
    const token = this.now;
    const at = (): Span => ({ start: token.start, end: this.before });
    if (this.is('{')) return this.blockStatement();
    if (this.skip(';')) return undefined;
    if (token.kind === 'name') {
      switch (token.text) {
        case 'if': {
          this.take();
          const test = this.parenthesised();
          const consequent = this.single();
          const alternate = this.skip('else') ? this.single() : null;
          return make<t.Statement>('IfStatement', at(), { test, consequent, alternate });
        }
        case 'while':
        case 'lock':
        case 'using':
        case 'fixed': {
          if (this.ahead(1).text !== '(') {
            this.take();
            return this.statement();
          }
          this.take();
          const test = this.parenthesised();
          const body = this.single();
          return make<t.Statement>('WhileStatement', at(), { test, body });
        }
        case 'do': {
          this.take();
          const body = this.single();
          this.skip('while');
          const test = this.parenthesised();
          this.skip(';');
          return make<t.Statement>('WhileStatement', at(), { test, body });
        }
        case 'foreach':
          return this.foreach(at);
        case 'for': {
          this.take();
          if (!this.is('(')) return undefined;
          this.take();
          const init = this.is(';') ? undefined : this.statement();
          const test = this.is(';') ? undefined : this.expression();
          this.skip(';');
          const update = this.is(')') ? undefined : this.expression();
          while (!this.is(')') && !this.done) this.take();
          this.skip(')');
          const body = this.single();
          const inner = make<t.Statement>('ForStatement', at(), {
            init: null,
            test: test ?? null,
            update: update ?? null,
            body,
          });
          return make<t.Statement>('BlockStatement', at(), {
            body: init ? [init, inner] : [inner],
            directives: [],
          });
        }
        case 'switch': {
          this.take();
          const discriminant = this.parenthesised();
          const body = this.is('{') ? this.cases() : [];
          return make<t.Statement>('BlockStatement', at(), {
            body: [make<t.Statement>('ExpressionStatement', at(), { expression: discriminant }), ...body],
            directives: [],
          });
        }
        case 'return': {
          this.take();
          this.skip('yield');
          const argument = this.is(';') ? null : this.expression();
          this.skip(';');
          return make<t.Statement>('ReturnStatement', at(), { argument });
        }
        case 'yield':
          this.take();
          return this.statement();
        case 'try': {
          this.take();
          const body = [this.single()];
          while (this.isWord('catch') || this.isWord('finally')) {
            this.take();
            if (this.is('(')) this.passBrackets();
            if (this.skip('when')) body.push(...this.passAsStatement());
            body.push(this.single());
          }
          return make<t.Statement>('BlockStatement', at(), { body, directives: [] });
        }
        case 'break':
        case 'continue':
        case 'goto':
          while (!this.is(';') && !this.done && !this.is('}')) this.take();
          this.skip(';');
          return undefined;
        default:
      }
      const declared = this.declaration();
      if (declared) return declared;
    }
    const expression = this.expression();
    this.skip(';');
    return make<t.Statement>(
      'ExpressionStatement',
      { start: token.start, end: expression.end! },
      { expression },
    );
  }

  private foreach(at: () => Span): t.Statement {
    this.take();
    this.skip('(');
    let last: Token | undefined;
    while (!this.isWord('in') && !this.is(')') && !this.done) {
      if (this.now.kind === 'name') last = this.now;
      this.take();
    }
    this.skip('in');
    const right = this.expression();
    while (!this.is(')') && !this.done) this.take();
    this.skip(')');
    const body = this.single();
    const id = last ? nameNode(last.text, last) : nameNode('_', this.now);
    const declarator = make<t.VariableDeclarator>('VariableDeclarator', id as Span, { id, init: null });
    const left = make<t.Statement>('VariableDeclaration', id as Span, {
      kind: 'const',
      declarations: [declarator],
    });
    return make<t.Statement>('ForOfStatement', at(), { left, right, body, await: false });
  }

  private cases(): t.Statement[] {
    const found: t.Statement[] = [];
    this.take();
    while (!this.is('}') && !this.done) {
      if (this.isWord('case') || this.isWord('default')) {
        while (!this.is(':') && !this.is('}') && !this.done) found.push(...this.passAsStatement());
        this.skip(':');
        continue;
      }
      const from = this.at;
      const one = this.statement();
      if (one) found.push(one);
      if (this.at === from) this.take();
    }
    this.skip('}');
    return found;
  }

  /** `var x = …;`, `List<int> x = …, y;`, a function inside of one. */
  private declaration(): t.Statement | undefined {
    const from = this.at;
    const { start } = this.now;
    if (this.isWord('await') || this.isWord('throw') || this.isWord('new')) return undefined;
    this.skip('const');
    if (!this.passType() || this.now.kind !== 'name' || !/^(=|;|,|\()$/.test(this.ahead(1).text)) {
      this.at = from;
      return undefined;
    }
    if (this.ahead(1).text === '(') {
      const fn = this.localFunction(start);
      if (fn) return fn;
      this.at = from;
      return undefined;
    }
    const declarations: t.VariableDeclarator[] = [];
    do {
      const id = this.take();
      const init = this.skip('=') ? this.initial() : null;
      declarations.push(
        make<t.VariableDeclarator>(
          'VariableDeclarator',
          { start: id.start, end: this.before },
          { id: nameNode(id.text, id), init },
        ),
      );
    } while (this.skip(',') && this.now.kind === 'name');
    this.skip(';');
    return make<t.Statement>(
      'VariableDeclaration',
      { start, end: this.before },
      { kind: 'let', declarations },
    );
  }

  private localFunction(start: number): t.Statement | undefined {
    const id = this.take();
    const params = this.parameters();
    if (!this.is('{') && !this.is('=>')) return undefined;
    const body = this.body();
    const at = { start, end: this.before };
    const fn = make('ArrowFunctionExpression', at, {
      params,
      body,
      async: false,
      expression: body.type !== 'BlockStatement',
    });
    const declarator = make<t.VariableDeclarator>('VariableDeclarator', at, {
      id: nameNode(id.text, id),
      init: fn,
    });
    return make<t.Statement>('VariableDeclaration', at, { kind: 'const', declarations: [declarator] });
  }

  /** Passes over a type; false if there is none. */
  private passType(): boolean {
    if (this.is('(')) {
      this.passBrackets();
    } else {
      if (this.now.kind !== 'name') return false;
      this.take();
      while (this.is('.') || this.is('::')) {
        this.take();
        if (this.now.kind !== 'name') return false;
        this.take();
      }
      if (this.is('<')) {
        let open = 0;
        do {
          if (this.is('<')) open++;
          else if (this.is('>')) open--;
          else if (!this.isInType()) return false;
          this.take();
        } while (open > 0 && !this.done);
      }
    }
    while (this.is('?') || this.is('[')) {
      if (this.is('[')) {
        if (!/^[\],]$/.test(this.ahead(1).text)) return false;
        this.passBrackets();
      } else this.take();
    }
    return true;
  }

  private isInType(): boolean {
    return this.now.kind !== 'mark' || /^[.,?[\]()]$/.test(this.now.text);
  }

  /** Names of parameters; attributes, types and values that stand for missing ones are passed over. */
  private parameters(): t.Identifier[] {
    const found: t.Identifier[] = [];
    this.skip('(');
    while (!this.is(')') && !this.done) {
      while (this.is('[')) this.passBrackets();
      while (this.now.kind === 'name' && /^(this|ref|out|in|params)$/.test(this.now.text)) this.take();
      const from = this.now.start;
      const isTyped = this.passType();
      const id = isTyped ? this.takeName() : undefined;
      if (id) {
        const node = nameNode(id.text, id);
        Object.assign(node, typed(this.text.slice(from, id.start).trim(), id));
        found.push(node);
      }
      while (!this.is(',') && !this.is(')') && !this.done)
        if (this.is('(') || this.is('[') || this.is('{')) this.passBrackets();
        else this.take();
      this.skip(',');
    }
    this.skip(')');
    return found;
  }

  private body(): t.BlockStatement | t.Expression {
    if (this.is('{')) return this.blockStatement();
    this.skip('=>');
    const found = this.expression();
    this.skip(';');
    return found;
  }

  // ---- members

  /** Members of a class, up to the bracket that ends it or the end of the piece. */
  static members(text: string, from: number, to: number, params: ReadonlySet<string>): MemberNode[] {
    return new CSharp(text, from, to).memberList(params);
  }

  private memberList(params: ReadonlySet<string>): MemberNode[] {
    const found: MemberNode[] = [];
    while (!this.done && !this.is('}')) {
      const from = this.at;
      const one = this.member(params);
      if (one) found.push(one);
      if (this.at === from) this.take();
    }
    return found;
  }

  private attributes(): AttributeNode[] {
    const found: AttributeNode[] = [];
    while (this.is('[')) {
      this.take();
      while (!this.is(']') && !this.done) {
        if (this.now.kind !== 'name') {
          this.take();
          continue;
        }
        let head = this.take().text;
        while (this.skip('.')) head = this.take().text;
        const args: AttributeNode['args'] = [];
        if (this.is('(')) {
          this.take();
          while (!this.is(')') && !this.done) {
            const key = this.now.kind === 'name' && this.ahead(1).text === '=' ? this.take().text : undefined;
            if (key !== undefined) this.take();
            args.push({ ...(key === undefined ? {} : { name: key }), value: this.expression() });
            if (!this.skip(',') && !this.is(')')) this.take();
          }
          this.skip(')');
        }
        found.push({ name: head.replace(/Attribute$/, ''), args });
        this.skip(',');
      }
      this.skip(']');
    }
    return found;
  }

  private member(params: ReadonlySet<string>): MemberNode | undefined {
    const attributes = this.attributes();
    const { start } = this.now;
    const words = new Set<string>();
    while (this.now.kind === 'name' && WORDS.test(this.now.text)) words.add(this.take().text);
    if (this.now.kind === 'name' && CLASSES.test(this.now.text)) {
      // A type inside of the class is somebody else's.
      while (!this.is('{') && !this.is(';') && !this.done) this.take();
      if (this.is('{')) this.passBrackets();
      this.skip(';');
      return undefined;
    }
    const typeFrom = this.now.start;
    // A constructor has no type.
    if (this.now.kind === 'name' && this.ahead(1).text === '(')
      return this.method('', start, words, attributes, params);
    if (!this.passType()) {
      this.passMember();
      return undefined;
    }
    const typeText = this.text.slice(typeFrom, this.before);
    if (this.now.kind !== 'name') {
      this.passMember();
      return undefined;
    }
    const next = this.ahead(1).text;
    if (next === '(' || next === '<') return this.method(typeText, start, words, attributes, params);
    const id = this.take();
    const base = {
      name: id.text,
      nameAt: { start: id.start, end: id.end },
      type: typeOfText(typeText, params),
      typeText,
      attributes,
      words,
      start,
    };
    if (this.is('=>')) {
      const from = this.now.start;
      const body = this.body();
      return { ...base, kind: 'property', fn: getter(id, body, from), end: this.before };
    }
    if (this.is('{')) return this.property(base);
    const value = this.skip('=') ? this.initial() : undefined;
    this.passTo(';');
    return { ...base, kind: 'field', ...(value ? { value } : {}), end: this.before };
  }

  private passMember(): void {
    while (!this.is(';') && !this.is('{') && !this.is('}') && !this.done) this.take();
    if (this.is('{')) this.passBrackets();
    this.skip(';');
  }

  /** `{ get; set; } = value;`, `{ get => …; }` */
  private property(base: Omit<MemberNode, 'kind' | 'end'>): MemberNode {
    this.take();
    let fn: t.ClassMethod | undefined;
    while (!this.is('}') && !this.done) {
      this.attributes();
      while (this.now.kind === 'name' && WORDS.test(this.now.text)) this.take();
      const word = this.take();
      if (this.is('{') || this.is('=>')) {
        const from = this.now.start;
        const body = this.body();
        if (word.text === 'get')
          fn = getter({ text: base.name, start: base.nameAt.start, end: base.nameAt.end }, body, from);
      }
      this.skip(';');
    }
    this.skip('}');
    const value = this.skip('=') ? this.initial() : undefined;
    this.skip(';');
    return {
      ...base,
      kind: 'property',
      ...(value ? { value } : {}),
      ...(fn ? { fn } : {}),
      end: this.before,
    };
  }

  private method(
    typeText: string,
    start: number,
    words: Set<string>,
    attributes: AttributeNode[],
    params: ReadonlySet<string>,
  ): MemberNode | undefined {
    const id = this.take();
    if (this.is('<')) this.passType();
    while (!this.is('(') && !this.done && !this.is('{') && !this.is(';')) this.take();
    const given = this.parameters();
    // `where T : class`, `: base(x)`
    while (!this.is('{') && !this.is('=>') && !this.is(';') && !this.done)
      if (this.is('(')) this.passBrackets();
      else this.take();
    const nameAt = { start: id.start, end: id.end };
    const base = {
      name: id.text,
      nameAt,
      type: typeOfText(typeText, params),
      typeText,
      attributes,
      words,
      start,
    };
    if (this.skip(';') || this.done) return { ...base, kind: 'method', end: this.before };
    const made = this.body();
    const at = { start: id.start, end: this.before };
    const body =
      made.type === 'BlockStatement'
        ? made
        : make<t.BlockStatement>(
            'BlockStatement',
            { start: made.start!, end: made.end! },
            {
              body: [
                make<t.Statement>(
                  'ReturnStatement',
                  { start: made.start!, end: made.end! },
                  { argument: made },
                ),
              ],
              directives: [],
            },
          );
    const fn = make<t.ClassMethod>('ClassMethod', at, {
      kind: 'method',
      key: nameNode(id.text, id),
      computed: false,
      static: false,
      params: given,
      body,
    });
    return { ...base, kind: 'method', fn, end: this.before };
  }

  // ---- types of a file

  /** Classes, records and enums of a file, those inside of namespaces and of others too. */
  static types(text: string, from = 0, to = text.length): ClassNode[] {
    const parser = new CSharp(text, from, to);
    const found: ClassNode[] = [];
    while (!parser.done) {
      if (parser.now.kind === 'name' && CLASSES.test(parser.now.text) && parser.ahead(1).kind === 'name') {
        const one = parser.typeNode();
        if (one) found.push(one);
      } else parser.take();
    }
    return found;
  }

  private typeNode(): ClassNode | undefined {
    const { start, text: kind } = this.take();
    while (this.isWord('struct') || this.isWord('class')) this.take();
    const id = this.take();
    const params: string[] = [];
    if (this.is('<')) {
      while (!this.is('>') && !this.done) {
        const one = this.take();
        if (one.kind === 'name' && one.text !== 'in' && one.text !== 'out') params.push(one.text);
      }
      this.skip('>');
    }
    const found: ClassNode = {
      ...(/\bpartial\s*$/.test(this.text.slice(Math.max(0, start - 20), start)) ? { partial: true } : {}),
      name: id.text,
      kind: kind as ClassNode['kind'],
      params,
      limits: '',
      bases: [],
      members: [],
      values: [],
      nameAt: { start: id.start, end: id.end },
      start,
      end: id.end,
    };
    const known = new Set(params);
    // What a record is made of are members of it.
    if (this.is('(')) {
      for (const one of this.parameters()) {
        const { typeText = '' } = one as t.Identifier & { typeText?: string };
        const nameAt = { start: one.start!, end: one.end! };
        found.members.push({
          name: one.name,
          nameAt,
          kind: 'property',
          type: typeOfText(typeText, known),
          typeText,
          attributes: [],
          words: new Set(['public']),
          ...nameAt,
        });
      }
    }
    if (this.skip(':'))
      while (!this.is('{') && !this.is(';') && !this.isWord('where') && !this.done) {
        if (this.now.kind === 'name') {
          const { start: from } = this.now;
          if (!this.passType()) this.take();
          if (kind !== 'enum') found.bases.push(baseAt(this.text.slice(from, this.before), from, known));
          if (this.is('(')) this.passBrackets();
        } else this.take();
      }
    const limits = this.now.start;
    while (!this.is('{') && !this.is(';') && !this.done) this.take();
    found.limits = this.text.slice(limits, this.now.start);
    if (!this.skip('{')) return found;
    if (kind === 'enum') {
      while (!this.is('}') && !this.done) {
        this.attributes();
        if (this.now.kind === 'name') found.values.push(this.take().text);
        while (!this.is(',') && !this.is('}') && !this.done) this.take();
        this.skip(',');
      }
    } else found.members.push(...this.memberList(known));
    found.end = this.now.end;
    this.skip('}');
    return found;
  }
}

/** The class that a type names, without its namespace and what it is given: `Rota.BoardBase<Row>` */
export function baseAt(text: string, from: number, params: ReadonlySet<string>): ClassNode['bases'][number] {
  const whole = /^[\w.]+/.exec(text)?.[0] ?? '';
  const end = from + whole.length;
  const name = whole.slice(whole.lastIndexOf('.') + 1);
  const type = typeOfText(text.slice(whole.length - name.length), params);
  const args = type.t === 'ref' ? type.args : undefined;
  return { name, ...(args ? { args } : {}), start: end - name.length, end };
}

/** A type as an annotation, in the form that the shared analysis asks the language about. */
export function typed(text: string, at: Span): object {
  const typeName = nameNode(`${TYPE}${text}`, { start: at.start, end: at.end });
  const reference = make<t.Node>('TSTypeReference', at, { typeName });
  return {
    typeText: text,
    typeAnnotation: make<t.Node>('TSTypeAnnotation', at, { typeAnnotation: reference }),
  };
}

/** Names of types of C# have this in front. */
export const TYPE = 'C#:';

function getter(
  id: { text: string; start: number; end: number },
  made: t.BlockStatement | t.Expression,
  start: number,
): t.ClassMethod {
  const at = { start: made.start!, end: made.end! };
  const body =
    made.type === 'BlockStatement'
      ? made
      : make<t.BlockStatement>('BlockStatement', at, {
          body: [make<t.Statement>('ReturnStatement', at, { argument: made })],
          directives: [],
        });
  return make<t.ClassMethod>(
    'ClassMethod',
    { start, end: at.end },
    {
      kind: 'get',
      key: nameNode(id.text, id),
      computed: false,
      static: false,
      params: [],
      body,
    },
  );
}
