/** SARIF 2.1.0 (OASIS standard, 27 March 2020). */
import { shareOf, WELL_JOINED } from '../link/joined';
import { RULES } from '../rules';
import { ruleMarkdown, ruleNamed } from './rule-page';
import type { Spot } from './places';
import { type Report, type ReportedFinding, stepsElsewhere, stepText } from './summary';

const SCHEMA = 'https://json.schemastore.org/sarif-2.1.0.json';

/** A path as a URI reference relative to the audited root. */
const uri = (path: string): string => path.split('/').map(encodeURIComponent).join('/');

const physical = (spot: Spot) => ({
  artifactLocation: { uri: uri(spot.file), uriBaseId: 'ROOT' },
  region: {
    startLine: spot.line,
    startColumn: spot.column,
    endLine: spot.endLine,
    endColumn: spot.endColumn,
  },
});

function resultOf(
  finding: ReportedFinding,
  rules: Map<string, number>,
  fresh: ReadonlySet<ReportedFinding> | undefined,
) {
  return {
    ...(fresh ? { baselineState: fresh.has(finding) ? 'new' : 'unchanged' } : {}),
    ruleId: finding.rule,
    ruleIndex: rules.get(finding.rule),
    level: finding.level,
    message: { text: finding.message },
    locations: [
      {
        physicalLocation: physical(finding.place),
        logicalLocations: [{ fullyQualifiedName: finding.subject, name: finding.component }],
      },
    ],
    relatedLocations: stepsElsewhere(finding).map((step, id) => ({
      id,
      physicalLocation: physical(step),
      message: { text: stepText(step) },
    })),
    ...fixesOf(finding),
    codeFlows: [
      {
        threadFlows: [
          {
            locations: finding.trail.map((step) => ({
              location: {
                physicalLocation: physical(step),
                message: { text: stepText(step) },
              },
            })),
          },
        ],
      },
    ],
    partialFingerprints: { 'zincRope/v1': finding.fingerprint },
    suppressions:
      finding.silenced === undefined ? [] : [{ kind: 'inSource', justification: finding.silenced }],
  };
}

/** The mechanical repair, where there is one. */
function fixesOf({ edit, suggestion }: ReportedFinding) {
  if (!edit) return {};
  const { artifactLocation, region } = physical(edit);
  const replacements = [{ deletedRegion: region, insertedContent: { text: edit.text } }];
  return {
    fixes: [
      {
        ...(suggestion ? { description: { text: suggestion } } : {}),
        artifactChanges: [{ artifactLocation, replacements }],
      },
    ],
  };
}

/** Said where many tags were not joined, so that silence is not taken for soundness; the places of the first. */
function joinedNotes({ joined, gaps }: Report) {
  const { tag } = joined.tallies;
  if (shareOf(tag) >= WELL_JOINED) return [];
  const places = gaps.filter((one) => one.kind === 'tag').slice(0, 20);
  return [
    {
      level: 'warning',
      descriptor: { id: 'joined' },
      message: {
        text: `Joined ${tag.joined} of ${tag.written} tags to the components that they name; about the rest nothing is reported.`,
      },
      locations: places.map((one) => ({
        physicalLocation: physical(one),
        message: { text: `${one.name}: ${one.reason}` },
      })),
    },
  ];
}

/** What machines show of a rule: as text, and with its examples. */
function helpOf(name: string) {
  const rule = ruleNamed(name)!;
  return {
    text: `${rule.means} ${rule.costs} ${rule.sure}`,
    markdown: ruleMarkdown(rule),
  };
}

/** A SARIF log of one run, ready to be written as JSON. `fresh` are the findings that an earlier audit does not have. */
export function sarifReport(report: Report, version: string, fresh?: ReadonlySet<ReportedFinding>): object {
  const rules = new Map(RULES.map((rule, index) => [rule.name, index]));
  return {
    $schema: SCHEMA,
    version: '2.1.0',
    runs: [
      {
        tool: {
          driver: {
            name: 'Zinc Rope',
            version,
            rules: RULES.map((rule) => ({
              id: rule.name,
              shortDescription: { text: rule.summary },
              help: helpOf(rule.name),
              defaultConfiguration: { level: rule.level },
            })),
          },
        },
        columnKind: 'utf16CodeUnits',
        originalUriBaseIds: { ROOT: { description: { text: 'The audited folder.' } } },
        invocations: [
          {
            executionSuccessful: true,
            toolExecutionNotifications: [
              ...joinedNotes(report),
              ...report.problems.map((problem) => ({
                level: 'error',
                message: { text: problem.message },
                locations: [
                  {
                    physicalLocation: {
                      artifactLocation: { uri: uri(problem.file), uriBaseId: 'ROOT' },
                      region: { startLine: problem.line, startColumn: problem.column },
                    },
                  },
                ],
              })),
            ],
          },
        ],
        results: report.findings.map((finding) => resultOf(finding, rules, fresh)),
      },
    ],
  };
}
