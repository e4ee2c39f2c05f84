import { Dialog } from 'radix-ui';

const KEYS: [string, string][] = [
  ['/', 'search components, ports and files'],
  ['?', 'this list'],
  ['↑ ↓', 'move along rows, or findings'],
  ['← →', 'on the rigging: move along lanes'],
  ['[ ]', 'on the rigging: from hop to hop of the strand'],
  ['Enter', 'open the strand'],
  ['Space', 'fold or unfold a row'],
  ['Esc', 'close what is open'],
];

export function KeysDialog({ open, onOpenChange }: { open: boolean; onOpenChange(open: boolean): void }) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 bg-black/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-24 left-1/2 w-[26rem] -translate-x-1/2 border border-line-strong bg-sheet p-5 shadow-lg"
        >
          <Dialog.Title className="mb-3 font-semibold">Keys</Dialog.Title>
          <dl className="grid grid-cols-[5rem_1fr] gap-y-1.5">
            {KEYS.map(([key, does]) => (
              <div key={key} className="contents">
                <dt className="font-mono">{key}</dt>
                <dd>{does}</dd>
              </div>
            ))}
          </dl>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
