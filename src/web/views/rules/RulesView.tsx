/** The rules: what each means, what it costs, how sure it is, with an example in the language of the project. */
import type { ReactNode } from 'react';
import { Link, useParams, useSearchParams } from 'react-router';
import type { AuditSummary, FindingRow, RuleView } from '../../../api/schemas';
import { api, reasonOf } from '../../api';
import { links } from '../../links';
import { languageName } from '../../parts/languages';
import { LevelWord, levelTone } from '../../parts/level';
import { Failed, Waiting } from '../../parts/states';
import { countBy } from '../findings/list';
import { ExampleCode } from './ExampleCode';

export function RulesView() {
  const { id = '' } = useParams();
  const [search] = useSearchParams();
  const { data: rules, error, refetch } = api.useRulesQuery();
  const { data: project } = api.useProjectQuery(id);
  const { data: findings } = api.useFindingsQuery(id);
  if (error) return <Failed reason={reasonOf(error)} retry={() => void refetch()} />;
  if (!rules || !project || !findings) return <Waiting what="the rules" />;
  const name = search.get('name');
  const rule =
    name === null
      ? rules.find((one) => findings.some(({ rule: of }) => of === one.name))
      : rules.find((one) => one.name === name);
  return (
    <div className="grid h-full grid-cols-[17rem_minmax(0,1fr)] grid-rows-[minmax(0,1fr)]">
      <RuleList project={id} rules={rules} findings={findings} chosen={rule?.name} />
      <main className="overflow-y-auto bg-sheet px-8 py-5" data-scroll="page">
        {rule ? (
          <Page project={id} rule={rule} findings={findings} audit={project.audit} />
        ) : (
          <p className="text-soft">
            {name === null ? 'Choose a rule.' : `There is no rule called ${name}. Choose one at the left.`}
          </p>
        )}
      </main>
    </div>
  );
}

interface RuleListProps {
  project: string;
  rules: RuleView[];
  findings: FindingRow[];
  chosen: string | undefined;
}

function RuleList({ project, rules, findings, chosen }: RuleListProps) {
  const open = findings.filter((one) => one.silenced === undefined);
  const counts = new Map(countBy(open, (one) => one.rule).map((one) => [one.value, one]));
  const groups = [...new Set(rules.map((one) => one.name.split('/')[0]!))];
  return (
    <nav aria-label="Rules" className="overflow-y-auto border-r border-line px-4 py-3">
      {groups.map((group) => (
        <section key={group} className="mb-3">
          <h2 className="text-soft">{group}</h2>
          {rules
            .filter((one) => one.name.startsWith(`${group}/`))
            .map((one) => (
              <Link
                key={one.name}
                to={links.rule(project, one.name)}
                aria-current={one.name === chosen ? 'page' : undefined}
                className={`-mx-1.5 flex justify-between gap-2 px-1.5 ${one.name === chosen ? 'bg-chosen font-medium' : 'hover:bg-hover'}`}
              >
                {one.name.split('/')[1]}
                <span className={`tabular-nums ${levelTone(counts.get(one.name)?.level ?? one.level)}`}>
                  {counts.get(one.name)?.count}
                </span>
              </Link>
            ))}
        </section>
      ))}
    </nav>
  );
}

interface PageProps {
  project: string;
  rule: RuleView;
  findings: FindingRow[];
  audit: AuditSummary | undefined;
}

/** So many findings of the rule are named. */
const FEW = 5;

function Page({ project, rule, findings, audit }: PageProps) {
  const own = findings.filter((one) => one.rule === rule.name && one.silenced === undefined);
  const spoken = Object.entries(audit?.languages ?? {}).sort((a, b) => b[1] - a[1]);
  const examples = spoken.flatMap(([name]) => rule.examples.filter((one) => one.language === name));
  const [example] = examples.length ? examples : rule.examples;
  return (
    <article className="max-w-[52rem]">
      <h1 className="flex items-baseline gap-3 text-[16px] font-semibold">
        {rule.name}
        <span className="text-[13px] font-normal">
          <LevelWord level={rule.level} />
        </span>
      </h1>
      <p className="mt-2">{rule.means}</p>
      <Part title="What it costs">{rule.costs}</Part>
      <Part title="How sure it is">{rule.sure}</Part>
      {example && (
        <section aria-label="Example" className="mt-4">
          <h2 className="font-medium">
            Example{' '}
            {example.language !== spoken[0]?.[0] && (
              <span className="font-normal text-soft">in {languageName(example.language)}</span>
            )}
          </h2>
          <div className="mt-1 grid grid-cols-2 gap-4">
            <ExampleCode title="before" files={example.before} other={example.after} tone="bg-gone" />
            <ExampleCode title="after" files={example.after} other={example.before} tone="bg-come" />
          </div>
        </section>
      )}
      <Part title="To silence it">
        At one place, in a comment above it:{' '}
        <span className="code">zinc-rope-ignore {rule.name}: why it may stay</span>. Everywhere, in
        zinc-rope.config.json: <span className="code">{`"rules": { "${rule.name}": "off" }`}</span>.
      </Part>
      <Part title="Here">
        {own.length === 0 && 'Nothing was found by it in this project.'}
        {own.slice(0, FEW).map((one) => (
          <span key={one.fingerprint} className="block truncate">
            <LevelWord level={one.level} />{' '}
            <Link className="underline" to={links.finding(project, one.fingerprint)}>
              {one.message}
            </Link>
          </span>
        ))}
        {own.length > FEW && (
          <Link className="text-soft underline" to={links.findings(project, { rule: rule.name })}>
            all {own.length}
          </Link>
        )}
      </Part>
    </article>
  );
}

function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="mt-3">
      <h2 className="font-medium">{title}</h2>
      <div>{children}</div>
    </section>
  );
}
