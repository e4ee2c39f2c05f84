/**
 * A spare parts depot in Razor, in the ways in which such components are commonly written: grids with templates, forms,
 * wizards, settings that cascade, dialogs by a service, long lists, gates for roles, layouts, bases in C#. About half of
 * them have a fault; nothing is said of the others.
 */
import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { expect, test } from 'vitest';
import { auditSources } from '../../src/core/audit';
import { lineIndex } from '../../src/core/model/lines';
import { located } from '../../src/core/model/parts';

const ROOT = join(dirname(fileURLToPath(import.meta.url)), 'depot');

const FOUND = [
  'error template/unknown-name Access/PassBadge.razor:1',
  'warning prop/unread Access/PassBadge.razor:5',
  'error context/no-provider Access/ShiftGate.razor:6',
  'error slot/unknown Dialogs/NoteDialog.razor:5',
  'note component/inherits Forms/ChoiceField.razor:2',
  'note prop/never-passed Forms/ChoiceField.razor:13',
  'note component/inherits Forms/DateField.razor:1',
  'error prop/unknown Forms/DateField.razor:3',
  'warning prop/unread Forms/FormErrors.razor:13',
  'error prop/missing Forms/HoldForm.razor:1',
  'error event/payload-clash Forms/HoldForm.razor:2',
  'note component/inherits Forms/NumberField.razor:1',
  'note component/inherits Forms/TextField.razor:1',
  'error slot/unknown Grid/CabinGrid.razor:5',
  'note prop/never-passed Grid/CountBadge.razor:5',
  'error prop/missing Grid/ShelfGrid.razor:1',
  'error prop/type-clash Grid/ShelfGrid.razor:1',
  'error prop/type-clash Layout/MainLayout.razor:8',
  'error slot/no-outlet Layout/MainLayout.razor:12',
  'error ref/unknown-member Lists/LogList.razor:15',
  'warning portal/state-lost Lists/SplitList.razor:8',
  'warning ref/unattached Live/BlindTower.razor:4',
  'error event/payload-clash Live/CabinTrack.razor:4',
  'warning prop/overwritten Live/CabinTrack.razor:11',
  'note prop/never-passed Live/WindGauge.razor:5',
  'error component/unresolved Pages/Start.razor:11',
  'error prop/unknown Pages/Yard.razor:9',
  'error event/called-early Pages/Yard.razor:10',
  'note prop/never-passed Settings/DayText.razor:6',
  'note component/inherits Settings/LinePanel.razor:1',
  'error template/unknown-name Settings/LinePanel.razor:3',
  'note component/inherits Settings/SettingsPanel.razor:1',
  'warning context/unread Settings/SettingsRoot.razor:2',
  'error event/unknown Wizard/HireWizard.razor:6',
  'warning context/no-provider Wizard/WizardStep.razor:10',
  'note event/half-pair Yard/Crane.razor:1',
  'note ref/unread Yard/Crane.razor:9',
  'error ref/early-read Yard/Crane.razor:11',
  'warning event/never-emitted Yard/CrateCard.razor:9',
  'note prop/stale-copy Yard/CrateCard.razor:11',
  'warning prop/drilled Yard/GateHouse.razor:4',
  'error slot/unknown Yard/LoadPage.razor:5',
  'warning prop/overwritten Yard/RopeReel.razor:7',
  'warning event/unheard Yard/WeighBridge.razor:5',
  'warning event/unheard Yard/WeighBridge.razor:6',
  'warning prop/drilled Yard/YardBlock.razor:4',
  'warning prop/drilled Yard/YardBlock.razor:5',
  'note component/unused Yard/YardClock.razor:1',
  'warning prop/unread Yard/YardSign.razor:5',
];

const sources = Object.fromEntries(
  readdirSync(ROOT, { recursive: true, withFileTypes: true })
    .filter((one) => one.isFile())
    .map((one) => join(one.parentPath, one.name))
    .map((path) => [relative(ROOT, path).replaceAll('\\', '/'), readFileSync(path, 'utf8')]),
);

test('each fault of the depot is found, and nothing else', () => {
  const { project, findings } = auditSources(sources).result;
  expect(project.components.filter((one) => one.facts.role === 'component').length).toBeGreaterThan(80);
  const lines = findings.map(({ level, rule, place }) => {
    const { file, start } = located(project, place);
    const { path } = project.files[file]!;
    return `${level} ${rule} ${path}:${lineIndex(sources[path]!).at(start).line}`;
  });
  expect(lines.sort()).toEqual([...FOUND].sort());
});
