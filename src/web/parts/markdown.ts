/** What is copied into a ticket or a review: a finding, a strand, a usage table, as Markdown with the code. */
import type { ComponentView } from '../../api/component-schemas';
import type { Finding, StrandView } from '../../api/schemas';
import { ROLE_WORDS } from './roles';

const fenceOf = (file: string): string => file.split('.').at(-1) ?? '';

/** A cell of a table cannot hold what ends one. */
const cell = (text: string): string => text.replaceAll('|', '\\|').replace(/\s*\n\s*/g, ' ');

/** A finding with the places that prove it, each with its line of code. */
export function findingMarkdown(finding: Finding, link: string): string {
  const steps = finding.trail.flatMap((step, at) => [
    `${at + 1}. **${step.component}** \`${step.name}\` ${step.what}, \`${step.file}:${step.line}\``,
    '',
    `   \`\`\`${fenceOf(step.file)}`,
    ...step.code.split('\n').map((line) => `   ${line}`),
    '   ```',
    '',
  ]);
  return [
    `**${finding.level}** ${finding.message}`,
    '',
    `\`${finding.rule}\`, \`${finding.place.file}:${finding.place.line}\`, \`${finding.subject}\``,
    '',
    ...steps,
    link,
    '',
  ].join('\n');
}

/** A strand hop by hop, in the order of the data. */
export function strandMarkdown({ of, hops }: StrandView, link: string): string {
  return [
    `Strand of \`${of}\``,
    '',
    '| | component | name | type | what happens | where |',
    '|---|---|---|---|---|---|',
    ...hops.map(
      (hop, at) =>
        `| ${at + 1} | ${cell(hop.component)} | \`${cell(hop.name)}\` | ${hop.type ? `\`${cell(hop.type)}\`` : ''} | ${ROLE_WORDS[hop.role]} | \`${hop.place.file}:${hop.place.line}\` |`,
    ),
    '',
    link,
    '',
  ].join('\n');
}

/** The usage table of a component: call sites as rows, ports as columns. */
export function usageMarkdown(view: ComponentView, columns: string[], link: string): string {
  return [
    `Call sites of \`${view.name}\``,
    '',
    `| call site | ${columns.map((name) => `\`${name}\``).join(' | ')} |`,
    `|---${'|---'.repeat(columns.length)}|`,
    ...view.sites.map((site) => {
      const cells = columns.map((name) => {
        const text = site.cells[name]?.text;
        return text ? `\`${cell(text)}\`` : '';
      });
      return `| ${site.owner} \`${site.spot.file}:${site.spot.line}\` | ${cells.join(' | ')} |`;
    }),
    '',
    link,
    '',
  ].join('\n');
}
