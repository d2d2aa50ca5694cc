/* Runs one TypeScript program of the house: node scripts/run.cjs [--native] FILE [ARGS]. Paths stay relative to the
   caller. With --native the program opens a database, and its engine is compiled first when it is missing. */
'use strict';
var path = require('path');
var setup = require('./setup.cjs');
setup.checkNode();
var args = process.argv.slice(2);
if (args[0] === '--native') {
  args.shift();
  setup.installPackages();
} else setup.unpackPackages();
var file = path.join(setup.ROOT, args[0]);
process.argv = [process.argv[0], file].concat(args.slice(1));
import('tsx/esm/api').then(function (api) {
  api.register();
  return import(file);
});
