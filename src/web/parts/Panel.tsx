/** A dialog over the screen. */
import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface PanelProps {
  title: string;
  /** The title is for readers of the screen only. */
  quiet?: boolean;
  className: string;
  open: boolean;
  onOpenChange(open: boolean): void;
  children: ReactNode;
}

export function Panel({ title, quiet, className, open, onOpenChange, children }: PanelProps) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/30" />
        <Dialog.Content
          aria-describedby={undefined}
          className={`fixed left-1/2 z-40 -translate-x-1/2 border border-line-strong bg-sheet shadow-lg ${className}`}
        >
          <Dialog.Title className={quiet ? 'sr-only' : 'mb-3 font-semibold'}>{title}</Dialog.Title>
          {children}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
