/** A mechanical repair as the lines before and after, ready to be copied. */
import { useState } from 'react';
import type { FindingRow } from '../../../api/schemas';
import { api } from '../../api';
import { repaired } from './repaired';

interface RepairProps {
  project: string;
  edit: NonNullable<FindingRow['edit']>;
}

export function Repair({ project, edit }: RepairProps) {
  const { data: text } = api.useSourceQuery({ id: project, path: edit.file });
  const [copied, setCopied] = useState(false);
  const lines = text === undefined ? undefined : repaired(text, edit);
  if (!lines) return null;
  return (
    <section aria-label="Repair" className="mt-3">
      <p className="flex gap-3 text-soft">
        Repair
        <button
          type="button"
          className="underline"
          onClick={() => {
            void navigator.clipboard.writeText(lines.after.join('\n')).then(() => setCopied(true));
          }}
        >
          {copied ? 'copied' : 'copy the line'}
        </button>
      </p>
      <pre className="code overflow-x-auto" aria-label={`${edit.file}, line ${edit.line}, before and after`}>
        {lines.before.map((line, at) => (
          <div key={`b${at}`} className="bg-gone">
            − {line}
          </div>
        ))}
        {lines.after.map((line, at) => (
          <div key={`a${at}`} className="bg-come">
            + {line}
          </div>
        ))}
      </pre>
    </section>
  );
}
