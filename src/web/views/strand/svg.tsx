/** A strand as a picture that stands alone, as it is drawn in the page. */
import { flushSync } from 'react-dom';
import { createRoot } from 'react-dom/client';
import type { StrandView } from '../../../api/schemas';
import { ROLE_WORDS } from '../../parts/roles';
import { AXIS, Drawing, ROW } from './Drawing';

/** Room for the title, and around the picture. */
const TOP = 36;
const MARGIN = 14;
/** Wide enough for a letter of the font that a picture falls back on. */
const LETTER = 7.2;

function Picture({ strand }: { strand: StrandView }) {
  const left = AXIS + 14;
  const rows = strand.hops.map((hop) => ({
    ...hop,
    role: ROLE_WORDS[hop.role],
    nameAt: left + (hop.component.length + 1) * LETTER,
    roleAt: left + (hop.component.length + hop.name.length + 3) * LETTER,
  }));
  const widest = Math.max(
    strand.of.length * LETTER,
    ...rows.map(({ role, roleAt }) => roleAt + role.length * LETTER),
  );
  const width = Math.ceil(widest + 2 * MARGIN);
  const height = TOP + strand.hops.length * ROW + MARGIN;
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      width={width}
      height={height}
      viewBox={`0 0 ${width} ${height}`}
      fontFamily="IBM Plex Sans, sans-serif"
      fontSize={13}
    >
      <title>{strand.of}</title>
      <rect width={width} height={height} fill="var(--ground)" />
      <text x={MARGIN} y={22} fontWeight={600} fill="var(--ink)">
        {strand.of}
      </text>
      <g transform={`translate(${MARGIN},${TOP})`}>
        <Drawing strand={strand} />
        {rows.map(({ ref, component, name, role, nameAt, roleAt }, index) => (
          <g key={ref} fill="var(--ink)" transform={`translate(0,${index * ROW + ROW / 2 + 4})`}>
            <text x={left} fontWeight={500}>
              {component}
            </text>
            <text x={nameAt} fontFamily="IBM Plex Mono, monospace" fontSize={12}>
              {name}
            </text>
            <text x={roleAt} fill="var(--faint)">
              {role}
            </text>
          </g>
        ))}
      </g>
    </svg>
  );
}

/** The picture's text, in the colours of the theme that is shown. */
export function strandSvg(strand: StrandView): string {
  const home = document.createElement('div');
  const root = createRoot(home);
  flushSync(() => root.render(<Picture strand={strand} />));
  const colors = getComputedStyle(document.documentElement);
  const text = home.innerHTML.replace(/var\((--[\w-]+)\)/g, (_, name: string) =>
    colors.getPropertyValue(name).trim(),
  );
  root.unmount();
  return text;
}
