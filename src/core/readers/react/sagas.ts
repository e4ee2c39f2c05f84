/**
 * Functions that run when something is told, by the public interface of the package that runs them:
 * `takeEvery(LOAD, load)`.
 */
import type * as t from '@babel/types';
import type { AnswerFact, ImportFact } from '../../model/facts';
import { constantKey } from '../script/keys';
import { memberName } from '../script/type-expr';
import { unwrap } from '../script/unit';
import { eachChild } from '../script/walk';

/** By name, whether a time stands before the key. */
const WAITS: Record<string, boolean> = {
  takeEvery: false,
  takeLatest: false,
  takeLeading: false,
  throttle: true,
  debounce: true,
};

/** What answers keys in a file: functions of it, or that it imports. */
export function sagaAnswers(program: t.Program, imports: ImportFact[]): AnswerFact[] {
  const waits = new Map(
    imports.flatMap(({ from, name, local }) =>
      /^redux-saga(\/|$)|^typed-redux-saga/.test(from) && name in WAITS
        ? [[local, WAITS[name]!] as const]
        : [],
    ),
  );
  const found: AnswerFact[] = [];
  const look = (node: t.Node): void => {
    const isLate = node.type === 'CallExpression' ? waits.get(memberName(node.callee) ?? '') : undefined;
    if (isLate !== undefined) {
      const [told, worker] = (node as t.CallExpression).arguments.slice(isLate ? 1 : 0);
      const keys = told && unwrap(told);
      const does = worker && memberName(unwrap(worker));
      for (const one of keys?.type === 'ArrayExpression' ? keys.elements : [keys]) {
        const key = constantKey(one);
        if (key !== undefined && does !== undefined) found.push({ key, does });
      }
    }
    eachChild(node, look);
  };
  if (waits.size) look(program);
  return found;
}
