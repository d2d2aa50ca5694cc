/* npm start and npm run demo: installs what is missing, builds if stale, then hands over to the server. */
'use strict';
var setup = require('./setup.cjs');
setup.checkNode();
setup.installPackages();
setup.buildWeb();
setup.buildServer();
process.chdir(setup.ROOT);
process.argv = [process.argv[0], 'dist.server/main.js'].concat(process.argv.slice(2));
import('../dist.server/main.js');
