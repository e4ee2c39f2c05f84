import type { LaneView } from '../../../api/schemas';
import { channelColor } from '../../parts/Mark';
import type { ShownLane } from './layout';

interface LaneHeadsProps {
  lanes: ShownLane[];
  width: number;
  chosen: string | undefined;
  onChoose(lane: LaneView): void;
}

/** Names of the strands in sight, aslant above their columns. */
export function LaneHeads({ lanes, width, chosen, onChoose }: LaneHeadsProps) {
  return (
    <div className="relative h-[76px] overflow-hidden" style={{ width }} role="toolbar" aria-label="Strands">
      {lanes.map(({ id, lane, x }) => (
        <button
          key={id}
          type="button"
          aria-pressed={id === chosen}
          title={`${lane.ref}${lane.level ? `, ${lane.findings.length} findings` : ''}`}
          onClick={() => onChoose(lane)}
          className={`absolute bottom-1.5 origin-bottom-left -rotate-[38deg] text-left whitespace-nowrap hover:underline ${
            id === chosen ? 'font-semibold' : ''
          }`}
          style={{
            left: x + 2,
            maxWidth: 110,
            color: id === chosen ? 'var(--ink)' : channelColor(lane.channel),
          }}
        >
          <span className="block max-w-[104px] truncate">
            {lane.pinned && '◆ '}
            {lane.title}
          </span>
        </button>
      ))}
    </div>
  );
}
