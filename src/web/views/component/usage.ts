/** Columns and rows of the usage table. */
import type { ComponentView, SiteView } from '../../../api/component-schemas';
import { isLoose } from '../../parts/joinWords';

/** Ports that some call site has to do with, and those that none passes. */
export function usageColumns(view: ComponentView): { columns: string[]; never: string[] } {
  const names = [...view.ports.map((port) => port.name), ...view.strays];
  const used = (name: string) =>
    view.sites.some((site) => {
      const cell = site.cells[name];
      return cell !== undefined && cell.how !== 'default';
    });
  return { columns: names.filter(used), never: names.filter((name) => !used(name)) };
}

const isTelling = (site: SiteView): boolean =>
  Object.values(site.cells).some((cell) => cell.odd || isLoose(cell.how));

/** Call sites, sorted by what they hand over under one name; those without it come last. */
export function usageRows(view: ComponentView, by: string, oddOnly: boolean): SiteView[] {
  const rows = oddOnly ? view.sites.filter(isTelling) : [...view.sites];
  if (!by) return rows;
  const key = (site: SiteView) => site.cells[by]?.text || '\uffff';
  return rows.sort((a, b) => key(a).localeCompare(key(b)) || a.at - b.at);
}
