/**
 * Characters that a terminal acts on, or that change the order in which text is shown: names of audited code may hold
 * them, and are never printed raw.
 */
const ACTING =
  /[\0-\x08\x0a-\x1f\x7f-\x9f\u2028\u2029\u200e\u200f\u202a-\u202e\u2066-\u2069]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** A text on one line, in which such characters are written by their number. */
export const plain = (text: string): string =>
  text.replace(ACTING, (one) => `\\u${one.charCodeAt(0).toString(16).padStart(4, '0')}`);
