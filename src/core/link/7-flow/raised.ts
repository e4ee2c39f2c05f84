/**
 * An event is two things: that it is raised, and what it is raised with. Both are members of what its node holds, so
 * that a value handed along is followed into what is made of it, and not into all that happens beside it. The same holds
 * for a function that is called through a handle.
 */

/** That something is called. */
export const RAISED = '(raised)';

/** What it is called with, by the place of the argument. */
export const given = (index: number): string => `(${index})`;

/** Whether a path leads into what something is called with. */
export const leadsToGiven = (path: readonly string[] = []): boolean =>
  path.some((one) => /^\(\d+\)$/.test(one));
