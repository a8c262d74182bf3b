import { build } from 'esbuild';

await build({
  entryPoints: ['src/main.ts', 'src/asideWorker.ts'],
  outdir: 'dist',
  outExtension: { '.js': '.mjs' },
  bundle: true,
  platform: 'node',
  format: 'esm',
  target: 'node20',
  external: ['pg-native'],
  // CommonJS packages inside an ES module still call require.
  banner: {
    js: "import { createRequire as requireFrom } from 'node:module'; const require = requireFrom(import.meta.url);",
  },
  logLevel: 'warning',
});
