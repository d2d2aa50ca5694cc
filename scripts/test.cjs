/* npm test: installs what is missing, then type check, format, lint and every kind of test. Ends with "N passed, N failed".
   `npm test -- core server` runs only those stages. */
'use strict';
var setup = require('./setup.cjs');
setup.checkNode();
setup.unpackPackages();
process.chdir(setup.ROOT);
require('./stages.cjs').runStages(process.argv.slice(2));
