/** The ordered places that prove a finding. */
import type { Finding } from '../../api/schemas';
import { Excerpt } from './Code';

export function Trail({ project, finding }: { project: string; finding: Finding }) {
  return (
    <ol>
      {finding.trail.map((step, index) => (
        <li key={index} className="border-l-2 border-line-strong py-1.5 pl-4">
          <p>
            <span className="font-medium">{step.component}</span> <span className="code">{step.name}</span>{' '}
            <span className="text-soft">{step.what}</span>
          </p>
          <p className="text-faint">
            {step.file}:{step.line}
          </p>
          <Excerpt project={project} spots={[step]} />
        </li>
      ))}
    </ol>
  );
}
