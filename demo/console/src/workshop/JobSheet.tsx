import type { ReactNode } from 'react';
import { createPortal } from 'react-dom';

interface Props {
  title: string;
  notes: ReactNode;
  children: ReactNode;
}

export function JobSheet({ title, notes, children }: Props) {
  return createPortal(
    <dialog open>
      <h2>{title}</h2>
      {children}
      <footer>{notes}</footer>
    </dialog>,
    document.getElementById('sheets')!,
  );
}
