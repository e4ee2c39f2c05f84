/** Where the nodes of a template stand, and which of them are tags. */
import type { TmplAstContent, TmplAstElement, TmplAstNode, TmplAstTemplate } from '@angular/compiler';
import type * as t from '@babel/types';
import type { Span } from '../../model/facts';
import { angularCompiler } from '../on-demand';

export type Tag = TmplAstElement | TmplAstTemplate | TmplAstContent;

export function isTag(node: TmplAstNode): node is Tag {
  const k = angularCompiler();
  return (
    node instanceof k.TmplAstElement || node instanceof k.TmplAstTemplate || node instanceof k.TmplAstContent
  );
}

export const spanAt = (span: { start: { offset: number }; end: { offset: number } }): Span => ({
  start: span.start.offset,
  end: span.end.offset,
});

export const identifier = (name: string, at: Span): t.Identifier =>
  ({ type: 'Identifier', name, start: at.start, end: at.end }) as t.Identifier;
