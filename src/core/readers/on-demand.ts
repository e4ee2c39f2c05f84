/**
 * Parsers that are loaded when the first file needs them: most projects have files of one language, and a thread starts
 * in a third of the time without the parsers of the others.
 */
import { createRequire } from 'node:module';

const load = createRequire(import.meta.url);

export const vueCompiler = () => load('@vue/compiler-sfc') as typeof import('@vue/compiler-sfc');
export const svelteCompiler = () => load('svelte/compiler') as typeof import('svelte/compiler');
export const angularCompiler = () => load('@angular/compiler') as typeof import('@angular/compiler');
export const yamlParser = () => load('yaml') as typeof import('yaml');
export const htmlParser = () => load('parse5') as typeof import('parse5');
