/**
 * Which declaration an identifier means. One walk over the tree declares names and collects the places where
 * they are used; names are looked up at the end, so that hoisting needs no care.
 */
import type * as t from '@babel/types';
import type { LoadFact } from '../../model/facts';
import { noteIds } from './ids';
import { noteLoads } from './loads';
import { type Carried, newCarried, noteCarried } from './carried-events';
import { noteHeard, noteMadeEvent } from './made-events';
import { eachChild, patternNames } from './walk';

export interface Binding {
  name: string;
  kind: 'import' | 'const' | 'let' | 'param' | 'function' | 'class' | 'enum';
  scope: Scope;
  /** The identifier that declares it. */
  id: t.Identifier | t.JSXIdentifier;
  /** The declarator, function, class or import specifier. */
  node: t.Node;
  uses: Use[];
  /** import: the module that it comes from. */
  from?: string;
  /** It is assigned to after its declaration. */
  reassigned: boolean;
  /** A parameter's name that the function's own body declares a second time. */
  again?: t.Identifier;
}

export interface Scope {
  parent: Scope | undefined;
  /** The function, class or program whose body it is in. */
  owner: t.Node;
  isFunction: boolean;
  names: Map<string, Binding>;
}

export interface Use {
  id: t.Identifier | t.JSXIdentifier;
  scope: Scope;
  /** Names in a tag, in an export or in an assignment to a static member are no plain mention. */
  role: 'value' | 'tag' | 'export' | 'static' | 'write';
  /** write: what is assigned to the name, where that is written whole. */
  value?: t.Node;
}

/** What the scope walk notes on the tree itself. */
declare module '@babel/types' {
  interface Identifier {
    /** The declaration that the name means. */
    binding?: Binding;
  }
  interface JSXIdentifier {
    binding?: Binding;
  }
  interface FunctionDeclaration extends MarkupMark {}
  interface FunctionExpression extends MarkupMark {}
  interface ArrowFunctionExpression extends MarkupMark {}
  interface ObjectMethod extends MarkupMark {}
  interface ClassMethod extends MarkupMark {}
  interface ClassPrivateMethod extends MarkupMark {}
  interface MarkupMark {
    /** It holds markup, at any depth. */
    hasMarkup?: boolean;
  }
}

/** A function or class with the name that it is known by, and the call that it is wrapped in, if any. */
export interface NamedNode {
  name: string | undefined;
  /** The function or class, or the expression that a variable holds. */
  node: t.Node;
  /** The declarator, declaration or export. */
  declaration: t.Node;
  id: t.Identifier | undefined;
  scope: Scope;
  /** It is given back by the function around it. */
  returned?: boolean;
  /** The name that the file knows it by, where it is a member of something. */
  local?: string;
}

export interface Scopes {
  program: Scope;
  named: NamedNode[];
  /** Names read as `x.props.NAME` where x is not `this`. */
  elementReads: Set<string>;
  /** Ids that the file gives to elements. */
  ids: Set<string>;
  /** Modules that the code loads while it runs. */
  loads: LoadFact[];
  /** Names of events that it makes for elements. */
  madeEvents: Set<string>;
  carried: Carried;
  /** Names of events that it listens for by a call. */
  heard: Set<string>;
  /** The scope whose names a function's parameters are. */
  of: Map<t.Node, Scope>;
  /** Uses of names that nothing in the program declares. */
  unbound: Use[];
  /** Resolves the names of code that stands beside the program, in a scope of it; gives back those that it lacks. */
  bind(node: t.Node, scope: Scope): Use[];
  /** A scope inside another, with the names that patterns declare. */
  within(scope: Scope, patterns: t.Node[]): Scope;
}

const isFunction = (node: t.Node): node is t.Function =>
  node.type === 'FunctionDeclaration' ||
  node.type === 'FunctionExpression' ||
  node.type === 'ArrowFunctionExpression' ||
  node.type === 'ObjectMethod' ||
  node.type === 'ClassMethod' ||
  node.type === 'ClassPrivateMethod';

/** `x.props` of anything but `this`, type assertions taken away. */
function isElementProps(node: t.Node): boolean {
  let at = node;
  while (
    at.type === 'TSAsExpression' ||
    at.type === 'TSNonNullExpression' ||
    at.type === 'ParenthesizedExpression'
  ) {
    at = at.expression;
  }
  if (at.type !== 'MemberExpression' && at.type !== 'OptionalMemberExpression') return false;
  return (
    !at.computed &&
    at.property.type === 'Identifier' &&
    at.property.name === 'props' &&
    at.object.type !== 'ThisExpression'
  );
}

/** `var x = x || 3` goes on with what the parameter was given. */
function startsFromItself(node: t.Node, name: string): boolean {
  if (node.type !== 'VariableDeclarator') return false;
  if (!node.init) return true;
  let found = false;
  const look = (part: t.Node) => {
    if (part.type === 'Identifier' && part.name === name) found = true;
    else eachChild(part, look);
  };
  look(node.init);
  return found;
}

/** Builds the scopes of a program and sets `binding` on every identifier that uses a declared name. */
export function readScopes(program: t.Program): Scopes {
  const uses: Use[] = [];
  const of = new Map<t.Node, Scope>();
  const named: NamedNode[] = [];
  const elementReads = new Set<string>();
  const ids = new Set<string>();
  const loads: LoadFact[] = [];
  const madeEvents = new Set<string>();
  const carried = newCarried();
  const heard = new Set<string>();
  const open = (parent: Scope | undefined, owner: t.Node, fn: boolean): Scope => {
    const scope: Scope = { parent, owner, isFunction: fn, names: new Map() };
    if (fn) of.set(owner, scope);
    return scope;
  };

  function declare(scope: Scope, id: t.Identifier, kind: Binding['kind'], node: t.Node, from?: string) {
    const known = scope.names.get(id.name);
    if (known) {
      id.binding = known;
      if (kind !== 'function') known.reassigned = true;
      if (known.kind === 'param' && kind !== 'param' && !startsFromItself(node, id.name)) known.again ??= id;
      return;
    }
    const binding: Binding = { name: id.name, kind, scope, id, node, uses: [], reassigned: false };
    if (from !== undefined) binding.from = from;
    scope.names.set(id.name, binding);
    id.binding = binding;
  }

  const use = (id: t.Identifier | t.JSXIdentifier, scope: Scope, role: Use['role'], value?: t.Node) =>
    uses.push({ id, scope, role, ...(value ? { value } : {}) });

  /** Default values and computed keys in a pattern are expressions. */
  function patternValues(pattern: t.Node, scope: Scope) {
    if (pattern.type === 'AssignmentPattern') {
      patternValues(pattern.left, scope);
      visit(pattern.right, scope);
    } else if (pattern.type === 'ObjectPattern') {
      for (const property of pattern.properties) {
        if (property.type === 'RestElement') continue;
        if (property.computed) visit(property.key, scope);
        patternValues(property.value, scope);
      }
    } else if (pattern.type === 'ArrayPattern') {
      for (const element of pattern.elements) if (element) patternValues(element, scope);
    } else if (pattern.type === 'TSParameterProperty') {
      patternValues(pattern.parameter, scope);
    }
  }

  function target(node: t.Node, scope: Scope, value?: t.Node) {
    if (node.type === 'Identifier') use(node, scope, 'write', value);
    else if (node.type === 'MemberExpression' || node.type === 'OptionalMemberExpression') visit(node, scope);
    else if (node.type === 'AssignmentPattern') {
      target(node.left, scope);
      visit(node.right, scope);
    } else if (node.type === 'RestElement') target(node.argument, scope);
    else if (node.type === 'ObjectPattern') {
      for (const property of node.properties) {
        target(property.type === 'RestElement' ? property.argument : property.value, scope);
      }
    } else if (node.type === 'ArrayPattern') {
      for (const element of node.elements) if (element) target(element, scope);
    } else visit(node, scope);
  }

  function functionBody(node: t.Function, scope: Scope) {
    const inner = open(scope, node, true);
    if (node.type === 'FunctionExpression' && node.id) declare(inner, node.id, 'function', node);
    for (const param of node.params) {
      for (const id of patternNames(param)) declare(inner, id, 'param', node);
      patternValues(param, inner);
    }
    if (node.body.type === 'BlockStatement') for (const part of node.body.body) visit(part, inner);
    else {
      givenBack(node.body, inner);
      visit(node.body, inner);
    }
    if (markup.has(inner)) {
      node.hasMarkup = true;
    }
  }

  /** A function or class that a function gives back may be a component that it makes. */
  function givenBack(node: t.Node | null | undefined, scope: Scope) {
    const bare = node?.type === 'ParenthesizedExpression' ? node.expression : node;
    if (!bare || !(isFunction(bare) || bare.type === 'ClassExpression')) return;
    const name = bare.type === 'ArrowFunctionExpression' || !('id' in bare) ? undefined : bare.id?.name;
    named.push({ name, node: bare, declaration: bare, id: undefined, scope, returned: true });
  }

  const markup = new Set<Scope>();
  function markMarkup(scope: Scope) {
    let at: Scope | undefined = scope;
    while (at && !markup.has(at)) {
      if (at.isFunction) markup.add(at);
      at = at.parent;
    }
  }

  function visit(node: t.Node, scope: Scope): void {
    noteIds(node, ids);
    noteLoads(node, loads);
    noteMadeEvent(node, madeEvents);
    noteCarried(node, carried);
    noteHeard(node, heard);
    switch (node.type) {
      case 'Identifier':
        use(node, scope, 'value');
        return;
      case 'JSXElement':
      case 'JSXFragment':
        markMarkup(scope);
        break;
      case 'JSXIdentifier':
        use(node, scope, 'tag');
        return;
      case 'JSXMemberExpression':
        visit(node.object, scope);
        return;
      case 'JSXAttribute':
        if (node.value) visit(node.value, scope);
        return;
      case 'JSXClosingElement':
      case 'JSXNamespacedName':
      case 'JSXText':
      case 'StringLiteral':
      case 'NumericLiteral':
        return;
      case 'MemberExpression':
      case 'OptionalMemberExpression':
        if (!node.computed && node.property.type === 'Identifier' && isElementProps(node.object)) {
          elementReads.add(node.property.name);
        }
        visit(node.object, scope);
        if (node.computed) visit(node.property, scope);
        return;
      case 'ObjectProperty':
        if (node.computed) visit(node.key, scope);
        visit(node.value, scope);
        return;
      case 'ObjectMethod':
      case 'ClassMethod':
      case 'ClassPrivateMethod':
        if (node.computed) visit(node.key, scope);
        functionBody(node, scope);
        return;
      case 'ClassProperty':
      case 'ClassAccessorProperty':
        if (node.computed) visit(node.key, scope);
        if (node.value) visit(node.value, scope);
        for (const decorator of node.decorators ?? []) visit(decorator, scope);
        return;
      case 'ClassPrivateProperty':
        if (node.value) visit(node.value, scope);
        return;
      case 'FunctionDeclaration':
        if (node.id) declare(scope, node.id, 'function', node);
        named.push({ name: node.id?.name, node, declaration: node, id: node.id ?? undefined, scope });
        functionBody(node, scope);
        return;
      case 'FunctionExpression':
      case 'ArrowFunctionExpression':
        functionBody(node, scope);
        return;
      case 'ClassDeclaration':
      case 'ClassExpression': {
        if (node.id && node.type === 'ClassDeclaration') declare(scope, node.id, 'class', node);
        if (node.type === 'ClassDeclaration') {
          named.push({ name: node.id?.name, node, declaration: node, id: node.id ?? undefined, scope });
        }
        if (node.superClass) visit(node.superClass, scope);
        for (const decorator of node.decorators ?? []) visit(decorator, scope);
        const inner = open(scope, node, false);
        if (node.id && node.type === 'ClassExpression') declare(inner, node.id, 'class', node);
        for (const member of node.body.body) visit(member, inner);
        return;
      }
      case 'VariableDeclaration': {
        let home = scope;
        if (node.kind === 'var') while (!home.isFunction && home.parent) home = home.parent;
        for (const declarator of node.declarations) {
          for (const id of patternNames(declarator.id)) {
            declare(home, id, node.kind === 'const' ? 'const' : 'let', declarator);
          }
          patternValues(declarator.id, scope);
          if (!declarator.init) continue;
          if (declarator.id.type === 'ObjectPattern' && isElementProps(declarator.init)) {
            for (const property of declarator.id.properties) {
              if (property.type === 'ObjectProperty' && property.key.type === 'Identifier') {
                elementReads.add(property.key.name);
              }
            }
          }
          if (declarator.id.type === 'Identifier') {
            const { id } = declarator;
            named.push({ name: id.name, node: declarator.init, declaration: declarator, id, scope });
          }
          visit(declarator.init, scope);
        }
        return;
      }
      case 'ImportDeclaration':
        for (const specifier of node.specifiers)
          declare(scope, specifier.local, 'import', specifier, node.source.value);
        return;
      case 'ExportNamedDeclaration':
        if (node.declaration) visit(node.declaration, scope);
        if (!node.source) {
          for (const specifier of node.specifiers) {
            if (specifier.type === 'ExportSpecifier') use(specifier.local as t.Identifier, scope, 'export');
          }
        }
        return;
      case 'ExportDefaultDeclaration':
        if (node.declaration.type === 'Identifier') use(node.declaration, scope, 'export');
        else {
          if (!/Declaration$/.test(node.declaration.type)) {
            named.push({ name: undefined, node: node.declaration, declaration: node, id: undefined, scope });
          }
          visit(node.declaration, scope);
        }
        return;
      case 'ExportAllDeclaration':
      case 'TSTypeAliasDeclaration':
      case 'TSInterfaceDeclaration':
      case 'TSDeclareFunction':
        return;
      case 'TSEnumDeclaration':
        declare(scope, node.id, 'enum', node);
        return;
      case 'TSModuleDeclaration':
        if (node.body && !node.declare) visit(node.body, open(scope, node, false));
        return;
      case 'AssignmentExpression':
        if (
          node.left.type === 'MemberExpression' &&
          node.left.object.type === 'Identifier' &&
          scope.parent === undefined
        ) {
          use(node.left.object, scope, 'static');
          if (node.left.computed) visit(node.left.property, scope);
        } else target(node.left, scope, /^(\?\?|\|\|)?=$/.test(node.operator) ? node.right : undefined);
        visit(node.right, scope);
        return;
      case 'UpdateExpression':
        target(node.argument, scope);
        return;
      case 'BlockStatement':
      case 'StaticBlock':
      case 'TSModuleBlock': {
        const inner = open(scope, scope.owner, false);
        for (const part of node.body) visit(part, inner);
        return;
      }
      case 'ForStatement':
      case 'ForInStatement':
      case 'ForOfStatement':
      case 'SwitchStatement': {
        const inner = open(scope, scope.owner, false);
        eachChild(node, (child) => visit(child, inner));
        return;
      }
      case 'CatchClause': {
        const inner = open(scope, scope.owner, false);
        if (node.param) for (const id of patternNames(node.param)) declare(inner, id, 'let', node);
        visit(node.body, inner);
        return;
      }
      case 'ReturnStatement':
        givenBack(node.argument, scope);
        break;
      case 'LabeledStatement':
        visit(node.body, scope);
        return;
      case 'BreakStatement':
      case 'ContinueStatement':
        return;
    }
    eachChild(node, (child) => visit(child, scope));
  }

  /** Looks names up; those that nothing declares are given back. */
  function settle(list: Use[]): Use[] {
    return list.filter((one) => {
      const binding = bindingOf(one.id.name, one.scope);
      if (!binding) return true;
      one.id.binding = binding;
      binding.uses.push(one);
      if (one.role === 'write') binding.reassigned = true;
      return false;
    });
  }

  const root = open(undefined, program, true);
  for (const part of program.body) visit(part, root);
  const unbound = settle(uses);
  return {
    unbound,
    program: root,
    named,
    elementReads,
    ids,
    loads,
    madeEvents,
    carried,
    heard,
    of,
    bind(node, scope) {
      uses.length = 0;
      visit(node, scope);
      return settle([...uses]);
    },
    within(scope, patterns) {
      const inner = open(scope, scope.owner, false);
      uses.length = 0;
      for (const pattern of patterns) {
        for (const id of patternNames(pattern)) declare(inner, id, 'const', pattern);
        patternValues(pattern, inner);
      }
      settle([...uses]);
      return inner;
    },
  };
}

/** What a name means in a scope. */
export function bindingOf(name: string, scope: Scope): Binding | undefined {
  for (let at: Scope | undefined = scope; at; at = at.parent) {
    const found = at.names.get(name);
    if (found) return found;
  }
  return undefined;
}

/** All names that code in a scope may use. */
export function namesIn(scope: Scope): string[] {
  const found: string[] = [];
  for (let at: Scope | undefined = scope; at; at = at.parent) found.push(...at.names.keys());
  return found;
}

/** Module-level names that are used as values; `counts` leaves uses out that are of another kind. */
export function mentionsIn({ program }: Scopes, counts: (use: Use) => boolean = () => true): string[] {
  const found: string[] = [];
  for (const { name, uses } of program.names.values())
    if (uses.some((one) => one.role === 'value' && counts(one))) found.push(name);
  return found;
}

/** Whether a name is called wherever it is used, and never handed to somebody. */
export const isOnlyCalled = ({ uses }: Binding, text: string): boolean =>
  uses.every(({ id }) => /^\s*(\?\.)?\s*\(/.test(text.slice(id.end!, id.end! + 40)));

/** Whether a scope lies inside the body of a function (or is its own). */
export function isWithin(scope: Scope, fn: t.Node): boolean {
  for (let at: Scope | undefined = scope; at; at = at.parent) if (at.owner === fn) return true;
  return false;
}

export { isFunction };
