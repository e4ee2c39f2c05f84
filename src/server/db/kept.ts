/**
 * Text as a database can hold it. Neither a NUL nor half of a surrogate pair can be kept as text or in JSON there: each
 * is written as a sign of its own with its number, and comes back as it was.
 */
const SIGN = '\ue000';
const NO_TEXT = /\0|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/;
const ODD = /[\0\ue000]|[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;
const ODD_JSON = /\\u0000|\\u[dD][89a-fA-F]|\ue000/;

/** Whether a text has what a database cannot hold. */
export const isOdd = (text: string): boolean => NO_TEXT.test(text);

export const keptText = (text: string): string =>
  text.replace(ODD, (one) => SIGN + one.charCodeAt(0).toString(16).padStart(4, '0'));

export const textKept = (kept: string): string =>
  kept.includes(SIGN)
    ? kept.replace(/\ue000([0-9a-f]{4})/g, (_, code: string) => String.fromCharCode(parseInt(code, 16)))
    : kept;

/** A value as JSON that a database can hold. */
export function keptJson(value: unknown): string {
  const json = JSON.stringify(value);
  if (!ODD_JSON.test(json)) return json;
  return JSON.stringify(value, (_, one: unknown) => (typeof one === 'string' ? keptText(one) : one));
}

/** A value that came out of the database as JSON, as it was before. */
export function jsonKept<T>(value: T): T {
  if (typeof value === 'string') return textKept(value) as T;
  if (Array.isArray(value)) return value.map((one: unknown) => jsonKept(one)) as T;
  if (value === null || typeof value !== 'object') return value;
  return Object.fromEntries(Object.entries(value).map(([key, one]) => [key, jsonKept(one as unknown)])) as T;
}
