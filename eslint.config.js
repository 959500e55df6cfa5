import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

const coreBans = [
  {
    selector: "MemberExpression[object.name='Date'][property.name='now']",
    message: 'Time is an argument in the core.',
  },
  { selector: "NewExpression[callee.name='Date']", message: 'Time is an argument in the core.' },
  {
    selector: "MemberExpression[object.name='Math'][property.name='random']",
    message: 'Pass a seeded generator into the core.',
  },
];

const sentence = {
  message: 'The core writes no sentences: give a code with its figures, and its words in src/words.',
};
/** Four words in a row, or the end of a sentence. A programmer's error is none. */
const sentenceBans = [
  { ...sentence, selector: ':not(NewExpression) > Literal[value=/[a-z’]+ [a-z’]+ [a-z’]+ [a-z’]+/i]' },
  {
    ...sentence,
    selector: ':not(NewExpression) > TemplateLiteral > TemplateElement[value.raw=/[a-z’]+ [a-z’]+ [a-z’]+/i]',
  },
];

export default tseslint.config(
  { ignores: ['dist/**', 'node_modules/**', '.margin/**', 'test-results/**', 'src/db/migrations/**'] },
  js.configs.recommended,
  ...tseslint.configs.strict,
  {
    files: ['**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-non-null-assertion': 'error',
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    files: ['src/**/*.{ts,tsx}'],
    ignores: ['**/*.test.ts'],
    // A component or a function fits on one screen.
    rules: { 'max-lines-per-function': ['error', { max: 80 }] },
  },
  {
    files: ['src/core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...coreBans, ...sentenceBans] },
  },
  {
    // What something is called stands with it, so that adding it is one file.
    files: ['src/core/kinds/**/*.ts', 'src/core/geometry/reference.ts'],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-syntax': ['error', ...coreBans] },
  },
  { files: ['src/web/**/*.{ts,tsx}'], ...hooks.configs.flat.recommended },
  {
    files: ['**/*.{mjs,cjs,js}'],
    languageOptions: {
      globals: {
        process: 'readonly',
        console: 'readonly',
        module: 'readonly',
        URL: 'readonly',
        setTimeout: 'readonly',
        clearTimeout: 'readonly',
        setInterval: 'readonly',
        clearInterval: 'readonly',
        fetch: 'readonly',
        AbortSignal: 'readonly',
        Buffer: 'readonly',
        performance: 'readonly',
        document: 'readonly',
        MutationObserver: 'readonly',
        localStorage: 'readonly',
        window: 'readonly',
        requestAnimationFrame: 'readonly',
      },
    },
  },
);
