/** The files of an example, coloured, with the lines marked that the other state does not have. */
import { useEffect, useState } from 'react';
import { tokensOf, type Tokens } from '../../parts/highlight';

interface ExampleCodeProps {
  title: string;
  files: Record<string, string>;
  other: Record<string, string>;
  tone: string;
}

export function ExampleCode({ title, files, other, tone }: ExampleCodeProps) {
  return (
    <div className="min-w-0">
      <h3 className="text-soft">{title}</h3>
      {Object.entries(files).map(([path, text]) => (
        <ExampleFile key={path} path={path} text={text} other={other[path]} tone={tone} />
      ))}
    </div>
  );
}

interface ExampleFileProps {
  path: string;
  text: string;
  /** The same file in the other state. */
  other: string | undefined;
  tone: string;
}

function ExampleFile({ path, text, other, tone }: ExampleFileProps) {
  const [tokens, setTokens] = useState<{ of: string; lines: Tokens }>();
  useEffect(() => {
    let current = true;
    void tokensOf(path, text).then((lines) => current && setTokens({ of: text, lines }));
    return () => {
      current = false;
    };
  }, [path, text]);
  const lines: Tokens =
    tokens?.of === text ? tokens.lines : text.split('\n').map((content) => [{ content, offset: 0 }]);
  const known = new Set(other?.split('\n').map((line) => line.trim()));
  return (
    <figure className="mb-2">
      <figcaption className="text-faint">{path}</figcaption>
      <pre className="code" aria-label={path}>
        {lines.map((line, at) => {
          const whole = line.map((token) => token.content).join('');
          const differs = other !== undefined && whole.trim() !== '' && !known.has(whole.trim());
          return (
            <div
              key={at}
              className={`min-h-[19px] px-1.5 break-words whitespace-pre-wrap ${differs ? tone : ''}`}
            >
              {line.map((token, i) => (
                <span key={i} style={token.color ? { color: token.color } : undefined}>
                  {token.content}
                </span>
              ))}
            </div>
          );
        })}
      </pre>
    </figure>
  );
}
