/** Where an audit found nothing to draw: says what was looked at, and what was passed over. */
import type { AuditSummary } from '../../api/schemas';
import { count } from './count';
import { Empty } from './states';

export function NoComponents({ audit }: { audit: AuditSummary }) {
  return (
    <Empty>
      No component was found in {count(audit.files, 'file')}. {whyEmpty(audit)}
      {audit.problems.map((problem) => (
        <p key={problem.file} className="mt-2 text-error">
          {problem.file}:{problem.line} was not understood: {problem.message}
        </p>
      ))}
    </Empty>
  );
}

function whyEmpty({ files, skipped }: AuditSummary): string {
  if (files > 0) return 'None of them draws anything in a language that is read here.';
  const [first] = skipped;
  return first
    ? `Left out: ${skipped
        .slice(0, 5)
        .map((one) => `${one.path} (${one.reason})`)
        .join(', ')}.`
    : 'The folder holds no source in a language that is read here; folders of builds and of packages are not read.';
}
