/** Pairs of components that take nearly the same: candidates to become one. */
import { Link } from 'react-router';
import type { Alike } from '../../../api/component-schemas';
import { links } from '../../links';
import { count } from '../../parts/count';

type Like = Alike[number]['one'];

const Named = ({ name, file }: Like) => (
  <td className="truncate py-1 pr-4" title={`${name} in ${file}`}>
    {name} <span className="text-faint">{file}</span>
  </td>
);

export function Pairs({ project, pairs, of }: { project: string; pairs: Alike; of?: string }) {
  return (
    <table className="w-full table-fixed border-collapse">
      <caption className="sr-only">{of === undefined ? 'Pairs that are alike' : `Like ${of}`}</caption>
      <colgroup>
        <col style={{ width: '9rem' }} />
        {of === undefined && <col />}
        <col />
        <col style={{ width: '7rem' }} />
      </colgroup>
      <thead className="text-left text-soft">
        <tr className="border-b border-line-strong">
          <th className="py-1 pr-4 font-normal">in common</th>
          {of === undefined && <th className="py-1 pr-4 font-normal">one</th>}
          <th className="py-1 pr-4 font-normal">{of === undefined ? 'other' : 'component'}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        {pairs.map(({ one, other, share, same }, at) => (
          <tr key={`${one.ref} ${other.ref}`} className="border-b border-line/60">
            <td className="py-1 pr-4 whitespace-nowrap tabular-nums">
              {Math.round(share * 100)} %, {count(same, 'port')}
            </td>
            {of === undefined && (one.ref === pairs[at - 1]?.one.ref ? <td /> : <Named {...one} />)}
            <Named {...other} />
            <td className="py-1 text-right">
              <Link
                className="underline"
                to={links.beside(project, one.ref, other.ref)}
                aria-label={`${one.name} and ${other.name} side by side`}
              >
                side by side
              </Link>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
