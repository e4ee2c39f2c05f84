/** One box for components, ports, findings, files and rules. */
import { useEffect, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Hit } from '../../api/schemas';
import { api } from '../api';
import { links } from '../links';
import { Panel } from '../parts/Panel';

interface SearchDialogProps {
  id: string;
  open: boolean;
  onOpenChange(open: boolean): void;
}

/** Where a hit is shown on the rigging: a port by its strand, a component by all that runs through it. */
function onRigging(id: string, hit: Hit): string | undefined {
  if (hit.kind === 'port') return links.pinned(id, hit.ref);
  return hit.kind === 'component' ? links.through(id, hit.ref) : undefined;
}

/** Where a hit is shown. */
function addressOf(id: string, hit: Hit): string {
  if (hit.kind === 'port') return links.strand(id, hit.ref);
  if (hit.kind === 'component') return links.component(id, hit.ref);
  if (hit.kind === 'finding') return links.finding(id, hit.ref);
  if (hit.kind === 'rule') return links.rule(id, hit.ref);
  return `/p/${id}/findings?text=${encodeURIComponent(hit.ref)}`;
}

export function SearchDialog({ id, open, onOpenChange }: SearchDialogProps) {
  const [text, setText] = useState('');
  const [chosen, setChosen] = useState(0);
  const navigate = useNavigate();
  const { data: hits = [], isFetching } = api.useSearchQuery(
    { id, q: text },
    { skip: !open || !text.trim() },
  );
  const shown = text.trim() ? hits : [];
  useEffect(() => setChosen(0), [text]);

  const go = (hit: Hit | undefined, rigging: boolean) => {
    if (!hit) return;
    onOpenChange(false);
    setText('');
    void navigate((rigging ? onRigging(id, hit) : undefined) ?? addressOf(id, hit));
  };

  return (
    <Panel
      title="Search"
      quiet
      className="top-16 w-[40rem] max-w-[92vw]"
      open={open}
      onOpenChange={onOpenChange}
    >
      <input
        autoFocus
        value={text}
        placeholder="Component, port, finding, file or rule"
        aria-label="Search components, ports, findings, files and rules"
        role="combobox"
        aria-expanded={shown.length > 0}
        aria-controls="search-hits"
        aria-activedescendant={shown[chosen] ? `hit-${chosen}` : undefined}
        className="w-full border-b border-line bg-transparent px-4 py-3 text-[15px] outline-none"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setChosen(Math.min(chosen + 1, shown.length - 1));
          else if (event.key === 'ArrowUp') setChosen(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter') go(shown[chosen], event.shiftKey);
          else return;
          event.preventDefault();
        }}
      />
      <ul id="search-hits" role="listbox" aria-label="Results" className="max-h-96 overflow-y-auto py-1">
        {shown.map((hit, index) => (
          <li
            key={`${hit.kind}:${hit.ref}`}
            id={`hit-${index}`}
            role="option"
            aria-selected={index === chosen}
            className={`flex cursor-pointer items-baseline gap-3 px-4 py-1 ${index === chosen ? 'bg-chosen' : 'hover:bg-hover'}`}
            onClick={(event) => go(hit, event.shiftKey)}
          >
            <span className="font-medium">{hit.title}</span>
            <span className="truncate text-soft">{hit.detail}</span>
            {onRigging(id, hit) && (
              <button
                type="button"
                tabIndex={-1}
                className="ml-auto whitespace-nowrap text-soft underline"
                onClick={(event) => {
                  event.stopPropagation();
                  go(hit, true);
                }}
              >
                on the rigging
              </button>
            )}
            <span className={`text-faint ${onRigging(id, hit) ? '' : 'ml-auto'}`}>{hit.kind}</span>
          </li>
        ))}
      </ul>
      {shown.length > 0 && (
        <p className="border-t border-line px-4 py-1.5 text-faint">
          Enter opens it; with Shift, a component or port is shown on the rigging.
        </p>
      )}
      {text.trim() && shown.length === 0 && (
        <p className="px-4 pb-3 text-soft">
          {isFetching ? 'Searching…' : 'Nothing is called that. Words may come in any order.'}
        </p>
      )}
    </Panel>
  );
}
