import type { LaneView } from '../../../api/schemas';
import { channelColor } from '../../parts/Mark';
import type { ShownLane } from './layout';

interface LaneHeadsProps {
  lanes: ShownLane[];
  gap: number;
  width: number;
  chosen: string | undefined;
  onChoose(lane: LaneView): void;
}

/** Names of the strands, aslant above their lanes. */
export function LaneHeads({ lanes, width, chosen, onChoose }: LaneHeadsProps) {
  return (
    <div className="relative h-[76px] overflow-hidden" style={{ width }} role="toolbar" aria-label="Strands">
      {lanes.map((lane) => (
        <button
          key={lane.id}
          type="button"
          aria-pressed={lane.id === chosen}
          title={`${lane.ref}${lane.level ? `, ${lane.findings.length} findings` : ''}`}
          onClick={() => onChoose(lane)}
          className={`absolute bottom-1.5 origin-bottom-left -rotate-[38deg] text-left whitespace-nowrap hover:underline ${
            lane.id === chosen ? 'font-semibold' : ''
          }`}
          style={{
            left: lane.x + 2,
            maxWidth: 110,
            color: lane.id === chosen ? 'var(--ink)' : channelColor(lane.channel),
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
