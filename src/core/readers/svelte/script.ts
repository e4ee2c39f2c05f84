/** One script that mounts Svelte components, or names them in tables. */
import type * as t from '@babel/types';
import type { FileFacts } from '../../model/facts';
import { nameFromPath } from '../script/file-name';
import { parseScript } from '../script/parse';
import { memberName } from '../script/type-expr';
import { emptyFacts, spanOf } from '../script/unit';
import { eachChild } from '../script/walk';
import { svelteNames, svelteTraits } from './names';

/** Whether a script has to do with components of this file format. */
export const namesSvelte = (text: string): boolean =>
  /['"][^'"\n]+\.svelte['"]/.test(text) || /from\s*['"]svelte['"]/.test(text);

/** Adds to the facts of a script the components that it mounts: `mount(App, …)`, `new App({ target })`. */
export function addMounts(facts: FileFacts, text: string): FileFacts {
  const parsed = parseScript(facts.path, text);
  if ('problem' in parsed) return facts;
  const own = svelteNames(facts.imports);
  const ours = new Set(facts.imports.filter((one) => one.from.endsWith('.svelte')).map((one) => one.local));
  const component = emptyFacts(
    nameFromPath(facts.path),
    spanOf(parsed.program),
    { start: 0, end: 0 },
    svelteTraits(true),
  );
  component.role = 'module';
  const mounted: string[] = [];
  const look = (node: t.Node): void => {
    const call = node.type === 'CallExpression' || node.type === 'NewExpression' ? node : undefined;
    const callee = call && memberName(call.callee);
    const [first, second] = call?.arguments ?? [];
    const mounts = node.type === 'CallExpression' && /^(mount|hydrate)$/.test(own(callee ?? '') ?? '');
    const tag = mounts
      ? first
      : node.type === 'NewExpression' && ours.has(callee ?? '')
        ? node.callee
        : undefined;
    const name = tag && memberName(tag);
    if (call && tag && name !== undefined) {
      const options = mounts ? second : first;
      const at = options ? spanOf(options) : spanOf(call);
      component.render.push({
        kind: 'site',
        parent: -1,
        tag: { name, ...spanOf(tag) },
        mounted: spanOf(call),
        // Which props it is given is not read.
        attributes: [
          {
            name: '...',
            nameStart: at.start,
            nameEnd: at.end,
            mode: 'spread',
            value: { kind: 'computed', ...at },
            ...at,
          },
        ],
        ...spanOf(call),
      });
      mounted.push(name);
    }
    eachChild(node, look);
  };
  parsed.program.body.forEach(look);
  if (!component.render.length) return facts;
  return {
    ...facts,
    mounts: true,
    components: [...facts.components, component],
    mentions: facts.mentions.filter((name) => !mounted.includes(name)),
  };
}
