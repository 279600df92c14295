import next from 'eslint-config-next/core-web-vitals';
import nextTypescript from 'eslint-config-next/typescript';

/** Where no screen is: a check holds React out of these, and reading them for it takes most of a run. */
const WITHOUT_REACT = ['core/**', 'data/**', 'demo/**', 'checks/**', 'set-up/**', 'bench/**', 'stand-ins/**'];
const reactRules = next
  .flatMap(({ rules }) => Object.keys(rules ?? {}))
  .filter((rule) => /^(react|react-hooks|jsx-a11y)\//.test(rule));

const config = [
  {
    ignores: [
      '.next/**',
      'node_modules/**',
      'var/**',
      'next-env.d.ts',
      'test-results/**',
      'playwright-report/**',
      'coverage/**',
    ],
  },
  ...next,
  ...nextTypescript,
  {
    files: WITHOUT_REACT,
    ignores: ['**/*.tsx'],
    rules: Object.fromEntries(reactRules.map((rule) => [rule, 'off'])),
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_+$' }],
    },
  },
  {
    // It does not exist over a shop's plain HTTP: ids of pages come from `newId`.
    files: ['app/**/*.{ts,tsx}', 'ui/**', 'workers/**'],
    ignores: ['app/api/**', '**/*.test.ts'],
    rules: { 'no-restricted-properties': ['error', { object: 'crypto', property: 'randomUUID' }] },
  },
  {
    // Next's own fetches every screen a link in sight leads to; the PDF writer's own puts other letters where its font has none.
    files: ['app/**/*.{ts,tsx}', 'ui/**'],
    ignores: ['app/_parts/link.tsx', 'ui/print/text.tsx'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          paths: [
            { name: 'next/link', message: 'Link is in app/_parts/link.' },
            { name: '@react-pdf/renderer', importNames: ['Text'], message: 'Text is in ui/print/text.' },
          ],
        },
      ],
    },
  },
  {
    // What a reader holds in the head at once.
    files: [
      'core/**/*.ts',
      'data/**/*.ts',
      'workers/**/*.ts',
      'stand-ins/**/*.ts',
      'app/**/*.{ts,tsx}',
      'ui/**/*.{ts,tsx}',
    ],
    ignores: ['**/*.test.ts', '**/*.test.tsx', 'core/frame/families/**'],
    rules: {
      'max-lines-per-function': ['error', { max: 60, skipBlankLines: true, skipComments: true }],
    },
  },
  {
    files: ['core/**/*.ts', 'data/**/*.ts', 'workers/**/*.ts', 'app/**/*.{ts,tsx}', 'ui/**/*.{ts,tsx}'],
    // A pen draws arcs as every pen does: centre, radius, two angles, which way.
    ignores: ['core/geometry/*pen.ts', 'core/exchange/dxf.ts', '**/*.test.ts'],
    rules: { 'max-params': ['error', 5] },
  },
];

export default config;
