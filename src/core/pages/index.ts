/** The page of every rule: the source of what the workbench, the command line and the documentation say about it. */
import { CONTEXT_PAGES } from './context';
import { EVENT_PAGES } from './event';
import type { RulePage, RulePages } from './page';
import { PROP_PAGES } from './prop';
import { REF_PAGES } from './ref';
import { OTHER_PAGES } from './rest';
import { SLOT_PAGES } from './slot';

const PAGES: RulePages = {
  ...PROP_PAGES,
  ...EVENT_PAGES,
  ...CONTEXT_PAGES,
  ...SLOT_PAGES,
  ...REF_PAGES,
  ...OTHER_PAGES,
};

/** The page of a rule by its name; undefined if there is no such rule. */
export const pageOf = (rule: string): RulePage | undefined =>
  Object.hasOwn(PAGES, rule) ? PAGES[rule] : undefined;
