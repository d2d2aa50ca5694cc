/* What npm test runs, and how it counts. Tasks stand in one queue, longest first; a few run at once.
   On a fresh machine the database engine is compiled and Chromium fetched while what needs neither is tested. Every task
   has a limit: what passes it is ended with all it had started, and counts as failed with what it had said. */
'use strict';
const child = require('child_process');
const fs = require('fs');
const os = require('os');
const path = require('path');
const setup = require('./setup.cjs');

/* Each compiles with the types of its own world only; what runs on Node shares one. */
const PROGRAMS = ['core', 'contract', 'tsconfig.node.json', 'web', 'tests'];
const MINUTE_MS = 60_000;
/* A full run draws every sample (tests/samples.ts) and may take as long as that needs. */
const full = process.env.SAMPLES === 'full';
/* For a task, and within it for one test: long enough for a busy machine, where a slow test is no failed one. */
const TASK_LIMIT_MS = (full ? 60 : 20) * MINUTE_MS;
const TEST_LIMIT_MS = (full ? 20 : 4) * MINUTE_MS;
/* What is ended is first asked to end; its files and servers are let go of. */
const GRACE_MS = 3_000;
const SLOWEST_SHOWN = 12;
/* Functions that hold too much: by their branches or by their lines. This number only goes down. */
const MOST_WARNINGS = 92;
/* Tests in a browser wait for frames and timers a third of their time: one task more than there are cores fills it. */
const LANES = os.cpus().length + 1;

const total = { passed: 0, failed: 0 };
const timings = [];
/* The demo salon takes seconds to fill: the processes of one run share it. */
const scratch = fs.mkdtempSync(path.join(os.tmpdir(), 'woolly-tide-test-'));
const bin = (name) => path.join(setup.ROOT, 'node_modules', '.bin', name);
/* The compiler that is a program of the machine: a tenth of the time. The linter reads with the other. */
const TSC = path.join(setup.ROOT, 'node_modules', 'typescript-native', 'bin', 'tsc');

/* Tests run as built JavaScript: each process would else read six hundred modules of TypeScript again. Faults are told by their source. */
const BUILT_TESTS = path.join(setup.ROOT, 'node_modules', '.cache', 'woolly-tide-tests');
const MAPPED = { NODE_OPTIONS: '--enable-source-maps' };

/* Groups of processes that run now, to be ended with the run. */
const running = new Set();
const endGroup = (pid, signal) => {
  try {
    process.kill(-pid, signal);
  } catch {
    // It has ended already.
  }
};

/* A program's end: its exit code, all it said, and whether it was ended at its limit. */
function run(command, args, { env = {}, cwd = setup.ROOT, limitMs = TASK_LIMIT_MS } = {}) {
  return new Promise((resolve) => {
    const began = Date.now();
    // In a group of its own, so that what it started is ended with it.
    const started = child.spawn(command, args, {
      stdio: ['ignore', 'pipe', 'pipe'],
      cwd,
      env: { ...process.env, ...env },
      detached: true,
    });
    const said = [];
    let limited = false;
    if (started.pid) running.add(started.pid);
    const timer = setTimeout(() => {
      limited = true;
      endGroup(started.pid, 'SIGTERM');
      setTimeout(() => endGroup(started.pid, 'SIGKILL'), GRACE_MS);
    }, limitMs);
    started.stdout.on('data', (d) => said.push(d));
    started.stderr.on('data', (d) => said.push(d));
    let ended = false;
    const end = (code, more = '') => {
      if (ended) return;
      ended = true;
      clearTimeout(timer);
      // What the program left behind would hold the run, or the next.
      endGroup(started.pid, 'SIGKILL');
      running.delete(started.pid);
      const late = limited ? `\nEnded at its limit of ${limitMs / MINUTE_MS} minutes.` : '';
      resolve({ code, text: Buffer.concat(said).toString() + more + late, ms: Date.now() - began });
    };
    started.on('error', (problem) => end(-1, problem.message));
    // A child of its that lives on may hold its pipes open: its own end is what counts, after what it said has come.
    started.on('exit', (code) => setTimeout(() => end(code ?? -1), 500));
    started.on('close', (code) => end(code ?? -1));
  });
}

const say = (ok, title, ms) => console.log(`${ok ? 'ok   ' : 'FAIL '}${title}  ${Math.round(ms / 1000)} s`);

/* A check that counts as one: passed when the command ends with 0. */
const check = (title, command, args) => async () => {
  const { code, text, ms } = await run(command, args);
  total[code === 0 ? 'passed' : 'failed']++;
  say(code === 0, title, ms);
  if (code !== 0) console.log(text);
};

/* What the tests of a part came to so far, by its title; a part that the run's end cuts short is counted as far as it was. */
const unfinished = new Map();
function counted(title) {
  const countsFile = unfinished.get(title);
  unfinished.delete(title);
  const none = { passed: 0, failed: 0, ended: false, tests: [] };
  const got = fs.existsSync(countsFile) ? JSON.parse(fs.readFileSync(countsFile, 'utf8')) : none;
  total.passed += got.passed;
  total.failed += got.failed;
  timings.push(...got.tests.map((t) => ({ ...t, stage: title })));
  return got;
}

/* Mocha tests of a list of files; a run that dies, is ended early or executes nothing is a failure. */
const mocha = (title, files) => async () => {
  const countsFile = path.join(fs.mkdtempSync(path.join(scratch, 'counts-')), 'counts.json');
  unfinished.set(title, countsFile);
  const { code, text, ms } = await run(
    bin('mocha'),
    ['--exit', '--reporter', 'scripts/count-reporter.cjs', '--timeout', String(TEST_LIMIT_MS), 'scripts/import-tests.mjs'],
    { env: { ...MAPPED, COUNTS_FILE: countsFile, DEMO_FOLDER: scratch, BUILT_TESTS, TEST_FILES: files.join(path.delimiter) } },
  );
  const got = counted(title);
  const died = !got.ended || got.passed + got.failed === 0 || (code !== 0 && got.failed === 0);
  if (died) total.failed++;
  const ok = !died && got.failed === 0;
  say(ok, `${title}: ${got.passed} passed, ${got.failed} failed`, ms);
  if (died) console.log(`The run of ${title} ended with ${code} after ${got.passed + got.failed} tests.`);
  if (!ok) console.log(text);
};

const testFiles = (stage) =>
  fs
    .readdirSync(path.join('tests', stage), { recursive: true })
    .filter((name) => name.endsWith('.test.ts'))
    .sort()
    .map((name) => path.join('tests', stage, name));

/* Files that take longest, in each stage: they are begun first and shared out, so that none is left to run alone. */
const LONGEST = {
  core: ['bench-properties', 'follow-properties', 'home-plan', 'ranking-properties', 'plan-properties'],
  reference: ['day-sheet', 'book-year', 'rota', 'allotment'],
  server: ['safe', 'walk', 'door', 'bad-input'],
  faults: ['fuzz', 'session-kill', 'disk'],
  browser: ['each-room-1', 'each-room-2', 'book', 'walk', 'table', 'script', 'bench'],
};
function shards(stage, count) {
  const all = testFiles(stage);
  const first = (LONGEST[stage] ?? []).map((name) => path.join('tests', stage, `${name}.test.ts`)).filter((f) => all.includes(f));
  const ordered = [...first, ...all.filter((f) => !first.includes(f))];
  const parts = Array.from({ length: count }, () => []);
  // There and back again, so that the longest and the second are not always together.
  ordered.forEach((file, i) => {
    const k = i % (2 * count);
    parts[k < count ? k : 2 * count - 1 - k].push(file);
  });
  return parts.filter((p) => p.length > 0);
}
const sharded = (stage, count, needs) =>
  shards(stage, count).map((files, i, { length }) => ({
    stage,
    needs,
    work: mocha(length > 1 ? `${stage} ${i + 1}/${length}` : stage, files),
  }));

/* Compiles the database engine when that is still to be done; false when it cannot be. */
async function makeNative() {
  const build = setup.nativeBuild();
  if (!build) return true;
  const { code, text, ms } = await run(build.command, build.args, { env: build.env, limitMs: 20 * MINUTE_MS });
  if (code === 0) build.done();
  say(code === 0, 'database engine built', ms);
  if (code !== 0) console.log(`${text}\n${setup.NOT_INSTALLED}`);
  return code === 0;
}

const hasChromium = () => child.spawnSync('sh', ['-c', 'command -v chromium-headless-shell || command -v chromium']).status === 0;

/* Chromium for the browser tests: from Debian's packages, by apt-get where this user may. */
async function makeChromium() {
  if (hasChromium()) return true;
  const get = (name) => `apt-get install -y --no-install-recommends ${name}`;
  // The one without windows takes a third less of the processor; every Debian has the other.
  const command = `apt-get update && (${get('chromium-headless-shell')} || ${get('chromium')})`;
  if (process.getuid && process.getuid() === 0) {
    console.log('Installing Chromium from the Debian packages ...');
    const { text } = await run('sh', ['-c', command], { env: { DEBIAN_FRONTEND: 'noninteractive' }, limitMs: 20 * MINUTE_MS });
    if (hasChromium()) return true;
    console.log(`apt-get did not bring Chromium:\n${text.slice(-2000)}`);
  }
  console.log(`FAIL browser: there is no Chromium on the PATH. Install it with:  sudo sh -c "${command}"`);
  return false;
}

/* Something that is built by a function of setup.cjs. */
const maker = (title, build) => async () => {
  const { code, text, ms } = await run(process.execPath, ['-e', `require('./scripts/setup.cjs').${build}()`]);
  say(code === 0, title, ms);
  if (code !== 0) console.log(text);
  return code === 0;
};

/* The demo salons that tests begin with: they take a while to fill, and the processes of one run share them. */
async function makeDemo() {
  const { code, text, ms } = await run(process.execPath, [path.join(BUILT_TESTS, 'tests', 'fill-demo.js')], { env: { DEMO_FOLDER: scratch } });
  say(code === 0, 'demo salons filled', ms);
  if (code !== 0) console.log(text);
  return code === 0;
}

/* What some tasks need first, made once, and what that needs itself. */
const MAKERS = {
  tests: { make: maker('tests built', 'buildTests'), needs: [] },
  native: { make: makeNative, needs: [] },
  chromium: { make: makeChromium, needs: [] },
  web: { make: maker('interface built', 'buildWeb'), needs: [] },
  server: { make: maker('server built', 'buildServer'), needs: [] },
  demo: { make: makeDemo, needs: ['tests', 'native'] },
};

/* Longest first, so that none of them is left to run alone at the end. */
const tasks = () => [
  ...sharded('browser', 2, ['demo', 'chromium', 'web', 'server']),
  ...sharded('faults', 2, ['demo', 'server']),
  ...sharded('server', 2, ['demo']),
  ...sharded('core', 2, ['tests']),
  ...sharded('reference', 2, ['tests']),
  { stage: 'lint', needs: [], work: check('lint', bin('eslint'), ['--max-warnings', String(MOST_WARNINGS), '--cache', '--cache-location', 'node_modules/.cache/eslint/', '.']) },
  { stage: 'format', needs: [], work: check('format', bin('prettier'), ['--check', '--log-level', 'warn', '--cache', '--cache-strategy', 'content', '.']) },
  ...sharded('cli', 1, ['tests', 'native', 'server']),
  { stage: 'types', needs: [], work: check('replies described', process.execPath, [path.join('scripts', 'reply-schemas.mjs'), '--check']) },
  ...PROGRAMS.map((program) => ({ stage: 'types', needs: [], work: check(`types ${program}`, process.execPath, [TSC, '-p', program]) })),
];

/* Runs the tasks, some at once; one whose needs are not made yet waits for them. */
async function runAll(wanted) {
  const queue = tasks().filter(({ stage }) => wanted.length === 0 || wanted.includes(stage));
  const unknown = wanted.filter((name) => !queue.some(({ stage }) => stage === name));
  if (unknown.length > 0) {
    total.failed++;
    console.log(`FAIL There is no stage called ${unknown.join(' or ')}.`);
  }
  const made = new Map();
  const asked = new Set();
  const ask = (name) => {
    MAKERS[name].needs.forEach(ask);
    asked.add(name);
  };
  queue.forEach(({ needs }) => needs.forEach(ask));
  // They run beside the tasks: the engine takes a core for a while, apt mostly waits.
  const makings = new Map();
  const making = [...asked].map((name) => {
    const work = (async () => {
      const begun = (await Promise.all(MAKERS[name].needs.map((n) => makings.get(n)))).every(Boolean);
      // What could not even be begun is missing too: nobody may wait for it.
      const ok = begun && (await MAKERS[name].make());
      if (begun && !ok) total.failed++;
      made.set(name, ok);
      wake();
      return ok;
    })();
    makings.set(name, work);
    return work;
  });
  let waiting = [];
  const wake = () => waiting.splice(0).forEach((go) => go());
  const take = () => {
    for (const [i, { stage, needs }] of queue.entries()) {
      if (needs.some((n) => made.get(n) === false)) {
        queue.splice(i, 1);
        console.log(`FAIL ${stage} was not run: ${needs.filter((n) => made.get(n) === false).join(', ')} is missing.`);
        return take();
      }
      if (needs.every((n) => made.get(n))) return queue.splice(i, 1)[0];
    }
    return undefined;
  };
  const lane = async () => {
    while (queue.length > 0) {
      const task = take();
      if (task) await task.work();
      else if (queue.length > 0) await new Promise((go) => waiting.push(go));
    }
  };
  await Promise.all([...making, ...Array.from({ length: LANES }, lane)]);
}

/* The last line, whatever happened before it. */
function close() {
  for (const title of [...unfinished.keys()]) {
    const { passed, failed } = counted(title);
    console.log(`FAIL ${title}: cut short after ${passed} passed, ${failed} failed`);
  }
  const slowest = timings.sort((a, b) => b.ms - a.ms).slice(0, SLOWEST_SHOWN);
  if (slowest.length > 0) console.log('\nSlowest:');
  for (const { ms, stage, title } of slowest) console.log(`${(ms / 1000).toFixed(1).padStart(7)} s  ${stage}: ${title.slice(0, 120)}`);
  for (const pid of running) endGroup(pid, 'SIGKILL');
  fs.rmSync(scratch, { recursive: true, force: true });
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
}

/* Runs the wanted stages (all when none is named) and ends the process with the count. */
function runStages(wanted) {
  const broken = (what) => {
    total.failed++;
    console.log(what instanceof Error ? what.stack : `Ended by ${what}.`);
    close();
  };
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP']) process.on(signal, () => broken(signal));
  process.on('uncaughtException', broken);
  runAll(wanted).then(close, broken);
}

module.exports = { runStages };
