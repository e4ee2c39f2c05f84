/** The keys, and the one thing that can be set: how places are opened in an editor. */
import { useState } from 'react';
import { useDispatch, useSelector } from 'react-redux';
import { editor, isTemplate } from '../editor';
import { Panel } from '../parts/Panel';
import type { State } from '../store';

const KEYS: [where: string, keys: [key: string, does: string][]][] = [
  [
    'everywhere',
    [
      ['/', 'search components, ports, findings, files and rules'],
      ['?', 'this list'],
      ['c', 'copy the finding, the strand or the usage table as Markdown'],
      ['v', 'copy the strand as an SVG picture'],
      ['k', 'keep what the folder holds now as an audit'],
      ['Esc', 'close what is open'],
    ],
  ],
  [
    'rigging',
    [
      ['↑ ↓', 'along the rows'],
      ['← →', 'along the lanes'],
      ['[ ]', 'from hop to hop of the strand'],
      ['Enter', 'open the strand with its code'],
      ['o', 'open the row: its call site, or its component'],
      ['Space', 'fold or unfold the row'],
      ['t', 'all strands through the component of the row'],
    ],
  ],
  [
    'call site',
    [
      ['↑ ↓', 'along the ports'],
      ['[ ]', 'the call site before and after'],
    ],
  ],
  [
    'findings',
    [
      ['↑ ↓', 'along the findings'],
      ['←', 'fold the group'],
      ['a', 'accept, with a reason'],
      ['x', 'false alarm, with a reason'],
      ['u', 'take the decision back'],
      ['z', 'undo the last decision, and the one before it'],
    ],
  ],
  [
    'sheet',
    [
      ['Ctrl S', 'save it'],
      ['Ctrl ␣', 'what may be written here'],
    ],
  ],
];

export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <Panel title="Keys" className="top-16 w-[40rem] max-w-[92vw] p-5" open={open} onOpenChange={onOpenChange}>
      <div className="columns-2 gap-8">
        {KEYS.map(([where, keys]) => (
          <section key={where} className="mb-3 break-inside-avoid">
            <h3 className="text-soft">{where}</h3>
            <dl className="grid grid-cols-[4.5rem_1fr] gap-y-0.5">
              {keys.map(([key, does]) => (
                <div key={key} className="contents">
                  <dt className="font-mono">{key}</dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <EditorField />
    </Panel>
  );
}

function EditorField() {
  const kept = useSelector((state: State) => state.editor);
  const dispatch = useDispatch();
  const [text, setText] = useState(kept);
  const wrong = text.trim() !== '' && !isTemplate(text.trim());
  return (
    <label className="mt-2 block border-t border-line pt-3">
      <span className="block">
        Open places in your editor: the address that it answers to, with{' '}
        <span className="code">{'{path}'}</span>, <span className="code">{'{line}'}</span> and{' '}
        <span className="code">{'{column}'}</span>
      </span>
      <input
        value={text}
        placeholder="scheme://open?file={path}&line={line}"
        className="code mt-1 h-7 w-full border border-line bg-row px-2"
        aria-invalid={wrong}
        onChange={(event) => {
          setText(event.target.value);
          const template = event.target.value.trim();
          if (template === '' || isTemplate(template)) dispatch(editor.actions.chosen(template));
        }}
      />
      <span className={wrong ? 'text-error' : 'text-soft'}>
        {wrong
          ? 'It needs a scheme of its own, and {path}.'
          : kept
            ? 'Files and lines are links now.'
            : 'Left empty, files and lines are plain text.'}
      </span>
    </label>
  );
}
