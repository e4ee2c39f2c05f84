/** Rows of two sides with what they differ in between them; what is alike is folded. */
import { type ReactNode, useState } from 'react';
import { count } from '../../parts/count';
import { channelColor } from '../../parts/Mark';
import type { Row } from './beside';

interface RowsProps<T> {
  caption: string;
  rows: Row<T>[];
  titles: [one: ReactNode, other: ReactNode];
  /** What is written where a side has nothing. */
  nothing: string;
  side(value: T): ReactNode;
}

export function Rows<T>({ caption, rows, titles, nothing, side }: RowsProps<T>) {
  const alike = rows.filter((row) => row.one && row.other && !row.differs.length);
  // Where they differ in nothing, that is what there is to see.
  const [all, setAll] = useState(alike.length === rows.length);
  const shown = all ? rows : rows.filter((row) => !alike.includes(row));
  const sideOf = (value: T | undefined) =>
    value === undefined ? <span className="text-faint">{nothing}</span> : side(value);
  return (
    <>
      <table className="w-full table-fixed border-collapse">
        <caption className="sr-only">{caption}</caption>
        <colgroup>
          <col style={{ width: '11rem' }} />
          <col />
          <col style={{ width: '9rem' }} />
          <col />
        </colgroup>
        <thead className="text-left align-bottom">
          <tr className="border-b border-line-strong">
            <th className="py-1 pr-3 font-normal text-soft">Port</th>
            <th className="py-1 pr-3 font-medium">{titles[0]}</th>
            <th className="py-1 pr-3 font-normal text-soft">differ in</th>
            <th className="py-1 font-medium">{titles[1]}</th>
          </tr>
        </thead>
        <tbody>
          {shown.map((row) => (
            <tr key={`${row.channel}:${row.name}`} className="border-b border-line/60 align-baseline">
              <th
                scope="row"
                className="code truncate py-1 pr-3 text-left font-normal"
                style={{ color: channelColor(row.channel) }}
                title={`${row.channel} ${row.name}`}
              >
                {row.name}
              </th>
              <td className="truncate py-1 pr-3">{sideOf(row.one)}</td>
              <td className={`py-1 pr-3 ${row.differs.length ? 'text-warning' : 'text-faint'}`}>
                {row.differs.join(', ') ||
                  (row.one && row.other ? (row.unsure ? 'nothing known' : 'alike') : '')}
              </td>
              <td className="truncate py-1">{sideOf(row.other)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {alike.length > 0 && (
        <p className="pt-1 text-soft">
          <button type="button" className="underline" onClick={() => setAll(!all)}>
            {all ? 'Hide' : 'Show'} {count(alike.length, 'port')} in which they are alike
          </button>
          {!all && <span className="code text-faint"> {alike.map((row) => row.name).join(', ')}</span>}
        </p>
      )}
    </>
  );
}
