import type { ReactNode } from 'react';
import { TopBar } from './TopBar';
import { NoticeHost } from './NoticeHost';

interface LayoutProps {
  title: string;
  onToggleLog: () => void;
  children: ReactNode;
}

export function Layout({ title, onToggleLog, children }: LayoutProps) {
  return (
    <div className="layout">
      <TopBar title={title} onToggleLog={onToggleLog} subtitel="Control console" />
      <NoticeHost>{children}</NoticeHost>
    </div>
  );
}
