/** How many findings each rule, folder and component has; each count narrows the list. */
import { useSearchParams } from 'react-router';
import type { FindingRow } from '../../../api/schemas';
import { useAddress } from '../../address';
import { levelTone } from '../../parts/level';
import { countBy, type Facet, type FacetValue, type FindingFilter, foldersOf, matches } from './list';

/** So many values are listed at first. */
const FEW = 8;

const TITLES: Record<Facet, string> = { rule: 'Rules', folder: 'Folders', component: 'Components' };

export function Facets({ findings, filter }: { findings: FindingRow[]; filter: FindingFilter }) {
  const passing = (facet: Facet) => findings.filter((one) => matches(one, filter, facet));
  const inFolders = passing('folder');
  return (
    <nav aria-label="Counts" className="flex flex-col gap-4 overflow-y-auto border-r border-line px-4 py-3">
      <Values facet="rule" values={countBy(passing('rule'), (one) => one.rule)} />
      <Values facet="folder" values={countBy(inFolders, foldersOf(inFolders))} />
      <Values facet="component" values={countBy(passing('component'), (one) => one.component)} />
    </nav>
  );
}

function Values({ facet, values }: { facet: Facet; values: FacetValue[] }) {
  const [search] = useSearchParams();
  const change = useAddress();
  const chosen = search.get(facet) ?? '';
  const all = search.getAll('all').includes(facet);
  const listed = all ? values : values.slice(0, FEW);
  const set = (value: string) =>
    change((next) => {
      next.delete('finding');
      if (value === chosen) next.delete(facet);
      else next.set(facet, value);
    });
  const known = !chosen || listed.some(({ value }) => value === chosen);
  return (
    <section aria-label={TITLES[facet]}>
      <h2 className="mb-1 text-soft">{TITLES[facet]}</h2>
      <ul>
        {!known && <Value value={chosen} on onSet={set} />}
        {listed.map((one) => (
          <Value key={one.value} {...one} on={one.value === chosen} onSet={set} />
        ))}
      </ul>
      {values.length > FEW && (
        <button
          type="button"
          className="text-soft underline"
          onClick={() => change((next) => (all ? next.delete('all', facet) : next.append('all', facet)))}
        >
          {all ? 'fewer' : `${values.length - FEW} more`}
        </button>
      )}
    </section>
  );
}

interface ValueProps extends Partial<FacetValue> {
  value: string;
  on: boolean;
  onSet(value: string): void;
}

function Value({ value, count, level, on, onSet }: ValueProps) {
  return (
    <li>
      <button
        type="button"
        aria-pressed={on}
        title={value}
        className={`-mx-1.5 flex w-[calc(100%+0.75rem)] items-baseline justify-between gap-2 px-1.5 ${on ? 'bg-chosen font-medium' : 'hover:bg-hover'}`}
        onClick={() => onSet(value)}
      >
        {/* The end of a path tells more than its beginning. */}
        <span className="truncate" style={{ direction: 'rtl' }}>
          <bdi>{value.split('>').at(-1)}</bdi>
        </span>
        <span className={`tabular-nums ${level ? levelTone(level) : 'text-faint'}`}>{on ? '×' : count}</span>
      </button>
    </li>
  );
}
