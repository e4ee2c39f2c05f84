/** Imports, exports and declared types of a module. */
import { carriersOf } from './carried-events';
import type * as t from '@babel/types';
import type { ExportFact, FileFacts, ImportFact } from '../../model/facts';
import type { TypeDecl } from '../../model/types';
import { readSilences } from './comments';
import type { Scopes } from './scope';
import { type NamedType, readTypeDecl } from './type-expr';
import { spanOf } from './unit';
import { patternNames } from './walk';

const nameOf = (node: t.Identifier | t.StringLiteral): string =>
  node.type === 'Identifier' ? node.name : node.value;

/** What a module says before its code is looked into. */
export function readModuleFacts(
  facts: FileFacts,
  program: t.Program,
  comments: t.Comment[],
  text: string,
): void {
  facts.imports = readImports(program);
  facts.exports = readExports(program);
  facts.silences = readSilences(comments, text);
}

/** What the walk over the names of a file found on its way. */
export function noteFound(facts: FileFacts, scopes: Scopes): void {
  facts.ids = [...scopes.ids];
  facts.loads = scopes.loads;
  if (scopes.heard.size) facts.heardNames = [...scopes.heard];
  if (scopes.madeEvents.size) facts.madeEvents = [...scopes.madeEvents];
  const carriers = carriersOf(scopes.carried);
  if (carriers.length) facts.eventCarriers = carriers;
  const texts = [...scopes.carried.texts].map(([method, of]) => ({ method, texts: [...of] }));
  if (texts.length) facts.carriedTexts = texts;
}

export function readImports(program: t.Program): ImportFact[] {
  const found: ImportFact[] = [];
  for (const node of program.body) {
    if (node.type !== 'ImportDeclaration') continue;
    const from = node.source.value;
    for (const specifier of node.specifiers) {
      const name =
        specifier.type === 'ImportDefaultSpecifier'
          ? 'default'
          : specifier.type === 'ImportNamespaceSpecifier'
            ? '*'
            : nameOf(specifier.imported);
      const typeOnly =
        node.importKind === 'type' ||
        (specifier.type === 'ImportSpecifier' && specifier.importKind === 'type');
      found.push({
        local: specifier.local.name,
        name,
        from,
        ...(typeOnly ? { typeOnly } : {}),
        ...spanOf(specifier),
      });
    }
    if (node.specifiers.length === 0) found.push({ local: '', name: '', from, ...spanOf(node) });
  }
  return found;
}

/** The exports of a module. A default export without a name is known in the file as `default`. */
export function readExports(program: t.Program): ExportFact[] {
  const found: ExportFact[] = [];
  for (const node of program.body) {
    if (node.type === 'ExportAllDeclaration') {
      found.push({ name: '*', from: node.source.value, ...spanOf(node) });
    } else if (node.type === 'ExportNamedDeclaration') {
      const from = node.source?.value;
      for (const specifier of node.specifiers) {
        if (specifier.type === 'ExportDefaultSpecifier') {
          // `export Gauge from './Gauge'`, a proposal that older code uses.
          found.push({ name: specifier.exported.name, from: from!, source: 'default', ...spanOf(specifier) });
        } else if (specifier.type === 'ExportNamespaceSpecifier') {
          found.push({ name: specifier.exported.name, from: from!, source: '*', ...spanOf(specifier) });
        } else if (specifier.type === 'ExportSpecifier') {
          const local = nameOf(specifier.local as t.Identifier | t.StringLiteral);
          const name = nameOf(specifier.exported);
          found.push(
            from
              ? { name, from, source: local, ...spanOf(specifier) }
              : { name, local, ...spanOf(specifier) },
          );
        }
      }
      for (const id of declaredNames(node.declaration))
        found.push({ name: id.name, local: id.name, ...spanOf(id) });
    } else if (node.type === 'ExportDefaultDeclaration') {
      const { declaration } = node;
      const id =
        declaration.type === 'Identifier'
          ? declaration.name
          : 'id' in declaration && declaration.id && /Declaration$/.test(declaration.type)
            ? (declaration.id as t.Identifier).name
            : 'default';
      found.push({ name: 'default', local: id, ...spanOf(node) });
    } else if (node.type === 'TSExportAssignment' && node.expression.type === 'Identifier') {
      found.push({ name: 'default', local: node.expression.name, ...spanOf(node) });
    }
  }
  return found;
}

function declaredNames(node: t.Node | null | undefined): t.Identifier[] {
  if (!node) return [];
  if (node.type === 'VariableDeclaration') return node.declarations.flatMap((one) => patternNames(one.id));
  const { id } = node as { id?: t.Node | null };
  return id?.type === 'Identifier' ? [id] : [];
}

export function readTypes(program: t.Program, named: NamedType): TypeDecl[] {
  const found: TypeDecl[] = [];
  const look = (node: t.Node) => {
    const decl = readTypeDecl(node, named);
    if (decl) found.push(decl);
  };
  for (const node of program.body) {
    if (node.type === 'ExportNamedDeclaration' || node.type === 'ExportDefaultDeclaration') {
      if (node.declaration) look(node.declaration);
    } else look(node);
  }
  return found;
}
