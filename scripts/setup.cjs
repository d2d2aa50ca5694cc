/* What every command needs first: the right Node, and the packages of the lock file. Plain old JavaScript, so that
   even a Node that is too old can say so in a sentence. */
'use strict';
var fs = require('fs');
var path = require('path');
var nodeCrypto = require('crypto');
var child = require('child_process');

var ROOT = path.join(__dirname, '..');

function checkNode() {
  var parts = process.versions.node.split('.').map(Number);
  var good = (parts[0] === 20 && parts[1] >= 19) || (parts[0] === 22 && parts[1] >= 12) || parts[0] > 22;
  if (!good) {
    console.error('Woolly Tide needs Node 20.19 or newer (20 is tested); this is ' + process.versions.node + '. Please install it and run the command again.');
    process.exit(1);
  }
}

function digest(files) {
  var hash = nodeCrypto.createHash('sha256');
  files.forEach(function (file) {
    hash.update(path.relative(ROOT, file)).update(fs.readFileSync(file));
  });
  return hash.digest('hex');
}

function read(file) {
  return fs.existsSync(file) ? fs.readFileSync(file, 'utf8') : '';
}

var NOT_INSTALLED = 'The packages could not be installed. The lines above say why; a C++ tool chain (g++, make, python3) and the npm registry are needed.';
function lockDigest() {
  return digest([path.join(ROOT, 'package-lock.json')]);
}

/* Unpacks the packages of the lock file, when node_modules is not from it; compiles nothing. */
function unpackPackages() {
  var stamp = path.join(ROOT, 'node_modules', '.woolly-tide-stamp');
  var want = lockDigest();
  if (read(stamp) === want) return;
  console.log('Installing packages (once) ...');
  var done = child.spawnSync('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: ROOT, stdio: 'inherit' });
  if (done.status !== 0) {
    console.error(NOT_INSTALLED);
    process.exit(1);
  }
  fs.writeFileSync(stamp, want);
}

/* On all cores, and optimised as SQLite's own build is (-O2); one step more takes half as long again to compile. */
var NATIVE_ENV = { JOBS: 'max', CFLAGS: '-O2', CXXFLAGS: '-O1' };

/* The build of the database engine that is still to be done for this Node, or undefined when it is there. */
function nativeBuild() {
  var stamp = path.join(ROOT, 'node_modules', '.woolly-tide-native');
  var want = lockDigest() + ' ' + process.versions.modules;
  if (read(stamp) === want) return undefined;
  return {
    command: 'npm',
    args: ['rebuild', 'better-sqlite3', '--loglevel=error'],
    options: { cwd: ROOT },
    env: NATIVE_ENV,
    done: function () {
      fs.writeFileSync(stamp, want);
    },
  };
}

/* All that is needed to run: packages, and the database engine compiled for this Node. */
function installPackages() {
  unpackPackages();
  var build = nativeBuild();
  if (!build) return;
  console.log('Building the database engine (once; about two minutes) ...');
  var done = child.spawnSync(build.command, build.args, Object.assign({ stdio: 'inherit', env: Object.assign({}, process.env, build.env) }, build.options));
  if (done.status !== 0) {
    console.error(NOT_INSTALLED);
    process.exit(1);
  }
  build.done();
}

function filesUnder(dir) {
  return fs.readdirSync(dir, { withFileTypes: true }).sort(function (a, b) { return a.name < b.name ? -1 : 1; }).reduce(function (all, entry) {
    var full = path.join(dir, entry.name);
    return all.concat(entry.isDirectory() ? filesUnder(full) : [full]);
  }, []);
}

/* Pages that are open somewhere go on with the files of the build before. */
function keepBefore() {
  var assets = path.join(ROOT, 'dist', 'assets');
  var before = path.join(ROOT, 'dist.before');
  if (!fs.existsSync(assets)) return;
  fs.rmSync(before, { recursive: true, force: true });
  fs.cpSync(assets, path.join(before, 'assets'), { recursive: true });
}

/* What is built, from which sources: the interface for browsers, and the server. */
var WEB = { what: 'interface', config: 'vite.config.ts', from: ['web', 'core', 'contract'], to: 'dist' };
var SERVER = { what: 'server', config: 'vite.server.config.ts', from: ['server', 'demo', 'cli', 'core', 'contract'], to: 'dist.server' };

function vite(config, what) {
  var done = child.spawnSync(process.execPath, [path.join(ROOT, 'node_modules', 'vite', 'bin', 'vite.js'), 'build', '-c', config, '--logLevel', 'warn'], { cwd: ROOT, stdio: 'inherit' });
  if (done.status === 0) return;
  console.error('The ' + what + ' could not be built; the lines above say why.');
  process.exit(1);
}

/* Builds one of them when its sources have changed since the last build. */
function buildOf(made, before) {
  var stamp = path.join(ROOT, made.to, '.stamp');
  var sources = made.from.reduce(function (all, dir) { return all.concat(filesUnder(path.join(ROOT, dir))); }, []);
  var want = digest(sources.concat([made.config, 'package-lock.json'].map(function (file) { return path.join(ROOT, file); })));
  if (read(stamp) === want) return;
  console.error('Building the ' + made.what + ' ...');
  if (before) before();
  vite(made.config, made.what);
  fs.writeFileSync(stamp, want);
}
function buildWeb() {
  buildOf(WEB, keepBefore);
}
function buildServer() {
  buildOf(SERVER);
}
/* Quick enough to be built for every run. */
function buildTests() {
  vite('vite.tests.config.ts', 'tests');
}

module.exports = { ROOT: ROOT, checkNode: checkNode, unpackPackages: unpackPackages, nativeBuild: nativeBuild, installPackages: installPackages, buildWeb: buildWeb, buildServer: buildServer, buildTests: buildTests, NOT_INSTALLED: NOT_INSTALLED };
