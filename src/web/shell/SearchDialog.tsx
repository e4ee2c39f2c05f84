/** One box for components, ports, findings and files. */
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

/** Where a hit is shown. */
function addressOf(id: string, hit: Hit): string {
  if (hit.kind === 'port') return links.strand(id, hit.ref);
  if (hit.kind === 'component') return links.component(id, hit.ref);
  if (hit.kind === 'finding') return links.finding(id, hit.ref);
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

  const go = (hit: Hit | undefined) => {
    if (!hit) return;
    onOpenChange(false);
    setText('');
    void navigate(addressOf(id, hit));
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
        placeholder="Component, port, finding or file"
        aria-label="Search components, ports, findings and files"
        role="combobox"
        aria-expanded={shown.length > 0}
        aria-controls="search-hits"
        aria-activedescendant={shown[chosen] ? `hit-${chosen}` : undefined}
        className="w-full border-b border-line bg-transparent px-4 py-3 text-[15px] outline-none"
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          if (event.key === 'ArrowDown') setChosen(Math.min(chosen + 1, shown.length - 1));
          else if (event.key === 'ArrowUp') setChosen(Math.max(chosen - 1, 0));
          else if (event.key === 'Enter') go(shown[chosen]);
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
            onClick={() => go(hit)}
          >
            <span className="font-medium">{hit.title}</span>
            <span className="truncate text-soft">{hit.detail}</span>
            <span className="ml-auto text-faint">{hit.kind}</span>
          </li>
        ))}
      </ul>
      {text.trim() && !isFetching && shown.length === 0 && (
        <p className="px-4 pb-3 text-soft">Nothing is called that. Words may come in any order.</p>
      )}
    </Panel>
  );
}
