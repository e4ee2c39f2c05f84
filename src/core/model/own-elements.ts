/** Elements that a project defines: their tags and attributes, as any markup of the page writes them. */
import type { Spelling } from './code';
import { pascal } from './names';

/** Names with a dash, as elements of one's own must have. */
export const isOwnTag = (tag: string): boolean => /^[a-z][\w.]*-[\w.-]*$/.test(tag);

/** The name under which the project knows the element of a tag. */
export const elementName = (tag: string): string | undefined => (isOwnTag(tag) ? pascal(tag) : undefined);

/** Attributes have dashes where the names of props have capitals: `wind-speed`, `windSpeed`. */
export const propOf = (attribute: string): string =>
  /^(data|aria)-/.test(attribute)
    ? attribute
    : attribute.replace(/-(\w)/g, (_, letter: string) => letter.toUpperCase());

/** A port's name, without a mark, as an attribute of such a spelling writes it. */
export function spelledAs(name: string, spelling: Spelling | undefined): string {
  if (spelling === 'dashed') return name.replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);
  return spelling === 'listener' ? `on${name.charAt(0).toUpperCase()}${name.slice(1)}` : name;
}
