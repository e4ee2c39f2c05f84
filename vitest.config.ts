import { defineConfig } from 'vitest/config';
import { postgresqlBinaries } from './tests/postgresql/binaries.ts';

// Some tests start processes one after the other, on machines that do other things, too.
const TIMEOUT = 120_000;

/** The tests of the server once more, on a PostgreSQL of their own. */
const onPostgresql = {
  test: {
    name: 'postgresql',
    include: ['src/server/**/*.test.ts', 'tests/postgresql/*.test.ts'],
    globalSetup: ['tests/postgresql/cluster.ts'],
    setupFiles: ['tests/postgresql/database.ts'],
    testTimeout: TIMEOUT,
  },
};

const installed = postgresqlBinaries() !== undefined;
if (!installed) console.warn('PostgreSQL is not installed: the tests of the server run on PGlite alone.');

export default defineConfig({
  test: {
    projects: [
      {
        test: {
          name: 'unit',
          include: ['src/**/*.test.ts', 'src/**/*.test.tsx', 'tests/**/*.test.ts'],
          exclude: ['**/node_modules/**', 'tests/postgresql/**'],
          testTimeout: TIMEOUT,
        },
      },
      ...(installed ? [onPostgresql] : []),
    ],
  },
});
