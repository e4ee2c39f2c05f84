/** Types as a person writes them, short. */
import type { TypeExpr, TypeParam } from '../model/types';

/** Text of a type; empty if nothing is known. Long unions and objects are cut. */
export function showType(type: TypeExpr | undefined, depth = 0): string {
  if (!type || depth > 3) return depth > 3 ? '…' : '';
  switch (type.t) {
    case 'unknown':
    case 'sym':
    case 'member':
    case 'elem':
    case 'ret':
    case 'carried':
    case 'filter':
      return '';
    case 'carrier':
      return `${type.name}<${showType(type.of, depth + 1) || 'unknown'}>`;
    case 'any':
      return 'any';
    case 'prim':
      return type.n;
    case 'lit':
      return typeof type.v === 'string' ? `'${type.v}'` : String(type.v);
    case 'content':
      return 'content';
    case 'handler':
      return 'handler';
    case 'wide':
      return showType(type.of, depth);
    case 'value':
      return `typeof ${type.name}`;
    case 'union':
    case 'all': {
      const shown = [...new Set(type.of.map((one) => bracketed(one, depth + 1)))];
      // Of one of several nothing is known, so that it may be anything.
      if (type.t === 'union' && shown.includes('')) return '';
      const parts = shown.filter(Boolean);
      const sign = type.t === 'union' ? ' | ' : ' & ';
      return parts.length > 6 ? `${parts.slice(0, 6).join(sign)}${sign}…` : parts.join(sign);
    }
    case 'array': {
      const of = showType(type.of, depth + 1) || 'unknown';
      return /[ |&]/.test(of) ? `(${of})[]` : `${of}[]`;
    }
    case 'tuple':
      return `[${type.of.map((one) => showType(one, depth + 1) || 'unknown').join(', ')}]`;
    case 'object': {
      const parts = type.members
        .slice(0, 4)
        .map((one) => `${one.name}${one.optional ? '?' : ''}: ${showType(one.type, depth + 1) || 'unknown'}`);
      if (type.members.length > 4) parts.push('…');
      if (type.index) parts.push(`[name]: ${showType(type.index, depth + 1) || 'unknown'}`);
      return parts.length ? `{ ${parts.join('; ')} }` : 'object';
    }
    case 'fn':
      return `(${type.params.map((one) => showParam(one, depth)).join(', ')}) => ${showType(type.returns, depth + 1) || 'unknown'}`;
    case 'merge': {
      const parts = type.of.map((one) => (one.t === 'object' ? showType(one, depth).slice(2, -2) : '…'));
      return `{ ${parts.filter(Boolean).join('; ')} }`;
    }
    case 'ref':
      return type.args?.length
        ? `${type.name}<${type.args.map((one) => showType(one, depth + 1) || 'unknown').join(', ')}>`
        : type.name;
  }
}

/** What a function gives back would go on into what stands beside it. */
function bracketed(type: TypeExpr, depth: number): string {
  const shown = showType(type, depth);
  return type.t === 'fn' ? `(${shown})` : shown;
}

function showParam({ name, type, optional }: TypeParam, depth: number): string {
  const shown = showType(type, depth + 1);
  return `${name || '_'}${optional ? '?' : ''}${shown ? `: ${shown}` : ''}`;
}
