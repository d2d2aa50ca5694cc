/* What npm test runs, and how it counts. Lanes run side by side; on a fresh machine the database engine is compiled
   and Chromium fetched while what needs neither is tested. The browser comes last, alone. */
'use strict';
const child = require('child_process');
const fs = require('fs');
const os = require('os');
const path = require('path');
const setup = require('./setup.cjs');

/* Each compiles with the types of its own world only; what runs on Node shares one. */
const PROGRAMS = ['core', 'contract', 'tsconfig.node.json', 'web', 'tests'];
/* Long enough for a busy machine: a test that hangs is ended, a slow one is not failed. */
const TIMEOUT_MS = '240000';
const total = { passed: 0, failed: 0 };
/* The demo salon takes seconds to fill: the processes of one run share it. */
const demoFolder = fs.mkdtempSync(path.join(os.tmpdir(), 'woolly-tide-demo-'));
const bin = (name) => path.join(setup.ROOT, 'node_modules', '.bin', name);
/* The compiler that is a program of the machine: a tenth of the time. The linter reads with the other. */
const TSC = path.join(setup.ROOT, 'node_modules', 'typescript-native', 'bin', 'tsc');

/* A program's end: its exit code and all it said. */
function run(command, args, env = {}) {
  return new Promise((resolve) => {
    const began = Date.now();
    const started = child.spawn(command, args, { stdio: ['ignore', 'pipe', 'pipe'], env: { ...process.env, ...env } });
    const said = [];
    started.stdout.on('data', (d) => said.push(d));
    started.stderr.on('data', (d) => said.push(d));
    const end = (code, more) =>
      resolve({ code, text: Buffer.concat(said).toString() + more, seconds: Math.round((Date.now() - began) / 1000) });
    started.on('error', (problem) => end(-1, problem.message));
    started.on('close', (code) => end(code, ''));
  });
}

/* A check that counts as one: passed when the command ends with 0. */
const check = (title, command, args) => async () => {
  const { code, text, seconds } = await run(command, args);
  total[code === 0 ? 'passed' : 'failed']++;
  console.log(`${code === 0 ? 'ok   ' : 'FAIL '}${title}  ${seconds} s`);
  if (code !== 0) console.log(text);
};

/* A folder of mocha tests; a run that dies or executes nothing is a failure. */
const mocha = (stage, files = ['scripts/import-tests.mjs']) => async () => {
  const counts = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'woolly-tide-')), 'counts.json');
  const { code, text, seconds } = await run(
    bin('mocha'),
    [
      '--import=tsx',
      '--reporter',
      'scripts/count-reporter.cjs',
      '--timeout',
      TIMEOUT_MS,
      ...files,
    ],
    { COUNTS_FILE: counts, DEMO_FOLDER: demoFolder, TESTS: `tests/${stage}` },
  );
  const got = fs.existsSync(counts) ? JSON.parse(fs.readFileSync(counts, 'utf8')) : { passed: 0, failed: 0 };
  total.passed += got.passed;
  total.failed += got.failed;
  const died = got.passed + got.failed === 0 || (code !== 0 && got.failed === 0);
  if (died) total.failed++;
  const ok = !died && got.failed === 0;
  console.log(`${ok ? 'ok   ' : 'FAIL '}${stage}: ${got.passed} passed, ${got.failed} failed  ${seconds} s`);
  if (died) console.log(`The ${stage} run ended with ${code} after ${got.passed} tests.`);
  if (!ok) console.log(text);
};

/* Compiles the database engine when that is still to be done; false when it cannot be. */
async function makeNative() {
  const build = setup.nativeBuild();
  if (!build) return true;
  const { code, text, seconds } = await run(build.command, build.args, build.env);
  if (code === 0) build.done();
  console.log(`${code === 0 ? 'ok   ' : 'FAIL '}database engine built  ${seconds} s`);
  if (code !== 0) console.log(`${text}\n${setup.NOT_INSTALLED}`);
  return code === 0;
}

const hasChromium = () => child.spawnSync('sh', ['-c', 'command -v chromium']).status === 0;

/* Chromium for the browser tests: from Debian's packages, by apt-get where this user may. */
async function makeChromium() {
  if (hasChromium()) return true;
  const command = 'apt-get update && apt-get install -y --no-install-recommends chromium';
  if (process.getuid && process.getuid() === 0) {
    console.log('Installing Chromium from the Debian packages ...');
    const { text } = await run('sh', ['-c', command], { DEBIAN_FRONTEND: 'noninteractive' });
    if (hasChromium()) return true;
    console.log(`apt-get did not bring Chromium:\n${text.slice(-2000)}`);
  }
  console.log(`FAIL browser: there is no chromium on the PATH. Install it with:  sudo sh -c "${command}"`);
  return false;
}

const LANES = [
  [['core', mocha('core')]],
  [
    ...PROGRAMS.map((program) => ['types', check(`types ${program}`, process.execPath, [TSC, '-p', program])]),
    ['format', check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])],
    ['lint', check('lint', bin('eslint'), ['--max-warnings', '0', '.'])],
    ...['reference', 'cli'].map((stage) => [stage, mocha(stage)]),
  ],
];
/* These open a database. */
const ON_DATABASE = ['server', 'faults'];

/* Files of the browser that take longest: begun first, so that none of them is left to run alone. */
const LONGEST = ['rooms', 'book', 'walk', 'table', 'script', 'bench'].map((name) => `${name}.test.ts`);
function browserFiles() {
  const all = fs.readdirSync('tests/browser').filter((name) => name.endsWith('.test.ts'));
  return [...LONGEST, ...all.filter((name) => !LONGEST.includes(name))].map((name) => path.join('tests/browser', name));
}

/* Runs the wanted stages (all when none is named) and ends the process with the count. */
async function runStages(wanted) {
  const wants = (name) => wanted.length === 0 || wanted.includes(name);
  const needsDatabase = [...ON_DATABASE, 'browser'].some(wants);
  const onDatabase = async () => {
    const native = needsDatabase ? await makeNative() : true;
    // By then the other lanes are through, and there is a core for each.
    if (native) await Promise.all(ON_DATABASE.filter(wants).map((name) => mocha(name)()));
    return native;
  };
  const [native, chromium] = await Promise.all([
    onDatabase(),
    wants('browser') ? makeChromium() : true,
    ...LANES.map(async (lane) => {
      for (const [name, stage] of lane) if (wants(name)) await stage();
    }),
  ]);
  if (native && chromium && wants('browser')) {
    setup.buildWeb();
    // Its files wait for pictures and clocks more than they reckon: two at a time.
    await mocha('browser', ['--parallel', '--jobs', '2', ...browserFiles()])();
  }
  if (!native || !chromium) total.failed++;
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
}

module.exports = { runStages };
