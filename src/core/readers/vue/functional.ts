/** Components that are functions: `(props, { slots, emit }) => …`, with what they declare beside them. */
import type * as t from '@babel/types';
import { placeGiven, place, shownBy } from '../script/placing';
import { declareBag } from '../script/patterns';
import { annotationOf, readType, typeArguments } from '../script/type-expr';
import { emptyFacts, SETUP, spanOf, use } from '../script/unit';
import { staticMembers } from '../script/values';
import { closeUnit } from './close';
import { declareEmits } from './emits';
import { openUnit, type VueFile } from './file-facts';
import { VUE_TRAITS } from './names';
import { readContext } from './options/setup';
import { declareProps } from './props';

/** Reads a function that draws and is named like a component. */
export function readFunctional(vue: VueFile, fn: t.Function, id: t.Identifier): void {
  // There is no instance that a handle could hold.
  const traits = { ...VUE_TRAITS, refExposes: 'nothing' as const };
  const component = emptyFacts(id.name, spanOf(fn), spanOf(id), traits);
  vue.facts.components.push(component);
  const u = openUnit(vue, component, fn);
  const statics = new Map(
    staticMembers(vue.program)
      .filter(({ owner }) => owner === id.name)
      .map(({ member, value }) => [member, value]),
  );
  const [props, context] = fn.params;
  const given = props?.type === 'AssignmentPattern' ? props.left : props;
  const type = annotationOf(given) ?? typeArguments(annotationOf(id) ?? fn)[0];
  const declared = statics.get('props');
  // What is declared beside it says what tags must give; the type only says what arrives.
  if (declared) declareProps(u, declared);
  else if (type) component.propsType = readType(type, vue.file.named);
  // Whatever tags write arrives, where nothing says what it takes.
  else component.openProps = true;
  const emits = statics.get('emits');
  if (emits) declareEmits(u, emits);
  else component.openEmits = true;
  if (given) declareBag(u, given, SETUP);
  if (context) readContext(u, context);
  if (fn.body.type === 'BlockStatement') u.statements(fn.body.body, SETUP);
  else {
    const body = use(u, u.expr(fn.body, SETUP), SETUP, 'text');
    place(u, shownBy(u, body), 0);
    placeGiven(u, body);
  }
  closeUnit(vue, u);
}
