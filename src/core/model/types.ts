/**
 * Types as they are written, not yet resolved. A reader makes them from annotations and expressions; names
 * and symbols in them are looked up when files are linked.
 */
export type TypeExpr =
  | { t: 'unknown' }
  | { t: 'any' }
  /** loose: widened from a literal, so that a narrower literal type may have been meant. */
  | { t: 'prim'; n: Primitive; loose?: boolean }
  | { t: 'lit'; v: string | number | boolean | null | undefined }
  | { t: 'union'; of: TypeExpr[] }
  | { t: 'all'; of: TypeExpr[] }
  /** An object that takes over others, by spreads: what comes later counts. */
  | { t: 'merge'; of: TypeExpr[] }
  /** each: what is written in it, one by one. */
  | { t: 'array'; of: TypeExpr; each?: TypeExpr[] }
  | { t: 'tuple'; of: TypeExpr[]; open?: boolean }
  /**
   * open: others may be there, or asked for; `lax`: of an open one, none is asked for. exact: it is written out, so that no
   * other member is there.
   */
  | {
      t: 'object';
      members: TypeMember[];
      index?: TypeExpr;
      open?: boolean;
      lax?: true;
      fresh?: boolean;
      exact?: true;
    }
  /** method: a checker compares its parameters both ways. */
  | { t: 'fn'; params: TypeParam[]; returns: TypeExpr; method?: true }
  | { t: 'content' }
  /** The framework's own event handler type. */
  | { t: 'handler' }
  /** A named type in the scope of the file, with arguments. */
  | { t: 'ref'; name: string; args?: TypeExpr[] }
  /** The type of a component's symbol. */
  | { t: 'sym'; s: number }
  /** The type of a module-level value, by its name in the file. */
  | { t: 'value'; name: string }
  | { t: 'member'; of: TypeExpr; name: string }
  | { t: 'elem'; of: TypeExpr }
  /** What a function gives back; `orSelf`: what is none is meant itself. */
  | { t: 'ret'; of: TypeExpr; orSelf?: true }
  /**
   * Something that hands over values later, or one after the other: a stream, by the name of what it is. keeps: whoever comes
   * later gets the last one, too.
   */
  | { t: 'carrier'; name: string; of: TypeExpr; keeps?: true }
  /** What a carrier hands over. */
  | { t: 'carried'; of: TypeExpr }
  /** What a variable keeps of what something else was first given: of `const none = -1`, a number. */
  | { t: 'wide'; of: TypeExpr }
  /** The function that a name means which the markup of a component applies to values. */
  | { t: 'filter'; name: string };

export type Primitive =
  'string' | 'number' | 'boolean' | 'bigint' | 'symbol' | 'object' | 'void' | 'never' | 'null' | 'undefined';

export interface TypeMember {
  name: string;
  type: TypeExpr;
  optional?: boolean;
  /** Where the name is written, in the file that declares the type. */
  start: number;
  end: number;
}

export interface TypeParam {
  name: string;
  type: TypeExpr;
  optional?: boolean;
  rest?: boolean;
}

/** A named type: alias, interface, enum, or the instance side of a class. */
export interface TypeDecl {
  name: string;
  kind: 'alias' | 'interface' | 'enum' | 'class';
  params: string[];
  /** Base types of an interface or class. */
  bases: TypeExpr[];
  body: TypeExpr;
}

export const UNKNOWN: TypeExpr = { t: 'unknown' };
export const prim = (n: Primitive): TypeExpr => ({ t: 'prim', n });
export const lit = (v: string | number | boolean | null | undefined): TypeExpr => ({ t: 'lit', v });

/** The union of types, flat; one type alone is returned as it is. */
export function union(of: TypeExpr[]): TypeExpr {
  const flat = of.flatMap((one) => (one.t === 'union' ? one.of : [one]));
  return flat.length === 1 ? flat[0]! : { t: 'union', of: flat };
}

/** What a variable keeps of an initial value's type: `let n = 1` is a number. */
export function widen(type: TypeExpr): TypeExpr {
  if (type.t === 'lit') {
    if (type.v === null || type.v === undefined) return UNKNOWN;
    return { t: 'prim', n: typeof type.v as 'string' | 'number' | 'boolean', loose: true };
  }
  if (type.t === 'value' || type.t === 'sym') return { t: 'wide', of: type };
  if (type.t === 'union') return union(type.of.map(widen));
  if (type.t === 'array')
    return { t: 'array', of: widen(type.of), ...(type.each ? { each: type.each.map(widen) } : {}) };
  if (type.t === 'merge') return { t: 'merge', of: type.of.map(widen) };
  if (type.t === 'object') {
    return {
      ...type,
      fresh: false,
      members: type.members.map((member) => ({ ...member, type: widen(member.type) })),
    };
  }
  return type;
}
