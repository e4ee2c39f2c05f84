/** What was found in a component: each sentence once, with the lines that it is said of. */
import { useState } from 'react';
import { Link } from 'react-router';
import type { FindingRow } from '../../../api/schemas';
import { links } from '../../links';
import { LevelWord } from '../../parts/level';
import { saidOf } from '../findings/list';

/** So many sentences are shown at first, and so many lines of each. */
const FEW = 8;
const FEW_PLACES = 6;

export function Found({ project, findings }: { project: string; findings: FindingRow[] }) {
  const [all, setAll] = useState(false);
  const said = saidOf(findings);
  const shown = all ? said : said.slice(0, FEW);
  if (!said.length) return null;
  return (
    <section className="mt-2" aria-label="Findings">
      <ul>
        {shown.map((one) => (
          <li key={one.message} className="flex flex-wrap items-baseline gap-x-3">
            <span className="min-w-0">
              <LevelWord level={one.level} />{' '}
              <Link className="hover:underline" to={links.finding(project, one.findings[0]!.fingerprint)}>
                {one.message}
              </Link>
            </span>
            <Lines project={project} findings={one.findings} />
          </li>
        ))}
      </ul>
      {shown.length < said.length && (
        <button type="button" className="underline" onClick={() => setAll(true)}>
          {said.length - shown.length} more
        </button>
      )}
    </section>
  );
}

/** The lines of some findings, the file named where it is another than before; each a link to its finding. */
function Lines({ project, findings }: { project: string; findings: FindingRow[] }) {
  return (
    <span className="flex flex-wrap gap-x-2 text-faint">
      {findings.slice(0, FEW_PLACES).map(({ fingerprint, place }, index) => (
        <Link key={fingerprint} className="hover:underline" to={links.finding(project, fingerprint)}>
          {place.file === findings[index - 1]?.place.file ? '' : place.file}:{place.line}
        </Link>
      ))}
      {findings.length > FEW_PLACES && <span>and {findings.length - FEW_PLACES} more</span>}
    </span>
  );
}
