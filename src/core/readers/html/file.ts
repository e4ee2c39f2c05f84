/** Pages: which ids they have, whether they load scripts, and what they do with elements of the project. */
import type { FileFacts } from '../../model/facts';
import { type ReadPart, UnitParts } from '../../model/parts';
import { emptyFile } from '../file';
import { isOwnTag } from '../../model/own-elements';
import { readComponentsOf } from './page';
import { readTags } from './tags';

/** Reads a page. What the HTML standard does not allow is read as a browser would. */
export function readPage(path: string, text: string, readPart: ReadPart): FileFacts {
  const found = readTags(text);
  const ids = new Set<string>();
  for (const { attributes } of found.tags)
    for (const { name, value } of attributes) if (name === 'id' && value) ids.add(value);
  const facts: FileFacts = { ...emptyFile(path), language: 'html', ids: [...ids] };
  if (found.tags.some((one) => one.name === 'script')) facts.page = true;
  if (found.tags.some((one) => isOwnTag(one.name)))
    readComponentsOf(facts, found, text, new UnitParts(text, readPart));
  return facts;
}
