/** Where PostgreSQL is installed: on the path, or where Debian's package puts it. */
import { existsSync, readdirSync } from 'node:fs';
import { delimiter, join } from 'node:path';

const DEBIAN = '/usr/lib/postgresql';

/** The folder of PostgreSQL's programs, the latest of several; undefined where it is not installed. */
export function postgresqlBinaries(): string | undefined {
  const versions = existsSync(DEBIAN) ? readdirSync(DEBIAN).sort((a, b) => Number(b) - Number(a)) : [];
  const folders = [
    ...versions.map((version) => join(DEBIAN, version, 'bin')),
    ...(process.env.PATH ?? '').split(delimiter),
  ];
  return folders.find((folder) => existsSync(join(folder, 'initdb')) && existsSync(join(folder, 'postgres')));
}
