import { useSearchParams } from 'react-router';
import type { Channel, Level, RiggingView } from '../../../api/schemas';
import { useAddress } from '../../address';
import { count } from '../../parts/count';
import { channelColor } from '../../parts/Mark';
import { Narrow } from '../../parts/Narrow';
import { levelTone } from '../../parts/level';

const CHANNELS: Channel[] = ['prop', 'event', 'state', 'context', 'slot', 'ref'];
const LEVELS: Level[] = ['error', 'warning', 'note'];

/** Narrows lanes and rows; what is chosen is kept in the address. */
export function FilterBar({ view }: { view: RiggingView }) {
  const [search] = useSearchParams();
  const change = useAddress();
  const toggle = (key: string, value: string) =>
    change((next) => {
      if (next.getAll(key).includes(value)) next.delete(key, value);
      else next.append(key, value);
    });
  const only = ['component', 'rule', 'folder'].flatMap((key) => {
    const value = search.get(key);
    return value ? [{ key, value }] : [];
  });
  return (
    <div className="flex shrink-0 flex-wrap items-center gap-x-3 border-b border-line px-5 py-1.5 whitespace-nowrap">
      <Narrow
        name="find"
        label="Narrow by component or name"
        placeholder="Component or name"
        className="w-36 shrink"
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
      <Group label="Rows">
        <Toggle on={search.has('whole')} onToggle={() => toggle('whole', '1')}>
          whole tree
        </Toggle>
        {view.hasAside && (
          <Toggle
            on={search.has('beside')}
            onToggle={() =>
              change((next) => {
                if (next.has('beside')) next.delete('beside');
                else next.set('beside', '1');
                // The other tree has other rows.
                for (const key of ['row', 'fold', 'open']) next.delete(key);
              })
            }
          >
            tests, examples
          </Toggle>
        )}
      </Group>
      {only.map(({ key, value }) => (
        <button
          key={key}
          type="button"
          className="max-w-72 truncate border border-line-strong bg-chosen px-2 hover:bg-hover"
          title={`Show strands beyond this ${key}, too`}
          onClick={() => change((next) => next.delete(key))}
        >
          {key} {value.split('>').at(-1)} ×
        </button>
      ))}
    </div>
  );
}

/** How many strands are shown, of how many. */
export function strandsIn({ lanes, strands }: RiggingView): string {
  return strands > lanes.length
    ? `${lanes.length} of ${count(strands, 'strand')}, the gravest first,`
    : count(strands, 'strand');
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
