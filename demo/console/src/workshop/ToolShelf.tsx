import { useContext } from 'react';
import { ToolContext } from './tool-context';
import { ToolMark } from './ToolMark';

export function ToolShelf({ tools }: { tools: string[] }) {
  const lend = () => {
    const tool = useContext(ToolContext);
    return tool ? `lent: ${tool}` : 'nothing lent';
  };
  return (
    <ToolContext.Provider value={tools.length}>
      <button onClick={lend}>Lend</button>
      {tools.map((tool) => (
        <p key={tool}>{ToolMark({ tool })}</p>
      ))}
    </ToolContext.Provider>
  );
}
