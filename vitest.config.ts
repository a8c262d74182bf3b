import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    // Only a guard against hanging: no test depends on the machine's speed.
    testTimeout: 300_000,
    hookTimeout: 120_000,
    // By itself it leaves one core idle, which of two is half the time.
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        // Core keeps nothing but caches of what follows from its input: its files share one load of it.
        test: { name: 'core', include: ['core/src/**/*.test.ts'], environment: 'node', isolate: false },
      },
      { extends: true, test: { name: 'firmware', include: ['firmware/test/**/*.test.ts'], environment: 'node' } },
      { extends: true, test: { name: 'web', include: ['web/src/**/*.test.ts'], environment: 'node' } },
      { extends: true, test: { name: 'cli', include: ['cli/test/**/*.test.ts'], environment: 'node' } },
      {
        extends: true,
        test: {
          name: 'server',
          include: ['server/test/**/*.test.ts', 'scripts/**/*.test.ts'],
          environment: 'node',
          globalSetup: ['server/test/database.ts'],
          fileParallelism: false,
        },
      },
    ],
  },
});
