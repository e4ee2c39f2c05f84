/** What is wrong with the text, and what is found in it, line by line. */
import { Link } from 'react-router';
import type { Remark } from '../../../api/sheet-schemas';
import { links } from '../../links';
import { count } from '../../parts/count';
import { LevelWord } from '../../parts/level';

interface RemarksProps {
  project: string;
  remarks: Remark[];
  /** What the text says at the moment is still being worked out. */
  isOld: boolean;
  onGo(line: number): void;
}

export function Remarks({ project, remarks, isOld, onGo }: RemarksProps) {
  const faults = remarks.filter((one) => !one.level).length;
  return (
    <section
      aria-label="What is found"
      className="flex max-h-[34%] shrink-0 flex-col border-t border-line-strong bg-ground"
    >
      <h2 className="px-5 py-1.5 text-soft" role="status">
        {remarks.length === 0
          ? 'Nothing is found.'
          : [
              faults > 0 && `${count(faults, 'fault')} of the text`,
              remarks.length > faults && count(remarks.length - faults, 'finding'),
            ]
              .filter(Boolean)
              .join(', ')}
        {isOld && ' Reading…'}
      </h2>
      {remarks.length > 0 && (
        <ol className="min-h-0 overflow-auto pb-2">
          {remarks.map((one, index) => (
            <li key={index} className="flex items-baseline gap-3 px-5 py-0.5 hover:bg-hover">
              <button
                type="button"
                className="code w-12 shrink-0 text-right text-soft underline"
                onClick={() => onGo(one.line)}
              >
                {one.line}
              </button>
              <span className="w-16 shrink-0">
                <LevelWord level={one.level ?? 'error'} />
              </span>
              <button type="button" className="min-w-0 grow text-left" onClick={() => onGo(one.line)}>
                {one.message}
              </button>
              {one.rule && (
                <Link className="code shrink-0 text-soft underline" to={links.rule(project, one.rule)}>
                  {one.rule}
                </Link>
              )}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}
