/** The lines and marks of a strand: hops as rows in the order of the data, routes as curves beside them. */
import type { StrandView } from '../../../api/schemas';
import { channelColor, CHANNEL_DASH, Mark } from '../../parts/Mark';

export const ROW = 28;
export const AXIS = 96;

export function Drawing({ strand }: { strand: StrandView }) {
  const at = new Map(strand.hops.map((hop, index) => [hop.ref, index]));
  const y = (index: number) => index * ROW + ROW / 2;
  return (
    <>
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
    </>
  );
}
