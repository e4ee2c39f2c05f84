/** What is known of a component while it is read, beside what every unit keeps. */
import type * as t from '@babel/types';
import type { ComponentFacts, FileFacts, Span } from '../../model/facts';
import type { MarkupDialect } from '../script/jsx';
import { newUnit } from '../script/new-unit';
import type { OwnUnit } from '../script/own';
import type { Scopes } from '../script/scope';
import type { Dialect, FileContext } from '../script/unit';
import type { StencilNames } from './names';

/** What all units of a file share. */
export interface StencilFile {
  file: FileContext;
  facts: FileFacts;
  program: t.Program;
  scopes: Scopes;
  names: StencilNames;
  dialect: Dialect;
  markup: MarkupDialect;
}

export interface StencilUnit extends OwnUnit {
  stencil: StencilFile;
  /** Nodes with a text, or something that is no markup, in them. */
  textual: Set<number>;
  /** Slots that tags name for themselves. */
  slots: Map<number, { name: string; at: Span }>;
  /** Members that tags put handles into. */
  handles: Set<string>;
  /** Members that only the class itself may use. */
  methods: Set<string>;
}

export const stencilUnit = (stencil: StencilFile, facts: ComponentFacts, node: t.Node): StencilUnit =>
  Object.assign(newUnit(facts, node, stencil.dialect, stencil.file, stencil.markup), {
    stencil,
    textual: new Set<number>(),
    slots: new Map<number, { name: string; at: Span }>(),
    handles: new Set<string>(),
    methods: new Set<string>(),
  });

export const isStencilUnit = (u: object): u is StencilUnit => 'stencil' in u;
