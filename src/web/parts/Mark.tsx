/** The marks and lines of a strand, drawn the same way everywhere: role by shape, channel by line. */
import { ROLE_WORDS } from './roles';
import type { Channel, Role } from '../../api/schemas';

export const channelColor = (channel: Channel): string =>
  channel === 'state' || channel === 'local' ? 'var(--prop)' : `var(--${channel})`;

/** Dashes by channel; slots are drawn as two lines. */
export const CHANNEL_DASH: Partial<Record<Channel, string>> = {
  context: '1 5',
  ref: '6 4',
  portal: '8 3 1 3',
};

interface MarkProps {
  x: number;
  y: number;
  role: Role;
  color: string;
  channel: Channel;
  /** Ground behind open marks. */
  ground?: string;
}

export function Mark({ x, y, role, color, channel, ground = 'var(--row)' }: MarkProps) {
  switch (role) {
    case 'start':
    case 'emit':
      if (channel === 'context')
        return <rect x={x - 8} y={y - 3} width={16} height={6} rx={1} fill={color} />;
      return <circle cx={x} cy={y} r={5.5} fill={color} />;
    case 'pass':
      return <circle cx={x} cy={y} r={5} fill={ground} stroke={color} strokeWidth={2.2} />;
    case 'transform':
      return (
        <path
          d={`M${x} ${y - 6.5} L${x + 6.5} ${y} L${x} ${y + 6.5} L${x - 6.5} ${y} Z`}
          fill={ground}
          stroke={color}
          strokeWidth={2}
        />
      );
    case 'read':
    case 'listen':
      return <rect x={x - 5} y={y - 5} width={10} height={10} fill={color} />;
    case 'drop':
      return (
        <path
          d={`M${x - 5} ${y - 5} L${x + 5} ${y + 5} M${x + 5} ${y - 5} L${x - 5} ${y + 5}`}
          stroke="var(--error)"
          strokeWidth={2.6}
        />
      );
    case 'wait':
      return (
        <circle
          cx={x}
          cy={y}
          r={5.5}
          fill={ground}
          stroke="var(--error)"
          strokeWidth={2}
          strokeDasharray="2.5 2.2"
        />
      );
  }
}

interface LineProps {
  x: number;
  from: number;
  to: number;
  channel: Channel;
  color: string;
  broken?: boolean;
  strong?: boolean;
}

/** A vertical stretch of a strand. */
export function Line({ x, from, to, channel, color, broken, strong }: LineProps) {
  const width = strong ? 3.4 : 2.4;
  if (broken) {
    return (
      <line
        x1={x}
        x2={x}
        y1={from}
        y2={to}
        stroke="var(--error)"
        strokeWidth={2}
        strokeDasharray="2 5"
        strokeLinecap="round"
      />
    );
  }
  if (channel === 'slot') {
    return (
      <>
        <line x1={x - 2.5} x2={x - 2.5} y1={from} y2={to} stroke={color} strokeWidth={1.4} />
        <line x1={x + 2.5} x2={x + 2.5} y1={from} y2={to} stroke={color} strokeWidth={1.4} />
      </>
    );
  }
  const dash = CHANNEL_DASH[channel];
  return (
    <>
      <line
        x1={x}
        x2={x}
        y1={from}
        y2={to}
        stroke={color}
        strokeWidth={width}
        {...(dash ? { strokeDasharray: dash, strokeLinecap: 'round' as const } : {})}
      />
      {channel === 'event' && <Chevrons x={x} from={from} to={to} color={color} />}
    </>
  );
}

/** Events rise: a chevron in the middle of each row's height. */
function Chevrons({ x, from, to, color }: { x: number; from: number; to: number; color: string }) {
  const step = 28;
  const spots: number[] = [];
  for (let y = from + step / 2; y < to; y += step) spots.push(y);
  return (
    <>
      {spots.slice(0, 60).map((y) => (
        <path
          key={y}
          d={`M${x - 5} ${y + 3} L${x} ${y - 2} L${x + 5} ${y + 3}`}
          fill="none"
          stroke={color}
          strokeWidth={1.8}
        />
      ))}
    </>
  );
}

/** A mark alone, for lists and legends. */
export function MarkIcon({ role, channel }: { role: Role; channel: Channel }) {
  return (
    <svg
      width={18}
      height={18}
      viewBox="0 0 18 18"
      role="img"
      aria-label={ROLE_WORDS[role]}
      className="shrink-0"
    >
      <Mark x={9} y={9} role={role} color={channelColor(channel)} channel={channel} ground="var(--sheet)" />
    </svg>
  );
}
