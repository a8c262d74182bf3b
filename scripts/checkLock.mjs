// npm sometimes writes a lock file without some platform packages, and `npm ci` then fails on another machine.
// The application is for Debian: x64 and arm64 with the GNU C library.
import { readFileSync } from 'node:fs';

const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const isOurs = (name) =>
  /linux-(x64|arm64)(-gnu)?$/.test(name) ||
  !/(android|darwin|freebsd|linux|openharmony|win32|wasm32|sunos|aix|netbsd|openbsd|musl)/.test(name);
const names = new Set(Object.keys(packages).map((path) => path.replace(/^.*node_modules\//, '')));
const missing = Object.entries(packages).flatMap(([path, entry]) =>
  Object.keys(entry.optionalDependencies ?? {})
    .filter((name) => isOurs(name) && !names.has(name))
    .map((name) => `${path || 'the root'} wants ${name}`),
);
if (missing.length > 0) {
  console.error(
    `package-lock.json is incomplete; remove it with node_modules and run npm install again:\n${missing.join('\n')}`,
  );
  process.exit(1);
}
