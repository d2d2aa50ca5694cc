/** The demo as a process of its own: started, waited for, ended. */
import { spawn, type ChildProcess } from 'node:child_process';
import { cpSync } from 'node:fs';
import { join, resolve } from 'node:path';
import { build } from 'vite';

export interface Running {
  readonly child: ChildProcess;
  readonly base: string;
  /** Exit code and everything said, once it has ended. */
  readonly ended: Promise<{ code: number | null; said: string }>;
}

const started: ChildProcess[] = [];

/** The whole demo command, and the server alone as it starts past install and build. */
export const DEMO = ['scripts/serve.cjs', '--demo'];
export const SERVER = ['--import=tsx', 'server/main.ts', '--demo'];
/** The same without a demo: a salon's own. */
export const PLAIN = ['--import=tsx', 'server/main.ts'];

/** The same server in one file, which starts in a third of the time: for tests that start it again and again. */
export async function builtServer(): Promise<readonly string[]> {
  // Within the house, where the packages that it leaves outside are found.
  const outDir = resolve('node_modules', '.cache', `woolly-tide-server-${process.pid}`);
  await build({
    configFile: false,
    logLevel: 'error',
    // All packages in the one file but those that bring machine code or threads.
    ssr: { noExternal: true, external: ['better-sqlite3', 'pino', 'tsx'] },
    build: { ssr: 'server/main.ts', outDir, emptyOutDir: true, target: 'node20' },
  });
  cpSync('server/db/migrations', join(outDir, 'migrations'), { recursive: true });
  return [join(outDir, 'main.js'), '--demo'];
}

/** Starts one of them. */
export function start(
  program: readonly string[],
  ...args: string[]
): { child: ChildProcess; ended: Running['ended']; said: () => string } {
  const child = spawn(process.execPath, [...program, ...args], {
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  started.push(child);
  let said = '';
  child.stdout.on('data', (d) => (said += String(d)));
  child.stderr.on('data', (d) => (said += String(d)));
  const ended = new Promise<{ code: number | null; said: string }>((over) =>
    child.on('close', (code) => over({ code, said })),
  );
  return { child, ended, said: () => said };
}

/** The demo on a free port, once it has printed its address. Throws with what it said when it ends instead. */
export async function up(program: readonly string[], data: string, ...args: string[]): Promise<Running> {
  const { child, ended, said } = start(program, '--port', '0', '--data', data, ...args);
  const early = ended.then((end) => {
    throw new Error(`ended with ${end.code}: ${end.said}`);
  });
  early.catch(() => undefined);
  const address = new Promise<string>((found) => {
    const look = (): void => {
      const [, base] = said().match(/Woolly Tide is up: (http:\/\/localhost:\d+)\//) ?? [];
      if (base) found(base.replace('localhost', '127.0.0.1'));
    };
    child.stdout?.on('data', look);
  });
  return { child, ended, base: await Promise.race([address, early]) };
}

/** Ends what is still running. */
export function killAll(): void {
  for (const child of started.splice(0)) if (child.exitCode === null) child.kill('SIGKILL');
}
