/** The storeys' lint rule is tried on imports that must fail and imports that must pass. */
import { expect } from 'chai';
import { ESLint } from 'eslint';

const TRIES: readonly (readonly [from: string, line: string, verdict: 'refused' | 'fine'])[] = [
  ['core/dog/probe.ts', "import '../../contract/dog.ts';", 'refused'],
  ['core/dog/probe.ts', "import '../../server/app.ts';", 'refused'],
  ['core/dog/probe.ts', "import '../../web/main.tsx';", 'refused'],
  [
    'core/dog/probe.ts',
    "import type { DogRecord } from '../../contract/dog.ts'; export type R = DogRecord;",
    'refused',
  ],
  ['core/dog/probe.ts', "import 'node:fs';", 'refused'],
  ['core/dog/probe.ts', "import 'd3';", 'refused'],
  ['core/dog/probe.ts', "export const late = () => import('../../server/app.ts');", 'refused'],
  ['core/dog/probe.ts', "export * from '../../contract/dog.ts';", 'refused'],
  ['core/dog/probe.ts', 'export const now = () => Date.now();', 'refused'],
  ['core/dog/probe.ts', 'export const chance = () => Math.random();', 'refused'],
  ['core/dog/probe.ts', 'export const env = () => process.env;', 'refused'],
  ['core/dog/probe.ts', "import '../quantity/index.ts';", 'fine'],
  ['contract/probe.ts', "import '../server/app.ts';", 'refused'],
  ['contract/probe.ts', "import '../web/main.tsx';", 'refused'],
  ['contract/probe.ts', "import '../core/dog/index.ts';", 'fine'],
  ['server/routes/probe.ts', "import '../../web/main.tsx';", 'refused'],
  ['server/routes/probe.ts', "import '../../contract/dog.ts';", 'fine'],
  ['web/desk/probe.tsx', "import '../../server/app.ts';", 'refused'],
  ['web/desk/probe.tsx', "import '../../core/dog/index.ts';", 'fine'],
  ['cli/probe.ts', "import '../web/main.tsx';", 'refused'],
];
const BOUNDARY_RULES = [
  'no-restricted-imports',
  'no-restricted-globals',
  'no-restricted-properties',
  'no-restricted-syntax',
];

describe('the storeys', () => {
  const eslint = new ESLint();
  for (const [filePath, code, verdict] of TRIES) {
    it(`${filePath}: ${code} is ${verdict}`, async () => {
      const [result] = await eslint.lintText(`${code}\n`, { filePath });
      const hits = result?.messages.filter((m) => m.ruleId !== null && BOUNDARY_RULES.includes(m.ruleId)) ?? [];
      expect(result?.messages.filter((m) => m.fatal)).to.deep.equal([]);
      expect(hits.length > 0 ? 'refused' : 'fine').to.equal(verdict);
    });
  }
});
