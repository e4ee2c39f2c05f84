/** Each file of tests has a database of its own in the cluster, which the server opens by DATABASE_URL. */
import { randomBytes } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';

const host = encodeURIComponent(inject('socket'));
const name = `test_${randomBytes(6).toString('hex')}`;
const client = new pg.Client({ connectionString: `postgresql://postgres@/postgres?host=${host}` });
await client.connect();
await client.query(`create database ${name}`);
await client.end();
process.env.DATABASE_URL = `postgresql://postgres@/${name}?host=${host}`;
