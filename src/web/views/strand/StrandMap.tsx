/** The strand as a drawing: hops as rows in the order of the data, routes as curves beside them. */
import type { StrandView } from '../../../api/schemas';
import { channelColor, CHANNEL_DASH, Mark } from '../../parts/Mark';
import { ROLE_WORDS } from '../../parts/roles';

const ROW = 28;
const AXIS = 96;

interface StrandMapProps {
  strand: StrandView;
  chosen: string;
  onChoose(ref: string): void;
}

export function StrandMap({ strand, chosen, onChoose }: StrandMapProps) {
  const at = new Map(strand.hops.map((hop, index) => [hop.ref, index]));
  const height = strand.hops.length * ROW;
  const y = (index: number) => index * ROW + ROW / 2;
  return (
    <div className="relative mt-2" style={{ height }}>
      <svg className="absolute inset-0" width={AXIS + 14} height={height} aria-hidden="true">
        {strand.routes.map((route, index) => {
          const from = at.get(route.from)!;
          const to = at.get(route.to)!;
          const hop = strand.hops[from]!;
          const bend = Math.min(AXIS - 12, 8 + Math.abs(to - from) * 9);
          const straight = to === from + 1;
          return (
            <path
              key={index}
              d={
                straight
                  ? `M${AXIS} ${y(from)} L${AXIS} ${y(to)}`
                  : `M${AXIS} ${y(from)} C${AXIS - bend} ${y(from)} ${AXIS - bend} ${y(to)} ${AXIS} ${y(to)}`
              }
              fill="none"
              stroke={route.how === 'break' ? 'var(--error)' : channelColor(hop.channel)}
              strokeWidth={2}
              strokeDasharray={route.how === 'break' ? '2 5' : CHANNEL_DASH[hop.channel]}
              opacity={to < from ? 0.55 : 1}
            />
          );
        })}
        {strand.hops.map((hop, index) => (
          <Mark
            key={hop.ref}
            x={AXIS}
            y={y(index)}
            role={hop.role}
            color={channelColor(hop.channel)}
            channel={hop.channel}
            ground="var(--ground)"
          />
        ))}
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
