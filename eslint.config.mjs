import next from 'eslint-config-next/core-web-vitals';
import tseslint from 'typescript-eslint';

/** Math functions whose last bits differ between engines; core uses geometry/trig.ts and square roots instead. */
const INEXACT_MATH = [
  'sin',
  'cos',
  'tan',
  'asin',
  'acos',
  'atan',
  'atan2',
  'exp',
  'expm1',
  'log',
  'log2',
  'log10',
  'log1p',
  'pow',
  'hypot',
  'cbrt',
  'sinh',
  'cosh',
  'tanh',
  'random',
];

const config = [
  { ignores: ['.next/**', 'node_modules/**', '.data/**', 'next-env.d.ts', 'docs/**'] },
  ...next,
  ...tseslint.configs.recommended,
  {
    rules: {
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'with-single-extends' }],
      // Nothing is compiled for React here, so nothing is remembered that the tables' libraries would mind.
      'react-hooks/incompatible-library': 'off',
      eqeqeq: 'error',
      'no-console': 'error',
      'prefer-const': 'error',
    },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['src/core/**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        ...INEXACT_MATH.map((property) => ({
          object: 'Math',
          property,
          message: 'Its last bits differ between engines: use geometry/trig.ts',
        })),
      ],
      'no-restricted-syntax': [
        'error',
        { selector: 'BinaryExpression[operator="**"]', message: 'Powers differ between engines: multiply' },
        {
          selector: 'CallExpression[callee.property.name=/^(toLocale.*|localeCompare)$/]',
          message: 'Core knows no locale',
        },
        { selector: 'NewExpression[callee.name="Date"]', message: 'Core knows no clock' },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'Intl',
        'Date',
        'performance',
        'crypto',
        'setTimeout',
      ],
      'no-restricted-imports': [
        'error',
        { patterns: [{ group: ['clipper2-ts'], message: 'Only geometry/boolean.ts calls the polygon library' }] },
      ],
    },
  },
  { files: ['src/core/geometry/boolean.ts'], rules: { 'no-restricted-imports': 'off' } },
  { files: ['scripts/**', 'bench/**'], rules: { 'no-console': 'off' } },
];

export default config;
