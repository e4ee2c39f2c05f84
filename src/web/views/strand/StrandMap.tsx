/** The strand as a drawing: hops as rows in the order of the data, routes as curves beside them. */
import type { StrandView } from '../../../api/schemas';
import { ROLE_WORDS } from '../../parts/roles';
import { AXIS, Drawing, ROW } from './Drawing';

interface StrandMapProps {
  strand: StrandView;
  chosen: string;
  onChoose(ref: string): void;
}

export function StrandMap({ strand, chosen, onChoose }: StrandMapProps) {
  const height = strand.hops.length * ROW;
  return (
    <div className="relative mt-2" style={{ height }}>
      <svg className="absolute inset-0" width={AXIS + 14} height={height} aria-hidden="true">
        <Drawing strand={strand} chosen={chosen} />
      </svg>
      {strand.hops.map((hop) => (
        <button
          key={hop.ref}
          type="button"
          title={`${hop.ref}${hop.type ? `: ${hop.type}` : ''}, ${ROLE_WORDS[hop.role]}`}
          className={`flex w-full items-center gap-2 text-left whitespace-nowrap hover:bg-hover ${hop.ref === chosen ? 'bg-chosen' : ''}`}
          style={{ height: ROW, paddingLeft: AXIS + 14 }}
          onClick={() => onChoose(hop.ref)}
        >
          <span className="font-medium">{hop.component}</span>
          <span className="code">{hop.name}</span>
          <span className="truncate text-faint">{ROLE_WORDS[hop.role]}</span>
        </button>
      ))}
    </div>
  );
}
