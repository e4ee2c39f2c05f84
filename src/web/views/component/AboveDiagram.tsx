/** Who renders a component, and who renders those: ways on which nobody provides what it consumes stand out. */
import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { AboveView } from '../../../api/component-schemas';
import { links as addresses } from '../../links';
import { count } from '../../parts/count';
import { pathOf, STEP, wayThrough } from '../../parts/layers';
import { channelColor } from '../../parts/Mark';
import { type AboveBox, aboveLayers } from './above';

export function AboveDiagram({ project, above }: { project: string; above: AboveView }) {
  const [opened, setOpened] = useState<ReadonlySet<string>>(new Set());
  const [over, setOver] = useState<number>();
  const { nodes, lines, width, height } = useMemo(() => aboveLayers(above, opened), [above, opened]);
  const way = useMemo(() => (over === undefined ? undefined : wayThrough(lines, over)), [lines, over]);
  const navigate = useNavigate();
  const missing = [...new Set(above.links.flatMap((one) => one.without))];
  const self = above.nodes[0]?.id;
  const aside = above.nodes.filter((one) => one.aside && one.id !== self).length;
  const isFaint = (...ids: number[]) => way !== undefined && !ids.every((id) => way.has(id));
  const open = ({ key, of }: AboveBox) => {
    if (key !== undefined) setOpened(new Set([...opened, key]));
    else void navigate(addresses.component(project, of[0]!.ref));
  };
  return (
    <>
      <div className="max-h-80 overflow-auto pt-1" tabIndex={0} aria-label="Above it, scrolls">
        <svg
          width={width + 2}
          height={height}
          className="overflow-visible px-px"
          role="group"
          aria-label="Above it"
        >
          {lines.map((line) => (
            <path
              key={`${line.from.id}-${line.to.id}`}
              d={pathOf(line)}
              fill="none"
              stroke={line.without.length ? 'var(--error)' : 'var(--soft)'}
              strokeWidth={line.without.length ? 2 : 1}
              opacity={isFaint(line.from.id, line.to.id) ? 0.12 : 0.85}
            >
              <title>
                {line.times > 1 ? `${line.times} times` : 'once'}
                {line.without.length > 0 && `; nobody provides ${line.without.join(', ')} this way`}
              </title>
            </path>
          ))}
          {nodes.map((box) => (
            <g
              key={box.id}
              role={box.of.length > 1 ? 'button' : 'link'}
              tabIndex={0}
              aria-label={
                box.of.length > 1
                  ? `${count(box.of.length, 'component')}: ${box.of.map((one) => one.name).join(', ')}`
                  : box.of[0]!.name
              }
              className="cursor-pointer"
              opacity={isFaint(box.id) ? 0.25 : 1}
              onMouseEnter={() => setOver(box.id)}
              onMouseLeave={() => setOver(undefined)}
              onFocus={() => setOver(box.id)}
              onBlur={() => setOver(undefined)}
              onClick={() => open(box)}
              onKeyDown={(event) => event.key === 'Enter' && open(box)}
            >
              <title>
                {box.of.map((one) => one.ref).join('\n')}
                {box.provides.length > 0 && `\nprovides ${box.provides.join(', ')}`}
              </title>
              <rect
                x={box.left}
                y={box.y - STEP / 2 + 2}
                width={box.right - box.left}
                height={STEP - 4}
                fill={box.id === self ? 'var(--mark)' : 'var(--row)'}
                stroke={box.provides.length ? channelColor('context') : 'var(--line-strong)'}
                strokeWidth={box.provides.length || box.id === over ? 2 : 1}
                strokeDasharray={box.of.length > 1 ? '4 3' : undefined}
              />
              <text x={box.left + 7} y={box.y + 4} fontSize={12} fill="var(--ink)">
                {box.label}
              </text>
            </g>
          ))}
        </svg>
      </div>
      {missing.length > 0 && (
        <p className="text-error">Along the strong red way nobody provides {missing.join(', ')}.</p>
      )}
      {(above.more > 0 || aside > 0) && (
        <p className="text-soft">
          {[
            above.more > 0 && `${above.more} that are further away are left out`,
            aside > 0 && `${aside} of tests and examples are left out`,
          ]
            .filter(Boolean)
            .join(', ')}
          .
        </p>
      )}
    </>
  );
}
