/** Which files lie beside the app, where the settings do not say: tests, specs, stories and mocks. */
const NAMES = /\.(test|spec|stories|story|cy|mock)\.[^/]+$/;
const FOLDERS = /(^|\/)(__tests__|__mocks__|__stories__|tests?|stories|mocks|e2e|cypress)\//;

/** Tells of a path from the audited root, with slashes, whether it is that of such a file. */
export const isBesideApp = (path: string): boolean => NAMES.test(path) || FOLDERS.test(path);
