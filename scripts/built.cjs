/* Runs one of the built programs: node scripts/built.cjs [--native] NAME [ARGS], built first when its sources have changed. Paths
   stay relative to the caller. With --native the program opens a database, and its engine is compiled first when it is missing. */
'use strict';
var path = require('path');
var url = require('url');
var setup = require('./setup.cjs');
setup.checkNode();
var args = process.argv.slice(2);
if (args[0] === '--native') {
  args.shift();
  setup.installPackages();
} else setup.unpackPackages();
setup.buildServer();
var file = path.join(setup.ROOT, 'dist.server', args[0] + '.js');
process.argv = [process.argv[0], file].concat(args.slice(1));
import(url.pathToFileURL(file).href);
