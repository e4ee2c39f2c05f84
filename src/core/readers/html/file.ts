/** Pages: which ids they have, and whether they load scripts. */
import type { DefaultTreeAdapterMap } from 'parse5';
import { htmlParser } from '../on-demand';
import type { FileFacts } from '../../model/facts';
import { emptyFile } from '../file';

type Node = DefaultTreeAdapterMap['node'];

/** Reads a page. What the HTML standard does not allow is read as a browser would. */
export function readPage(path: string, text: string): FileFacts {
  const ids = new Set<string>();
  let page = false;
  const pending: Node[] = [htmlParser().parse(text)];
  for (let node = pending.pop(); node; node = pending.pop()) {
    if ('attrs' in node) {
      for (const { name, value } of node.attrs) if (name === 'id' && value) ids.add(value);
      if (node.nodeName === 'script') page = true;
    }
    if ('content' in node) pending.push(node.content);
    if ('childNodes' in node) pending.push(...node.childNodes);
  }
  return { ...emptyFile(path), language: 'html', ids: [...ids], ...(page ? { page } : {}) };
}
