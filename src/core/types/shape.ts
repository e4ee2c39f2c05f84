/** Resolved types: what a type expression turns out to be, one level deep. */
import type { Primitive } from '../model/types';
import type { Lazy } from '../model/project';

export type Shape =
  | { k: 'unknown' }
  | { k: 'prim'; n: Primitive; loose?: boolean }
  | { k: 'lit'; v: string | number | boolean | null | undefined }
  | { k: 'union'; of: Shape[] }
  /** parts: of a tuple; each: what is written in it. */
  | { k: 'array'; of: Lazy; parts?: Lazy[]; each?: Lazy[] }
  | ObjectShape
  | {
      k: 'fn';
      params: { name: string; type: Lazy; optional: boolean; rest: boolean }[];
      returns: Lazy;
      method?: true;
    }
  | { k: 'content' }
  | { k: 'handler' };

export interface ObjectShape {
  k: 'object';
  members: Map<string, ShapeMember>;
  index?: Lazy;
  /** It is written out: no other member is there. */
  exact?: true;
  /** Members beyond these may exist, or be asked for. */
  open: boolean;
  /** open: they may exist, and none is asked for. */
  lax?: true;
}

export interface ShapeMember {
  type: Lazy;
  optional: boolean;
  /** Where the name is written. */
  file: number;
  start: number;
  end: number;
  /** Number of the named type in which it is written, so that shared types are known. */
  owner: string;
}

export const UNKNOWN_SHAPE: Shape = { k: 'unknown' };
