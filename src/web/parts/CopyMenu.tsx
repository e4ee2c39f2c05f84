/** Copies what is shown: as Markdown with the code, as a link, or as a picture; `c` copies the Markdown, `v` the picture. */
import { useState } from 'react';
import { useKeys } from '../keys';

interface CopyMenuProps {
  /** What the Markdown is, with the link to this page at its end; undefined until it is there. */
  markdown: ((link: string) => string) | undefined;
  /** The SVG of what is drawn, where something is. */
  picture?: () => string;
}

export function CopyMenu({ markdown, picture }: CopyMenuProps) {
  const [done, setDone] = useState<string>();
  const copy = (what: string, text: string) =>
    void navigator.clipboard.writeText(text).then(
      () => setDone(`${what} copied`),
      () => setDone('the browser does not let it be copied'),
    );
  const copyMarkdown = () => markdown && copy('Markdown', markdown(window.location.href));
  const copyPicture = picture && (() => copy('SVG', picture()));
  useKeys((event) => {
    if (event.key === 'c' && markdown) copyMarkdown();
    else if (event.key === 'v' && copyPicture) copyPicture();
    else return false;
    return true;
  });
  return (
    <span className="flex gap-x-3 text-soft">
      <button
        type="button"
        className="underline disabled:opacity-50"
        disabled={!markdown}
        onClick={copyMarkdown}
      >
        Copy as Markdown
      </button>
      <button type="button" className="underline" onClick={() => copy('Link', window.location.href)}>
        Copy the link
      </button>
      {copyPicture && (
        <button type="button" className="underline" onClick={copyPicture}>
          Copy as SVG
        </button>
      )}
      <span role="status">{done}</span>
    </span>
  );
}
