/** Calls that put an app into a place of the page. */
import type * as t from '@babel/types';
import { memberName } from '../script/type-expr';
import { type Call, unwrap } from '../script/unit';
import type { VueNames } from './names';

/** `createApp(App).mount('#app')`, and the same of an app that a constant holds. */
export function isMounting({ names }: { names: VueNames }, { callee }: Call): boolean {
  if (callee.type !== 'MemberExpression' || callee.property.type !== 'Identifier') return false;
  if (!/^\$?mount$/.test(callee.property.name)) return false;
  return isApp(names, callee.object);
}

/** An app: what `createApp` gives, also by a constant that holds it. */
export function isApp(names: VueNames, node: t.Node): boolean {
  let made = unwrap(node);
  if (
    made.type === 'Identifier' &&
    made.binding?.node.type === 'VariableDeclarator' &&
    made.binding.node.init
  )
    made = unwrap(made.binding.node.init);
  // `createApp(App).use(router)` gives the app.
  while (made.type === 'CallExpression' && made.callee.type === 'MemberExpression')
    made = unwrap(made.callee.object);
  return /^(createApp|createSSRApp)$/.test(names.call(made) ?? '') || isInstance(made);
}

const isInstance = (node: t.Node): boolean =>
  node.type === 'NewExpression' && memberName(node.callee) === 'Vue';
