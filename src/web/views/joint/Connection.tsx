/** The state of one connection, drawn between owner and child. */
import type { Join } from '../../../api/component-schemas';
import type { Channel } from '../../../api/schemas';
import { channelColor, CHANNEL_DASH, Mark } from '../../parts/Mark';
import { JOIN_WORDS } from '../../parts/joinWords';

const WIDTH = 150;
const MIDDLE = 14;

export function Connection({ how, channel, up }: { how: Join; channel: Channel; up: boolean }) {
  const color = channelColor(channel);
  const [from, to] = [10, WIDTH - 10];
  const dash = how === 'spread' || how === 'unknown' ? '2 4' : CHANNEL_DASH[channel];
  const half = (WIDTH + 10) / 2;
  const end = how === 'missing' || how === 'default' || how === 'left out' || how === 'unheard';
  return (
    <svg width={WIDTH} height={28} role="img" aria-label={JOIN_WORDS[how]} className="mx-auto block">
      {!end && (
        <line
          x1={from}
          x2={to}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke={color}
          strokeWidth={2.2}
          strokeDasharray={dash}
        />
      )}
      {channel === 'slot' && !end && (
        <line x1={from} x2={to} y1={MIDDLE + 4} y2={MIDDLE + 4} stroke={color} strokeWidth={1.4} />
      )}
      {end && (
        <line
          x1={half}
          x2={to}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke={how === 'missing' ? 'var(--error)' : 'var(--line-strong)'}
          strokeWidth={2}
          strokeDasharray="2 5"
        />
      )}
      {!end && (
        <path
          d={up ? `M${half} 9 L${half - 6} 14 L${half} 19` : `M${half - 6} 9 L${half} 14 L${half - 6} 19`}
          fill="none"
          stroke={color}
          strokeWidth={1.8}
        />
      )}
      {(how === 'joined' || how === 'spread') && (
        <Mark x={to} y={MIDDLE} role="read" color={color} channel={channel} ground="var(--sheet)" />
      )}
      {(how === 'not taken' || how === 'ignored') && (
        <Mark x={to} y={MIDDLE} role="drop" color={color} channel={channel} ground="var(--sheet)" />
      )}
      {how === 'missing' && (
        <Mark x={to} y={MIDDLE} role="wait" color={color} channel={channel} ground="var(--sheet)" />
      )}
      {how === 'clash' && (
        <path
          d={`M${to - 7} 10 h10 M${to - 7} 18 h10 M${to + 2} 6 L${to - 6} 22`}
          stroke="var(--error)"
          strokeWidth={2}
        />
      )}
    </svg>
  );
}
