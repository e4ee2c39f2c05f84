import { expect, test } from 'vitest';
import { usesVue } from './script';

const BOX = 'export const useLine = () => { const wind = ref(1); return { wind }; };';

test.each<[what: string, path: string, text: string, isVue: boolean]>([
  ['a composable without imports', 'composables/useLine.ts', BOX, true],
  ['in a folder of the app', 'app/composables/line/index.ts', BOX, true],
  ['a store', 'stores/line.ts', "export const useLine = defineStore('line', () => ({}));", true],
  [
    'a composable that calls another',
    'composables/useWind.ts',
    'export const useWind = () => useLine();',
    true,
  ],
  ['the same elsewhere', 'utils/useWind.ts', 'export const useWind = () => useLine();', false],
  [
    'a helper of a folder of stores',
    'stores/paths.ts',
    'export const pathOf = (id) => `/line/${id}`;',
    false,
  ],
  [
    'the name from another package',
    'stores/line.ts',
    `import { computed } from 'mobx'; ${BOX.replace('ref', 'computed')}`,
    false,
  ],
  ['a name of its own', 'stores/line.ts', `const ref = (v) => ({ v }); ${BOX}`, false],
  ['of another framework', 'stores/line.ts', `import { useState } from 'react'; ${BOX}`, false],
  ['what imports the framework', 'anywhere.ts', `import { ref } from 'vue'; ${BOX}`, true],
])('%s', (_, path, text, isVue) => {
  expect(usesVue(path, text)).toBe(isVue);
});
