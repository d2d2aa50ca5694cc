/** The demo as a process of its own: started, waited for, ended. */
import { spawn, type ChildProcess } from 'node:child_process';

export interface Running {
  readonly child: ChildProcess;
  readonly base: string;
  /** Exit code and everything said, once it has ended. */
  readonly ended: Promise<{ code: number | null; said: string }>;
}

const started: ChildProcess[] = [];

/** The whole demo command, and the server alone as it starts past install and build. */
export const DEMO = ['scripts/serve.cjs', '--demo'];
export const SERVER = ['dist.server/main.js', '--demo'];
/** The same without a demo: a salon's own. */
export const PLAIN = ['dist.server/main.js'];
/** The safe from the command line. */
export const SAFE = ['dist.server/safe.js'];

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

/** Ends what is still running; the end of this process does so too. */
export function killAll(): void {
  for (const child of started.splice(0)) if (child.exitCode === null) child.kill('SIGKILL');
}
process.on('exit', killAll);
