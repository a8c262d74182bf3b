// Starts the built server as a child and waits until it is ready.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { SetUpError } from './postgres.mjs';

export const root = fileURLToPath(new URL('..', import.meta.url));

/** Returns the address and the child; throws a SetUpError that says what to do. `log` takes what it writes once it is ready. */
export function startServer({ databaseUrl, port, demo, webRoot = join(root, 'web/dist'), log = () => {} }) {
  const child = spawn(process.execPath, ['--enable-source-maps', join(root, 'server/dist/main.mjs')], {
    // Its input is held open for as long as this process lives: when this is killed, the server ends too.
    stdio: ['pipe', 'pipe', 'inherit'],
    env: {
      ...process.env,
      ENDS_WITH_INPUT: 'yes',
      DATABASE_URL: databaseUrl,
      PORT: String(port),
      WEB_ROOT: webRoot,
      MIGRATIONS_FOLDER: join(root, 'server/migrations'),
      DEMO_FOLDER: join(root, 'demo'),
      LAY_IN_DEMO: String(demo),
    },
  });
  return new Promise((resolve, reject) => {
    let text = '';
    let isReady = false;
    child.stdout.on('data', (chunk) => {
      // Only what comes before it is ready is looked through; what follows goes to the log.
      if (isReady) return log(chunk);
      text += chunk;
      const address = /^ready (\S+)$/m.exec(text)?.[1];
      if (!address) return;
      isReady = true;
      text = '';
      resolve({ address, child });
    });
    child.once('exit', (code) => {
      reject(
        new SetUpError(
          code === 98
            ? `Port ${port} is taken. Stop what uses it, or choose another: ./start --port ${Number(port) + 1}`
            : code === 97
              ? 'The database of DATABASE_URL can’t be used; the line above says why. Mend the address, start that database, or leave DATABASE_URL out: then ./start brings its own'
              : `The server stopped (${code}) before it was ready; see the lines above`,
        ),
      );
    });
  });
}
