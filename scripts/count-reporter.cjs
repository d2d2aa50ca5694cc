/* Mocha reporter: one line a failing test, a line of counts, and the counts for the runner in COUNTS_FILE. */
'use strict';
var fs = require('fs');
var Mocha = require('mocha');
module.exports = function CountReporter(runner) {
  Mocha.reporters.Dot.call(this, runner);
  var passed = 0;
  var failed = 0;
  runner.on('pass', function () { passed++; });
  runner.on('fail', function () { failed++; });
  runner.once('end', function () {
    if (process.env.COUNTS_FILE) fs.writeFileSync(process.env.COUNTS_FILE, JSON.stringify({ passed: passed, failed: failed }));
  });
};
