/** Arms of conditions: each is the text of the condition, or its place, with the side after a `#`. */

/** Marks arms that are made anew whenever they come again, whatever stands in the others. */
export const REBUILT = '!';

/** The condition of which two lists of arms name different sides: what stands in them never shows at once. */
export function conditionBetween(one: string[], other: string[]): string | undefined {
  const sides = new Map(other.map((arm) => [conditionOf(arm), arm]));
  for (const arm of one) {
    const condition = conditionOf(arm);
    const against = sides.get(condition);
    if (against !== undefined && against !== arm) return condition;
  }
  return undefined;
}

const conditionOf = (arm: string): string => arm.slice(0, arm.lastIndexOf('#'));
