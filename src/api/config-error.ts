/** What is wrong with a settings file, in one line that names the key. */
export class ConfigError extends Error {}
