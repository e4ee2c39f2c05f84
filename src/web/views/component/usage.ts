/** Columns and rows of the usage table. */
import type { ComponentView, SiteView } from '../../../api/component-schemas';
import { groupBy } from '../../parts/group-by';
import { isLoose } from '../../parts/joinWords';

export interface Columns {
  /** Ports that call sites hand over in different ways, those that most hand over first. */
  columns: string[];
  /** Ports that all call sites hand over in the same way, with what is written there. */
  always: { name: string; text: string }[];
  /** Ports that no call site passes. */
  never: string[];
}

const textOf = (site: SiteView, name: string): string | undefined => {
  const cell = site.cells[name];
  return cell && !isLoose(cell.how) ? cell.text : undefined;
};

/** Which ports tell one call site from the next, and which are the same everywhere. */
export function usageColumns(view: ComponentView): Columns {
  const found: Columns = { columns: [], always: [], never: [] };
  for (const name of [...view.ports.map((port) => port.name), ...view.strays]) {
    const used = view.sites.some((site) => site.cells[name]);
    const [first] = view.sites;
    const text = first && textOf(first, name);
    if (!used) found.never.push(name);
    else if (view.sites.length > 1 && text && view.sites.every((site) => textOf(site, name) === text))
      found.always.push({ name, text });
    else found.columns.push(name);
  }
  const uses = new Map(
    found.columns.map((name) => [name, view.sites.filter((site) => site.cells[name]?.text).length]),
  );
  // What hardly any call site passes stands last: the table is read from the left.
  found.columns.sort((a, b) => uses.get(b)! - uses.get(a)!);
  return found;
}

const isTelling = (site: SiteView): boolean =>
  Object.values(site.cells).some((cell) => cell.odd || isLoose(cell.how));

/** A call site, or the first of several that hand over the same; the others are shown where it is opened. */
export interface UsageRow {
  site: SiteView;
  /** How many others hand over the very same, where these are folded or shown below it. */
  alike: number;
  isOpen?: boolean;
}

/** So many call sites that are alike are folded into one row. */
const LEAST_ALIKE = 3;

/**
 * Call sites, odd ones first, those of tests and examples last; or sorted by what they hand over under one name. Those
 * that hand over the same stand together; `opened` has the first of those that are shown one by one.
 */
export function usageRows(
  view: ComponentView,
  { by = '', oddOnly = false, columns }: { by?: string; oddOnly?: boolean; columns: string[] },
  opened: ReadonlySet<number> = new Set(),
): UsageRow[] {
  const sites = oddOnly ? view.sites.filter(isTelling) : [...view.sites];
  const rank = (site: SiteView): number => (site.aside ? 2 : 0) + (isTelling(site) ? 0 : 1);
  const key = (site: SiteView) => site.cells[by]?.text || '\uffff';
  sites.sort((a, b) => (by ? key(a).localeCompare(key(b)) : rank(a) - rank(b)) || a.at - b.at);
  const groups = groupBy(sites, (site) =>
    JSON.stringify([
      site.aside,
      isTelling(site) && site.at,
      columns.map((name) => [site.cells[name]?.text, site.cells[name]?.how]),
    ]),
  );
  return [...groups.values()].flatMap((group): UsageRow[] => {
    const [first, ...others] = group;
    if (group.length < LEAST_ALIKE) return group.map((site) => ({ site, alike: 0 }));
    const isOpen = opened.has(first!.at);
    return [
      { site: first!, alike: others.length, isOpen },
      ...(isOpen ? others.map((site) => ({ site, alike: 0 })) : []),
    ];
  });
}
