/** The ordered places that prove a finding. */
import type { Finding } from '../../api/schemas';
import { Excerpt } from './Code';
import { Place } from './Place';

interface TrailProps {
  project: string;
  root?: string | undefined;
  finding: Finding;
}

export function Trail({ project, root, finding }: TrailProps) {
  return (
    <ol>
      {finding.trail.map((step, index) => (
        <li key={index} className="border-l-2 border-line-strong py-1.5 pl-4">
          <p>
            <span className="font-medium">{step.component}</span> <span className="code">{step.name}</span>{' '}
            <span className="text-soft">{step.what}</span>
          </p>
          <Place root={root} file={step.file} line={step.line} column={step.column} />
          <Excerpt project={project} spots={[step]} />
        </li>
      ))}
    </ol>
  );
}
