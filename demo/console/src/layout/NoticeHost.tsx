import type { ReactNode } from 'react';

export function NoticeHost({ children }: { children: ReactNode }) {
  return <main>{children}</main>;
}
