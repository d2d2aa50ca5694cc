/* npm test: installs what is missing, then type check, format, lint and every kind of test. Ends with "N passed, N failed".
   `npm test -- core server` runs only those stages; `npm run test:long` draws every sample. */
'use strict';
var setup = require('./setup.cjs');
setup.checkNode();
setup.unpackPackages();
process.chdir(setup.ROOT);
var wanted = process.argv.slice(2);
if (wanted.includes('--long')) process.env.SAMPLES = 'full';
require('./stages.cjs').runStages(wanted.filter(function (word) { return word !== '--long'; }));
