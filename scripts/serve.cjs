/* npm start and npm run demo: installs what is missing, builds if stale, then hands over to the server. */
'use strict';
var setup = require('./setup.cjs');
setup.checkNode();
setup.installPackages();
setup.buildWeb();
process.chdir(setup.ROOT);
process.argv = [process.argv[0], 'server/main.ts'].concat(process.argv.slice(2));
import('tsx/esm/api').then(function (api) {
  api.register();
  return import('../server/main.ts');
});
