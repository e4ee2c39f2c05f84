import type { ReactNode } from 'react';

interface PanelProps {
  title: string;
  tone: 'plain' | 'loud';
  aside?: ReactNode;
  children: ReactNode;
}

export function Panel({ title, tone = 'plain', aside, children }: PanelProps) {
  return (
    <section className={tone}>
      <h2>
        {title} {aside}
      </h2>
      {children}
    </section>
  );
}
