/** The trail of a finding as a small strand, from left to right. */
import type { Channel, Finding } from '../../../api/schemas';
import { channelColor, Mark } from '../../parts/Mark';

const STEP = 118;

export function TrailSketch({ finding }: { finding: Finding }) {
  const channel = (finding.subject.split(':').at(-2) ?? 'prop') as Channel;
  const color = channelColor(channel);
  const width = finding.trail.length * STEP;
  return (
    <div className="my-3 overflow-x-auto">
      <svg
        width={width}
        height={52}
        role="img"
        aria-label={finding.trail.map((step) => `${step.component} ${step.what}`).join(', ')}
      >
        <line
          x1={20}
          x2={20 + (finding.trail.length - 1) * STEP}
          y1={16}
          y2={16}
          stroke={color}
          strokeWidth={2.2}
        />
        {finding.trail.map((step, index) => (
          <g key={index}>
            <Mark
              x={20 + index * STEP}
              y={16}
              role={step.role}
              color={color}
              channel={channel}
              ground="var(--sheet)"
            />
            <text x={10 + index * STEP} y={36} fontSize={11.5} fill="var(--ink)">
              {cut(step.component)}
            </text>
            <text x={10 + index * STEP} y={49} fontSize={11} fill="var(--faint)">
              {cut(step.name)}
            </text>
          </g>
        ))}
      </svg>
    </div>
  );
}

const cut = (text: string): string => (text.length > 17 ? `${text.slice(0, 16)}…` : text);
