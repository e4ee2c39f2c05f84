import type { FileFacts } from '../../model/facts';
import type { LanguageDescriptor } from '../../model/language';
import { readVueFile } from './file';
import { BROUGHT, OFFERED } from './names';
import { readVueScript, usesVue } from './script';

const FILES = /\.vue$/;

export const VUE: LanguageDescriptor = {
  name: 'vue',
  title: 'Vue',
  endings: ['.vue'],
  files: FILES,
  claims: usesVue,
  read: (path, text): FileFacts => (FILES.test(path) ? readVueFile(path, text) : readVueScript(path, text)),
  parsers: ['@vue/compiler-sfc'],
  package: 'vue',
  built: ['.nuxt', '.output'],
  routers: ['nuxt', 'nuxt3', 'unplugin-vue-router', 'vite-plugin-pages'],
  routed: /(?:^|\/)(?:app|error)\.vue$/,
  pages: ['vitepress', '@nuxt/content'],
  plugins: {
    'vue-router': ['RouterView', 'RouterLink'],
    'vue-router/auto': ['RouterView', 'RouterLink'],
    pinia: [],
    vuex: [],
    '@vueuse/head': [],
    '@unhead/vue': ['Head'],
  },
  byFile: ['nuxt', 'nuxt3', 'unplugin-vue-components', 'vite-plugin-components', '@nuxt/components'],
  offers: { from: [BROUGHT], files: OFFERED },
  bringsNames: ['nuxt', 'nuxt3', 'unplugin-auto-import', '@nuxt/kit', '@nuxt/schema'],
};
