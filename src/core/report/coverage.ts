/** The page of coverage: what is followed through which channel in which language, what is silent and why. */
import { CHANNELS, type Cell, type Covered } from '../pages/coverage';
import { LANGUAGES } from '../readers/languages';

const TITLES = new Map<string, string>(LANGUAGES.map((one) => [one.name, one.title]));

const languagesOf = (): Covered[] => Object.keys(CHANNELS[0]!.cells) as Covered[];

/** The page as Markdown. */
export function coverageMarkdown(): string {
  const languages = languagesOf();
  const mark = (cell: Cell): string => ('files' in cell ? 'followed' : 'silent' in cell ? 'silent' : '');
  const rows = CHANNELS.map(
    ({ name, cells }) => `| ${name} | ${languages.map((one) => mark(cells[one])).join(' | ')} |`,
  );
  const sections = CHANNELS.map(
    ({ name, asks, cells }) =>
      `## ${name[0]!.toUpperCase()}${name.slice(1)}\n\n${asks[0]!.toUpperCase()}${asks.slice(1)}\n\n` +
      languages.map((one) => `- ${TITLES.get(one)}: ${saidOf(cells[one])}`).join('\n'),
  );
  return `# What is followed

Each cell that says _followed_ is held by a test, which audits a small project and looks where its strand leads. _silent_:
the code is read, and nothing is said of it. Nothing: the language has nothing of the kind.

| | ${languages.map((one) => TITLES.get(one)).join(' | ')} |
|---|${languages.map(() => '---').join('|')}|
${rows.join('\n')}

${sections.join('\n\n')}
`;
}

function saidOf(cell: Cell): string {
  if ('files' in cell) return `${cell.by}. From \`${cell.from}\` to \`${cell.to}\` in the test.`;
  return 'silent' in cell ? `silent: ${cell.silent}.` : `${cell.absent}.`;
}
