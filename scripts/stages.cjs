/* What npm test runs, and how it counts. Two lanes side by side, one a core, then the browser alone. */
'use strict';
const child = require('child_process');
const fs = require('fs');
const os = require('os');
const path = require('path');
const setup = require('./setup.cjs');

/* Each compiles with the types of its own world only; what runs on Node shares one. */
const PROGRAMS = ['core', 'contract', 'tsconfig.node.json', 'web', 'tests'];
const TIMEOUT_MS = { browser: '90000', faults: '60000' };
const total = { passed: 0, failed: 0 };
const bin = (name) => path.join(setup.ROOT, 'node_modules', '.bin', name);

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
const mocha = (stage) => async () => {
  const counts = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'woolly-tide-')), 'counts.json');
  const { code, text, seconds } = await run(
    bin('mocha'),
    ['--import=tsx', '--reporter', 'scripts/count-reporter.cjs', '--timeout', TIMEOUT_MS[stage] || '30000', `tests/${stage}/**/*.test.ts`],
    { COUNTS_FILE: counts },
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

const hasChromium = () => child.spawnSync('sh', ['-c', 'command -v chromium']).status === 0;

/* Chromium for the browser tests: from Debian's packages, by apt-get where this user may. */
function installChromium() {
  if (hasChromium()) return true;
  const command = 'apt-get update && apt-get install -y --no-install-recommends chromium';
  if (process.getuid && process.getuid() === 0) {
    console.log('Installing Chromium from the Debian packages ...');
    child.spawnSync('sh', ['-c', `(${command}) > /tmp/woolly-tide-chromium.log 2>&1`], {
      stdio: 'inherit',
      env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' },
    });
    if (hasChromium()) return true;
    console.log('apt-get did not bring Chromium; /tmp/woolly-tide-chromium.log says why.');
  }
  console.log(`FAIL browser: there is no chromium on the PATH. Install it with:  sudo sh -c "${command}"`);
  return false;
}

const browser = async () => {
  if (!installChromium()) {
    total.failed++;
    return;
  }
  setup.buildWeb();
  await mocha('browser')();
};

const LANES = [
  [['core', mocha('core')]],
  [
    ...PROGRAMS.map((program) => ['types', check(`types ${program}`, bin('tsc'), ['-p', program])]),
    ['format', check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.'])],
    ['lint', check('lint', bin('eslint'), ['--max-warnings', '0', '.'])],
    ...['reference', 'server', 'cli', 'faults'].map((stage) => [stage, mocha(stage)]),
  ],
];

/* Runs the wanted stages (all when none is named) and ends the process with the count. */
async function runStages(wanted) {
  const wants = (name) => wanted.length === 0 || wanted.includes(name);
  await Promise.all(
    LANES.map(async (lane) => {
      for (const [name, stage] of lane) if (wants(name)) await stage();
    }),
  );
  if (wants('browser')) await browser();
  console.log(`\n${total.passed} passed, ${total.failed} failed`);
  process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
}

module.exports = { runStages };
