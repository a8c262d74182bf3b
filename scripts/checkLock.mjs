// npm sometimes writes a lock file without some platform packages, and `npm ci` then fails on another machine.
// Every platform counts, not only ours: `npm ci` refuses a lock file that lacks any of them.
import { readFileSync } from 'node:fs';

const { packages } = JSON.parse(readFileSync('package-lock.json', 'utf8'));
const names = new Set(Object.keys(packages).map((path) => path.replace(/^.*node_modules\//, '')));
const missing = Object.entries(packages).flatMap(([path, entry]) =>
  Object.keys(entry.optionalDependencies ?? {})
    .filter((name) => !names.has(name))
    .map((name) => `${path || 'the root'} wants ${name}`),
);
if (missing.length > 0) {
  console.error(
    `package-lock.json is incomplete; remove it with node_modules and run npm install again:\n${missing.join('\n')}`,
  );
  process.exit(1);
}
