// What the tests need besides the packages: PostgreSQL and a browser.
import { existsSync } from 'node:fs';
import { ensurePostgres, installDebian, SetUpError } from './postgres.mjs';

try {
  ensurePostgres();
  if (!existsSync('/usr/bin/chromium')) installDebian(['chromium']);
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
}
