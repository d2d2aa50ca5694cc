/* Runs one TypeScript program of the house: node scripts/run.cjs FILE [ARGS]. Paths stay relative to the caller. */
'use strict';
var path = require('path');
var setup = require('./setup.cjs');
setup.checkNode();
setup.installPackages();
var file = path.join(setup.ROOT, process.argv[2]);
process.argv = [process.argv[0], file].concat(process.argv.slice(3));
import('tsx/esm/api').then(function (api) {
  api.register();
  return import(file);
});
