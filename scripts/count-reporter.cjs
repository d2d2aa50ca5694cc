/* Mocha reporter: dots, then the failing tests in full, and the counts for the runner in COUNTS_FILE. */
'use strict';
const fs = require('fs');
const Mocha = require('mocha');

module.exports = class CountReporter extends Mocha.reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const counts = { passed: 0, failed: 0 };
    runner.on('pass', () => counts.passed++);
    runner.on('fail', () => counts.failed++);
    runner.once('end', () => {
      if (process.env.COUNTS_FILE) fs.writeFileSync(process.env.COUNTS_FILE, JSON.stringify(counts));
    });
  }
};
