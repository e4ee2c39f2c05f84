/** What is said about a rule, as Markdown: for the documentation, the command line and machines that show help. */
import type { Example, RulePage } from '../pages/page';
import { pageOf } from '../pages';
import type { Rule } from '../rules/rule';
import { RULES } from '../rules';

/** A rule with its page, as the workbench gets it. */
export interface RuleWithPage extends RulePage {
  name: string;
  level: Rule['level'];
  summary: string;
}

const withPage = (rule: Rule): RuleWithPage => {
  const page = pageOf(rule.name);
  if (!page) throw new Error(`the rule ${rule.name} has no page`);
  return { name: rule.name, level: rule.level, summary: rule.summary, ...page };
};

/** All rules by name. */
export const rulesWithPages = (): RuleWithPage[] =>
  [...RULES].sort((a, b) => (a.name < b.name ? -1 : 1)).map(withPage);

/** A rule by its name, in any case; undefined if there is none. */
export function ruleNamed(name: string): RuleWithPage | undefined {
  const rule = RULES.find((one) => one.name === name.trim().toLowerCase());
  return rule && withPage(rule);
}

/** Tells how to silence a rule at one place, and as a whole. */
const silencing = (rule: string) => ({
  place: `// zinc-rope-ignore ${rule}: why it may stay`,
  whole: `"rules": { "${rule}": "off" }`,
});

/** Titles of code blocks by the ending of a file. */
const fence = (path: string): string => path.split('.').at(-1)!;

function exampleText({ language, before, after }: Example, several: boolean): string[] {
  const block = (path: string, text: string) => [`\`${path}\``, '', `\`\`\`${fence(path)}`, text, '```', ''];
  const files = (list: Record<string, string>) =>
    Object.entries(list).flatMap(([path, text]) => block(path, text));
  return [
    several ? `### ${language}` : '',
    ...(several ? [''] : []),
    'Before:',
    '',
    ...files(before),
    'After:',
    '',
    ...files(after),
  ].slice(several ? 0 : 1);
}

/** The page of a rule; of several examples the one in a language, where that is asked for and there is one. */
export function ruleMarkdown(rule: RuleWithPage, language?: string): string {
  const own = rule.examples.filter((one) => one.language === language);
  const examples = own.length ? own : rule.examples;
  const { place, whole } = silencing(rule.name);
  return [
    `# ${rule.name}`,
    '',
    `Level: ${rule.level}. ${rule.means}`,
    '',
    `**What it costs.** ${rule.costs}`,
    '',
    `**How sure it is.** ${rule.sure}`,
    '',
    examples.length > 1 ? '## Examples' : '## Example',
    '',
    ...examples.flatMap((one) => exampleText(one, examples.length > 1)),
    '## Silencing it',
    '',
    'At one place, in a comment above it, with the reason:',
    '',
    '```',
    place,
    '```',
    '',
    'Everywhere, in `zinc-rope.config.json`:',
    '',
    '```json',
    whole,
    '```',
    '',
  ].join('\n');
}

/** The list of all rules, with links to their pages. */
export function rulesIndex(): string {
  const groups = new Map<string, RuleWithPage[]>();
  for (const rule of rulesWithPages()) {
    const [group] = rule.name.split('/');
    groups.set(group!, [...(groups.get(group!) ?? []), rule]);
  }
  return [
    '# Rules',
    '',
    'What is reported, by name. Each page says what it means, what it costs, how sure it is, and how it is silenced.',
    '',
    ...[...groups].flatMap(([group, rules]) => [
      `## ${group}`,
      '',
      '| rule | level | what it finds |',
      '|---|---|---|',
      ...rules.map((rule) => `| [${rule.name}](${rule.name}.md) | ${rule.level} | ${rule.summary} |`),
      '',
    ]),
  ].join('\n');
}
