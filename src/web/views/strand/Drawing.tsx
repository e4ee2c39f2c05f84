/** The lines and marks of a strand: hops as rows in the order of the data, routes as curves beside them. */
import type { StrandView } from '../../../api/schemas';
import { channelColor, CHANNEL_DASH, Mark } from '../../parts/Mark';

export const ROW = 28;
export const AXIS = 96;

/** Of so many routes, those of the chosen hop are told from the rest. */
const MANY = 40;
/** So many routes that leave one hop are drawn thin, or they would be one area. */
const FAN = 12;

export function Drawing({ strand, chosen }: { strand: StrandView; chosen?: string }) {
  const at = new Map(strand.hops.map((hop, index) => [hop.ref, index]));
  const leaving = new Map<string, number>();
  for (const { from } of strand.routes) leaving.set(from, (leaving.get(from) ?? 0) + 1);
  const isQuiet = ({ from, to }: StrandView['routes'][number]): boolean =>
    chosen !== undefined && strand.routes.length > MANY && from !== chosen && to !== chosen;
  const y = (index: number) => index * ROW + ROW / 2;
  return (
    <>
      {strand.routes.map((route, index) => {
        const from = at.get(route.from)!;
        const to = at.get(route.to)!;
        const hop = strand.hops[from]!;
        const rows = Math.abs(to - from);
        // The further, the wider, so that no two of many lines share one outer edge.
        const bend = (AXIS - 4) * (rows / (rows + 6));
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
            strokeWidth={leaving.get(route.from)! > FAN ? 0.9 : 2}
            strokeDasharray={route.how === 'break' ? '2 5' : CHANNEL_DASH[hop.channel]}
            opacity={isQuiet(route) ? 0.25 : to < from ? 0.55 : 1}
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
