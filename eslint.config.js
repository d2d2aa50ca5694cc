import js from '@eslint/js';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** The four storeys, lowest first: each may import only from those below it. cli and bench stand beside the server.
 * The demo fills a salon and simulates devices: only the program that wires all together (server/main.ts) knows it. */
const MAY_IMPORT = {
  core: [],
  contract: ['core'],
  server: ['contract', 'core'],
  demo: ['contract', 'core', 'server'],
  web: ['contract', 'core'],
  cli: ['contract', 'core', 'server'],
};

const boundary = (storey) => {
  const forbidden = Object.keys(MAY_IMPORT).filter((s) => s !== storey && !MAY_IMPORT[storey].includes(s));
  return {
    files: [`${storey}/**/*.{ts,tsx}`],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: `^(\\.\\./)+(${forbidden.join('|')})/`,
              message: `${storey} imports only from ${MAY_IMPORT[storey].join(' and ') || 'itself'}: move the code down, or pass it in.`,
            },
            ...(storey === 'web'
              ? [
                  {
                    regex: '^(react-)?bootstrap($|/)',
                    message: 'Rooms are made of the parts in web/ui: take one, or make one there.',
                  },
                ]
              : []),
            ...(storey === 'core'
              ? [{ regex: '^[^.]', message: 'core imports nothing but core: no packages, no Node.' }]
              : []),
          ],
        },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: `ImportExpression[source.value=/^(\\.\\.\\u002F)+(${forbidden.join('|')})\\u002F/]`,
          message: `${storey} imports only from below, late imports too.`,
        },
      ],
    },
  };
};

export default tseslint.config(
  { ignores: ['dist/', 'dist.before/', 'dist.server/', 'node_modules/', 'data/**', '.cache/'] },
  js.configs.recommended,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
    },
  },
  ...Object.keys(MAY_IMPORT).map(boundary),
  {
    // Parts know the library, and nothing of the house.
    files: ['web/ui/**/*.{ts,tsx}'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(\\.\\./)+(app|data|desk|door|drawing|find|help|home|owner|table|words|work)/',
              message: 'A part knows no room: pass it in.',
            },
          ],
        },
      ],
    },
  },
  { files: ['server/main.ts'], rules: { 'no-restricted-imports': 'off' } },
  {
    files: ['{core,contract,server,demo,web,cli}/**/*.{ts,tsx}'],
    rules: { '@typescript-eslint/consistent-type-assertions': ['error', { assertionStyle: 'never' }] },
  },
  {
    // Warnings, which scripts/stages.cjs counts: there are some, and there may only be fewer.
    files: ['{core,contract,server,demo,web,cli}/**/*.{ts,tsx}'],
    rules: {
      complexity: ['warn', 15],
      'max-lines-per-function': ['warn', { max: 80, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': [
        'error',
        'Date',
        'performance',
        'process',
        'window',
        'document',
        'fetch',
        'setTimeout',
        'console',
      ],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Chance is an argument in core.' },
      ],
    },
  },
  { files: ['web/**/*.{ts,tsx}'], ...reactHooks.configs.flat.recommended },
  {
    files: ['scripts/*.cjs'],
    languageOptions: { globals: globals.node, sourceType: 'commonjs' },
    rules: { '@typescript-eslint/no-require-imports': 'off', 'no-var': 'off' },
  },
  { files: ['scripts/*.mjs'], languageOptions: { globals: globals.node } },
  { files: ['tests/**/*.ts'], rules: { '@typescript-eslint/no-unused-expressions': 'off' } },
);
