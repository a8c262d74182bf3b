// What the tests need besides the packages: PostgreSQL, a browser, compilers for the exported program, and a general
// circuit simulator that the netlists are held to.
import { existsSync } from 'node:fs';
import { browser } from './browser.mjs';
import { ensurePostgres, installDebian, SetUpError } from './postgres.mjs';

try {
  ensurePostgres();
  if (!existsSync(browser.launch.executablePath)) installDebian([browser.package]);
  if (!existsSync('/usr/bin/gcc') || !existsSync('/usr/bin/make')) installDebian(['gcc', 'libc6-dev', 'make']);
  if (!existsSync('/usr/bin/ngspice')) installDebian(['ngspice']);
  if (!existsSync('/usr/bin/avr-gcc')) installDebian(['gcc-avr', 'avr-libc']);
  if (!existsSync('/usr/bin/arm-none-eabi-gcc')) installDebian(['gcc-arm-none-eabi']);
} catch (error) {
  console.error(error instanceof SetUpError ? error.message : error);
  process.exit(1);
}
