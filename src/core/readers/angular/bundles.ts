/** Classes that bring components into scope together. */
import type * as t from '@babel/types';
import type { BundleFact, ScopeFact } from '../../model/facts';
import { memberName } from '../script/type-expr';
import { unwrap } from '../script/unit';
import { type Decorated, listed, metadata, type Metadata } from '../script/decorators';
import { tableOf } from './routes';
import type { AngularFile } from './unit';

/** The names in a list of what comes into scope; calls give what they are called on: `RouterModule.forRoot(routes)`. */
export function scopeOf(node: t.Node | undefined): ScopeFact {
  const names: string[] = [];
  let open = false;
  for (const item of listed(node).items) {
    const bare = unwrap(item);
    const callee = bare.type === 'CallExpression' ? unwrap(bare.callee) : undefined;
    const forward = callee?.type === 'Identifier' && callee.name === 'forwardRef' ? bare : undefined;
    const body =
      forward?.type === 'CallExpression' && forward.arguments[0]?.type === 'ArrowFunctionExpression'
        ? forward.arguments[0].body
        : undefined;
    const name = memberName(body ?? (callee?.type === 'MemberExpression' ? callee.object : (callee ?? bare)));
    if (name === undefined) open = true;
    else names.push(name);
  }
  return { names, ...(open ? { open } : {}) };
}

/** What markup may use beside what is brought into its scope: `schemas: [CUSTOM_ELEMENTS_SCHEMA]`. */
export function allowedBy(options: Metadata): Pick<ScopeFact, 'open' | 'custom'> {
  const { items } = listed(options.get('schemas'));
  const isCustom = items.every((one) => memberName(unwrap(one)) === 'CUSTOM_ELEMENTS_SCHEMA');
  if (options.open || !isCustom) return { open: true };
  return items.length ? { custom: true } : {};
}

export function readBundle(_angular: AngularFile, name: string, { args }: Decorated): BundleFact {
  const options = metadata(args[0]);
  const open = options.open ? { open: true } : {};
  const table = tableOf(options.get('imports'));
  return {
    name,
    declares: { ...scopeOf(options.get('declarations')), ...allowedBy(options) },
    takes: { ...scopeOf(options.get('imports')), ...open },
    gives: { ...scopeOf(options.get('exports')), ...open },
    ...(table === undefined ? {} : { table }),
  };
}
