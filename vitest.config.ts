import { defineConfig } from 'vitest/config';

export default defineConfig({
  test: {
    projects: [
      { test: { name: 'core', include: ['core/src/**/*.test.ts'], environment: 'node' } },
      { test: { name: 'web', include: ['web/src/**/*.test.ts'], environment: 'node' } },
      { test: { name: 'cli', include: ['cli/test/**/*.test.ts'], environment: 'node' } },
      {
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
