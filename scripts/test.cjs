/* npm test: installs what is missing, then type check, format, lint and every kind of test. Ends with "N passed, N failed".
   `npm test -- core server` runs only those stages. */
'use strict';
var fs = require('fs');
var os = require('os');
var path = require('path');
var child = require('child_process');
var setup = require('./setup.cjs');

setup.checkNode();
setup.installPackages();
process.chdir(setup.ROOT);

var STOREYS = ['core', 'contract', 'server', 'web', 'cli', 'bench', 'tests'];
var MOCHA_STAGES = ['core', 'reference', 'server', 'faults', 'browser'];
var wanted = process.argv.slice(2);
var total = { passed: 0, failed: 0 };

function bin(name) {
  return path.join(setup.ROOT, 'node_modules', '.bin', name);
}

function wants(stage) {
  return wanted.length === 0 || wanted.indexOf(stage) >= 0;
}

/* A check that counts as one: passed when the command ends with 0. */
function check(title, command, args) {
  var began = Date.now();
  var done = child.spawnSync(command, args, { stdio: ['ignore', 'pipe', 'pipe'], encoding: 'utf8' });
  var ok = done.status === 0;
  total[ok ? 'passed' : 'failed']++;
  console.log((ok ? 'ok   ' : 'FAIL ') + title + '  ' + Math.round((Date.now() - began) / 1000) + ' s');
  if (!ok) console.log((done.stdout || '') + (done.stderr || '') + (done.error ? done.error.message : ''));
}

/* A folder of mocha tests; a run that dies or executes nothing is a failure. */
function mocha(stage) {
  var counts = path.join(fs.mkdtempSync(path.join(os.tmpdir(), 'woolly-tide-')), 'counts.json');
  console.log('\n' + stage);
  var done = child.spawnSync(
    bin('mocha'),
    ['--import=tsx', '--reporter', 'scripts/count-reporter.cjs', '--timeout', stage === 'browser' ? '60000' : '30000', 'tests/' + stage + '/**/*.test.ts'],
    { stdio: 'inherit', env: Object.assign({}, process.env, { COUNTS_FILE: counts }) },
  );
  var got = fs.existsSync(counts) ? JSON.parse(fs.readFileSync(counts, 'utf8')) : { passed: 0, failed: 0 };
  total.passed += got.passed;
  total.failed += got.failed;
  if (got.passed + got.failed === 0 || (done.status !== 0 && got.failed === 0)) {
    console.log('FAIL ' + stage + ': the run ended with ' + done.status + ' after ' + got.passed + ' tests');
    total.failed++;
  }
}

function hasChromium() {
  return child.spawnSync('sh', ['-c', 'command -v chromium']).status === 0;
}

/* Chromium for the browser tests: from Debian's packages, by apt-get where this user may. */
function installChromium() {
  if (hasChromium()) return true;
  var command = 'apt-get update && apt-get install -y --no-install-recommends chromium';
  if (process.getuid && process.getuid() === 0) {
    console.log('Installing Chromium from the Debian packages ...');
    child.spawnSync('sh', ['-c', command + ' > /tmp/woolly-tide-chromium.log 2>&1'], {
      stdio: 'inherit',
      env: Object.assign({}, process.env, { DEBIAN_FRONTEND: 'noninteractive' }),
    });
    if (hasChromium()) return true;
  }
  console.log('FAIL browser: there is no chromium on the PATH. Install it with:  sudo sh -c "' + command + '"');
  return false;
}

if (wants('types')) {
  STOREYS.forEach(function (storey) {
    check('types ' + storey, bin('tsc'), ['-p', storey]);
  });
}
if (wants('format')) check('format', bin('prettier'), ['--check', '--log-level', 'warn', '.']);
if (wants('lint')) check('lint', bin('eslint'), ['--max-warnings', '0', '.']);
MOCHA_STAGES.forEach(function (stage) {
  if (!wants(stage)) return;
  if (stage === 'browser') {
    if (!installChromium()) {
      total.failed++;
      return;
    }
    setup.buildWeb();
  }
  mocha(stage);
});

console.log('\n' + total.passed + ' passed, ' + total.failed + ' failed');
process.exit(total.failed === 0 && total.passed > 0 ? 0 : 1);
