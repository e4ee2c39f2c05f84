/** For tests: audits snippets and shows findings as short lines. */
import { expect, test } from 'vitest';
import { auditSources } from '../audit';
import type { Finding } from '../model/finding';
import { lineIndex } from '../model/lines';
import { located } from '../model/parts';
import type { Place, ProjectFile } from '../model/project';
import type { Settings } from '.';

export type Sources = Record<string, string>;

/** Findings as `level rule path:line text-at-place`, in order. */
export function findingLines(sources: Sources, settings?: Settings): string[] {
  const { result } = auditSources(sources, settings);
  return result.findings.map((finding) =>
    lineOf(sources, finding, located(result.project, finding.place), result.project.files),
  );
}

function lineOf(sources: Sources, finding: Finding, place: Place, files: ProjectFile[]): string {
  const { path } = files[place.file]!;
  const text = sources[path]!;
  const at = text.slice(place.start, place.end).replace(/\s+/g, ' ');
  const level = finding.silenced === undefined ? finding.level : 'silenced';
  return `${level} ${finding.rule} ${path}:${lineIndex(text).at(place.start).line} ${at}`;
}

/** Roots that mount `App`, so that nothing counts as unused only for want of one. */
export const MOUNT: Sources = {
  'main.tsx': `import { createRoot } from 'react-dom/client';
import { App } from './App';
createRoot(document.body).render(<App />);`,
};
export const VUE_MOUNT: Sources = {
  'main.ts': `import { createApp } from 'vue';
import App from './App.vue';
createApp(App).mount('#app');`,
};
export const SVELTE_MOUNT: Sources = {
  'main.ts': `import { mount } from 'svelte';
import App from './App.svelte';
mount(App, { target: document.body });`,
};

export const ANGULAR_MOUNT: Sources = {
  'main.ts': `import { bootstrapApplication } from '@angular/platform-browser';
import { App } from './app';
bootstrapApplication(App);`,
  'package.json': '{ "name": "line", "private": true, "dependencies": { "@angular/core": "^20.0.0" } }',
};

/** One row of a table: what it shows, the sources beside the mounting root, and the findings that must come. */
export type Case = [shows: string, sources: Sources | string, expected: string[]];

/**
 * Runs tables of cases beside a mounting root. A case given as text is the file of the app. `only` keeps the findings
 * of some rules, so that a case may be about one thing.
 */
export const casesFor =
  (mount: Sources, app: string) =>
  (only: RegExp, table: Case[]): void => {
    test.each(table)('%s', (_shows, sources, expected) => {
      const all = { ...mount, ...(typeof sources === 'string' ? { [app]: sources } : sources) };
      const lines = findingLines(all).filter((line) => only.test(line.split(' ')[1]!));
      expect(lines).toEqual(expected);
    });
  };

export const cases = casesFor(MOUNT, 'App.tsx');
