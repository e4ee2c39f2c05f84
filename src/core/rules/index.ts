/** The registry: every rule, the more specific before those that it reports in place of. */
import type { Linked } from '../link';
import type { Finding } from '../model/finding';
import { called } from './component/called';
import { unknownName } from './template/unknown-name';
import { keyClash } from './context/key-clash';
import { nativeClash } from './event/native-clash';
import { undeclared } from './event/undeclared';
import { inherits } from './component/inherits';
import { lowercase } from './component/lowercase';
import { unresolved } from './component/unresolved';
import { unused } from './component/unused';
import { noProvider } from './context/no-provider';
import { shadowed } from './context/shadowed';
import { contextUnread } from './context/unread';
import { contextTypeClash, unstableValue, wrongTime } from './context/values';
import { brokenPath } from './event/broken-path';
import { calledEarly } from './event/called-early';
import { halfPair } from './event/half-pair';
import { neverEmitted } from './event/never-emitted';
import { payloadClash } from './event/payload-clash';
import { relayed } from './event/relayed';
import { unguardedCall } from './event/unguarded-call';
import { unheard } from './event/unheard';
import { unknownEvent } from './event/unknown';
import { constant } from './prop/constant';
import { defaultClash } from './prop/default-clash';
import { nameClash } from './prop/name-clash';
import { drilled } from './prop/drilled';
import { missing } from './prop/missing';
import { neverPassed } from './prop/never-passed';
import { orphanAlias } from './prop/orphan-alias';
import { overwritten } from './prop/overwritten';
import { staleCopy } from './prop/stale-copy';
import { typeClash } from './prop/type-clash';
import { unknown } from './prop/unknown';
import { unread } from './prop/unread';
import { earlyRead, refUnread, unattached } from './ref/handle-use';
import { noTarget } from './portal/no-target';
import { outsideProviders } from './portal/outside-providers';
import { stateLost } from './portal/state-lost';
import { notForwarded } from './ref/not-forwarded';
import { reachThrough } from './ref/reach-through';
import { unknownMember } from './ref/unknown-member';
import { doubleContent } from './slot/double-content';
import { noOutlet } from './slot/no-outlet';
import { slotPropUnknown } from './slot/prop-unknown';
import { slotRelayed } from './slot/relayed';
import { unfilled } from './slot/unfilled';
import { slotUnknown } from './slot/unknown';
import { setupRace } from './state/setup-race';
import { twin } from './state/twin';
import { ruleContext, type Rule, type Settings } from './rule';
import { silence } from './silence';

export const RULES: readonly Rule[] = [
  calledEarly,
  lowercase,
  brokenPath,
  nativeClash,
  undeclared,
  slotUnknown,
  unfilled,
  missing,
  unknown,
  unknownEvent,
  payloadClash,
  typeClash,
  defaultClash,
  orphanAlias,
  overwritten,
  staleCopy,
  constant,
  nameClash,
  unread,
  neverPassed,
  drilled,
  unheard,
  neverEmitted,
  relayed,
  unguardedCall,
  halfPair,
  noOutlet,
  doubleContent,
  slotRelayed,
  slotPropUnknown,
  notForwarded,
  unknownMember,
  reachThrough,
  unattached,
  refUnread,
  earlyRead,
  outsideProviders,
  noProvider,
  contextUnread,
  shadowed,
  keyClash,
  contextTypeClash,
  unstableValue,
  wrongTime,
  unresolved,
  unknownName,
  unused,
  called,
  inherits,
  twin,
  setupRace,
  noTarget,
  stateLost,
];

/** Runs every rule. Findings come in the order of their places. */
export function runRules(
  project: Linked,
  settings: Settings,
  onProgress: (share: number) => void = () => {},
): Finding[] {
  const findings: Finding[] = [];
  let current = RULES[0]!;
  const context = ruleContext(project, settings, () => current, findings);
  for (const [index, rule] of RULES.entries()) {
    current = rule;
    rule.check(context);
    onProgress((index + 1) / RULES.length);
  }
  silence(project, findings);
  return findings.sort(
    (a, b) =>
      a.place.file - b.place.file ||
      a.place.start - b.place.start ||
      (a.rule < b.rule ? -1 : Number(a.rule > b.rule)),
  );
}

export { DEFAULT_SETTINGS, type Settings } from './rule';
