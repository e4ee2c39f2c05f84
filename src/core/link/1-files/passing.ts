/**
 * Modules that keep nothing themselves, and whose functions read or change what others keep: they matter where their imports
 * lead to something that is kept, or where something answers what they tell.
 */
import type { FileFacts } from '../../model/facts';
import type { Modules } from './modules';

/** The files without the loose code of modules that hand on nothing. */
export function withoutIdle(files: FileFacts[], modules: Modules): FileFacts[] {
  if (!files.some(handsOn)) return files;
  const reached = reaching(files, modules);
  return files.map((file, index) => {
    if (!handsOn(file) || reached.has(index)) return file;
    return { ...file, components: file.components.filter((one) => one.handsOn !== 'kept') };
  });
}

const handsOn = ({ components }: FileFacts): boolean => components.at(-1)?.handsOn === 'kept';

/** Whether a part of a store, or the state of a component, is worked out of what it is told. */
const answersTold = ({ answers = [], components }: FileFacts): boolean =>
  answers.some(({ key }) => key !== undefined) ||
  components.some(({ symbols }) => symbols.some(({ by }) => by !== undefined));

const tells = ({ components }: FileFacts): boolean => components.at(-1)?.tells === true;

const keeps = ({ components, store }: FileFacts): boolean =>
  store !== undefined ||
  components.some((one) => (one.role === 'module' || one.single) && one.handsOn !== 'kept');

/** The files in which something is kept, and those that lead there over functions or exports of others. */
function reaching(files: FileFacts[], modules: Modules): Set<number> {
  const users = new Map<number, number[]>();
  files.forEach((file, index) => {
    const from = [
      ...(handsOn(file) ? file.imports.filter((one) => !one.typeOnly) : []),
      ...file.exports.filter((one) => one.from !== undefined),
    ];
    for (const target of new Set(from.map((one) => modules.resolve(file.path, one.from!)))) {
      if (target === undefined) continue;
      const known = users.get(target);
      if (known) known.push(index);
      else users.set(target, [index]);
    }
  });
  const isAnswered = files.some(answersTold);
  const open = files.flatMap((file, index) => (keeps(file) || (isAnswered && tells(file)) ? [index] : []));
  const found = new Set(open);
  for (let at = open.pop(); at !== undefined; at = open.pop())
    for (const user of users.get(at) ?? [])
      if (!found.has(user)) {
        found.add(user);
        open.push(user);
      }
  return found;
}
