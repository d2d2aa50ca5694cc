/* Runs one program of the house: node scripts/run.cjs [--native] PROGRAM [ARGS]. Paths stay relative to the caller. PROGRAM is a
   TypeScript file that runs as it stands, or the name of a built one (vite.server.config.ts), built first when its sources have
   changed. With --native it opens a database, and the engine is compiled first when it is missing. */
'use strict';
var path = require('path');
var setup = require('./setup.cjs');
setup.checkNode();
var args = process.argv.slice(2);
if (args[0] === '--native') {
  args.shift();
  setup.installPackages();
} else setup.unpackPackages();
var built = !args[0].endsWith('.ts');
if (built) setup.buildServer();
var file = built ? path.join(setup.ROOT, 'dist.server', args[0] + '.js') : path.join(setup.ROOT, args[0]);
process.argv = [process.argv[0], file].concat(args.slice(1));
if (built) import(file);
else
  import('tsx/esm/api').then(function (api) {
    api.register();
    return import(file);
  });
