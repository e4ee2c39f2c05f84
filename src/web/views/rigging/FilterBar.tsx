import { useSearchParams } from 'react-router';
import type { Channel, Level, RiggingView } from '../../../api/schemas';
import { useAddress } from '../../address';
import { count } from '../../parts/count';
import { channelColor } from '../../parts/Mark';
import { Narrow } from '../../parts/Narrow';
import { levelTone } from '../../parts/level';

const CHANNELS: Channel[] = ['prop', 'event', 'state', 'context', 'slot', 'ref'];
const LEVELS: Level[] = ['error', 'warning', 'note'];

/** Narrows the lanes; what is chosen is kept in the address. */
export function FilterBar({ shown, view }: { shown: number; view: RiggingView }) {
  const [search] = useSearchParams();
  const change = useAddress();
  const toggle = (key: string, value: string) =>
    change((next) => {
      if (next.getAll(key).includes(value)) next.delete(key, value);
      else next.append(key, value);
    });
  const all = view.lanes.length;
  const of = view.strands > all ? `the longest ${all} of ${view.strands}` : String(all);
  return (
    <div className="flex h-10 shrink-0 items-center gap-4 overflow-hidden border-b border-line px-5 whitespace-nowrap">
      <Narrow
        name="find"
        label="Narrow by component or name"
        placeholder="Component or name"
        className="w-40 shrink"
      />
      <Group label="Channels">
        {CHANNELS.map((channel) => (
          <Toggle
            key={channel}
            on={search.getAll('channel').includes(channel)}
            onToggle={() => toggle('channel', channel)}
          >
            <span style={{ color: channelColor(channel) }}>{channel}</span>
          </Toggle>
        ))}
      </Group>
      <Group label="Levels">
        {LEVELS.map((level) => (
          <Toggle
            key={level}
            on={search.getAll('level').includes(level)}
            onToggle={() => toggle('level', level)}
          >
            <span className={levelTone(level)}>{level}</span>
          </Toggle>
        ))}
      </Group>
      <span className="ml-auto text-soft tabular-nums">
        {shown === all && view.strands === all
          ? count(all, 'strand')
          : shown === all
            ? `${of} strands`
            : `${shown} of ${of} strands`}
      </span>
    </div>
  );
}

function Group({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="flex items-center gap-1">
      {children}
    </div>
  );
}

function Toggle({ on, onToggle, children }: { on: boolean; onToggle(): void; children: React.ReactNode }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={onToggle}
      className={`border-b-2 px-1.5 py-0.5 ${on ? 'border-ink font-medium' : 'border-transparent hover:border-line-strong'}`}
    >
      {children}
    </button>
  );
}
