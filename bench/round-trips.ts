/**
 * `npm run bench -- round-trips [FOLDER…]`: writes published sources as sheets, reads these back, and says what is not the
 * same. Without folders it takes packages that are pinned here.
 */
import { auditSources } from '../src/core/audit';
import { sheetText } from '../src/core/readers/sheet/text';
import { sheetOf } from '../src/core/report/sheet';
import { roundTrip } from '../src/core/report/sheet/round-trip';
import { auditFolder } from '../src/server/engine/audit-folder';
import { folderOf } from './snapshot/packages';

const PACKAGES = [
  '@slidev/client@52.20.1',
  '@vuepress/theme-default@1.9.10',
  '@sanity/vision@6.10.1',
  '@histoire/app@0.17.17',
  '@keystone-ui/fields@8.0.0',
  'uview-ui@2.0.38',
];
/** Differences that are printed. */
const SHOWN = 8;

export async function roundTrips(folders: string[]): Promise<void> {
  const all = folders.length ? folders : PACKAGES;
  for (const one of all) {
    const found = await auditFolder(folders.length ? one : folderOf(one), {});
    const { project } = found.audit.result;
    const began = performance.now();
    const { sheet, names } = sheetOf(project, one);
    const text = sheetText(sheet);
    const took = performance.now() - began;
    const back = auditSources({ 'all.rope.yaml': text }).result;
    const { interfaces, sites, strands, differences } = roundTrip(project, names, back.project);
    const of = (kind: string) => differences.filter((other) => other.of === kind).length;
    console.log(
      `${one}: ${interfaces} interfaces (${of('interface')} differ), ${sites} call sites (${of('site')}), ` +
        `${strands} strands (${of('strand')}); ${back.problems.length} problems; ` +
        `${Math.round(text.length / 1024)} kB written in ${Math.round(took)} ms`,
    );
    for (const { text: shown } of differences.slice(0, SHOWN)) console.log(`  ${shown.slice(0, 300)}`);
    for (const { line, message } of back.problems.slice(0, SHOWN)) console.log(`  ${line}: ${message}`);
  }
}
