/* Mocha reporter: dots, then the failing tests in full. What has passed and failed so far, and how long each test took,
   is in COUNTS_FILE at every moment, so that a run which is ended early still says what it had done. */
'use strict';
const fs = require('fs');
const Mocha = require('mocha');

module.exports = class CountReporter extends Mocha.reporters.Dot {
  constructor(runner, options) {
    super(runner, options);
    const counts = { passed: 0, failed: 0, ended: false, tests: [] };
    const write = () => {
      const { COUNTS_FILE } = process.env;
      if (!COUNTS_FILE) return;
      // Whole or not at all: this process may be ended at any moment.
      fs.writeFileSync(`${COUNTS_FILE}.new`, JSON.stringify(counts));
      fs.renameSync(`${COUNTS_FILE}.new`, COUNTS_FILE);
    };
    const took = (test) => counts.tests.push({ title: test.fullTitle(), ms: test.duration ?? 0 });
    runner.on('pass', (test) => {
      counts.passed++;
      took(test);
      write();
    });
    runner.on('fail', (test) => {
      counts.failed++;
      took(test);
      write();
    });
    runner.once('end', () => {
      counts.ended = true;
      write();
    });
  }
};
