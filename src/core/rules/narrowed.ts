/** Whether more may be known of a value where it is handed over than its type says. */
import type { ExprFact } from '../model/facts';
import type { Component } from '../model/project';

/** A condition or a call may have told more about the value than its type says. */
export function mayBeNarrowed({ facts }: Component, value: ExprFact): boolean {
  if (value.symbol === undefined)
    return (
      value.kind !== 'literal' && value.kind !== 'object' && value.kind !== 'array' && !isConstant(value)
    );
  return facts.reads.some(
    (read) => read.symbol === value.symbol && (read.where === 'condition' || read.where === 'argument'),
  );
}

/** A value of a module, by its name. */
const isConstant = ({ kind, component }: ExprFact): boolean =>
  kind === 'computed' && component !== undefined && !component.includes('.');
