import { useState } from 'react';

export function ToolMark({ tool }: { tool: string }) {
  const [marked, setMarked] = useState(false);
  return (
    <mark onClick={() => setMarked(!marked)}>
      {tool}
      {marked && ' (in use)'}
    </mark>
  );
}
