import { build } from 'esbuild';

await build({
  entryPoints: ['src/main.ts'],
  outfile: process.argv[2] ?? 'dist/main.mjs',
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  logLevel: 'warning',
  // CommonJS packages inside an ES module still call require.
  banner: {
    js: "import { createRequire as makeRequire } from 'node:module'; const require = makeRequire(import.meta.url);",
  },
});
