/** A file and a line; a link into the user's editor where one is set. */
import { useSelector } from 'react-redux';
import type { State } from '../store';
import { addressInEditor } from '../editor';

export function Place({
  root,
  file,
  line,
  column = 1,
}: {
  root?: string | undefined;
  file: string;
  line: number;
  column?: number;
}) {
  const template = useSelector((state: State) => state.editor);
  const text = `${file}:${line}`;
  if (!template || root === undefined) return <span className="break-words text-faint">{text}</span>;
  return (
    <a
      className="break-words text-faint underline"
      href={addressInEditor(template, { root, file, line, column })}
      title="Open in the editor"
    >
      {text}
    </a>
  );
}
