/** The code of both sides, from the line on that each stands at. */
import type { Spot } from '../../../api/schemas';
import { Code } from '../../parts/Code';

/** Lines of a component are shown so far, those around a call site so far. */
const OF_COMPONENT = { before: 0, after: 60 };
const OF_SITE = { before: 3, after: 12 };

interface SourcesProps {
  project: string;
  spots: [one: Spot, other: Spot];
  /** Call sites, in the middle of what is shown; otherwise components, at its start. */
  sites?: boolean;
}

export function Sources({ project, spots, sites = false }: SourcesProps) {
  const { before, after } = sites ? OF_SITE : OF_COMPONENT;
  return (
    <section aria-label="Code" className="mt-4 grid grid-cols-2 gap-x-6">
      {spots.map((spot, i) => (
        <div key={i} className="max-h-[34rem] min-w-0 overflow-auto bg-sheet py-1">
          <Code
            project={project}
            path={spot.file}
            from={spot.line - before}
            to={spot.line + after}
            marks={[spot]}
          />
        </div>
      ))}
    </section>
  );
}
