// What the tests need besides the packages: PostgreSQL, a browser, compilers for the exported program, and a general
// circuit simulator that the netlists are held to.
import { existsSync } from 'node:fs';
import { browser } from './browser.mjs';
import { ensurePostgres, installDebian, SetUpError } from './postgres.mjs';

/** Debian's packages, by a program that each brings. */
const needed = new Map([
  [browser.launch.executablePath, [browser.package]],
  ['/usr/bin/gcc', ['gcc', 'libc6-dev']],
  ['/usr/bin/make', ['make']],
  ['/usr/bin/ngspice', ['ngspice']],
  ['/usr/bin/avr-gcc', ['gcc-avr', 'avr-libc']],
  ['/usr/bin/arm-none-eabi-gcc', ['gcc-arm-none-eabi']],
]);

try {
  ensurePostgres();
  const missing = [...needed].flatMap(([program, packages]) => (existsSync(program) ? [] : packages));
  if (missing.length > 0) installDebian(missing);
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
}
