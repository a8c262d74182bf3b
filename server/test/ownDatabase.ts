import { randomUUID } from 'node:crypto';
import pg from 'pg';
import { inject } from 'vitest';

/** The address of a database of its own for a file of tests: what one lays in or empties is nobody else's. */
export async function ownDatabase(): Promise<string> {
  const url = inject('databaseUrl');
  const name = `tests_${randomUUID().replaceAll('-', '')}`;
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  await client.query(`create database ${name}`);
  await client.end();
  return Object.assign(new URL(url), { pathname: `/${name}` }).href;
}
