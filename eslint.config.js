import { createNodeResolver, importX } from 'eslint-plugin-import-x'
import vue from 'eslint-plugin-vue'
import ts from 'typescript-eslint'

/** Imports point down only: core knows nobody; server and web never import each other. */
const floor = (names) => [
  'error',
  {
    patterns: names.map(([group, message]) => ({ group, message })),
  },
]
/** The floors of core, from the ground up: docs/architecture.md has the picture. */
const floors = [
  'units',
  'geometry',
  'nesting',
  'scheduling',
  'photo',
  'model',
  'trade',
  'last',
  'flatten',
  'scan',
  'formats',
  'forme',
  'upper',
  'layers',
  'parts',
  'edges',
  'seams',
  'lasting',
  'work',
  'checks',
  'learned',
  'schedule',
  'plan',
  'faults',
]
/** A file of core imports from its own floor and those below. */
const upward = floors.slice(0, -1).map((name, i) => ({
  target: `./core/src/${name}/**/!(*.test).ts`,
  from: floors.slice(i + 1).map((above) => `./core/src/${above}`),
  message: `${name} stands below: what both need belongs further down.`,
}))
const core = ['vue', 'vue/*', 'three', 'three/*', 'node:*', 'express', 'naive-ui', 'drizzle-orm', 'drizzle-orm/*']

export default ts.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'server/drizzle/**', '.data/**', '**/test-results/**'] },
  ...ts.configs.recommended,
  // There is no Vue but in the web.
  ...vue.configs['flat/recommended'].map((c) => ({ files: ['web/**/*.{ts,vue}'], ...c })),
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: ts.parser } },
    rules: {
      // Layout is the formatter's business.
      'vue/html-indent': 'off',
      'vue/html-self-closing': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/attributes-order': 'off',
    },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-empty': 'error',
      eqeqeq: 'error',
      'no-console': 'error',
    },
  },
  {
    // Rules that ask the compiler: a promise nobody waits for, a union of which a member is forgotten.
    files: ['{core,server,web,e2e,bench}/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
    },
  },
  {
    // What is said is words and lengths, not text: only `say` puts it together, and `spoken` writes it.
    files: ['{core,server,web,e2e,bench}/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: {
      '@typescript-eslint/restrict-template-expressions': [
        'error',
        { allowNumber: true, allowNullish: true, allowBoolean: true },
      ],
      '@typescript-eslint/restrict-plus-operands': 'error',
    },
  },
  {
    files: ['core/**/*.ts'],
    languageOptions: { parserOptions: { projectService: true, tsconfigRootDir: import.meta.dirname } },
    rules: { '@typescript-eslint/no-base-to-string': 'error' },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-imports': floor([
        [core, 'The core imports no interface, server or machine code.'],
        [['**/server/**', '**/web/**', '@gentle-awl/*'], 'The core knows nobody.'],
      ]),
      'no-restricted-globals': ['error', 'window', 'document', 'process', 'fetch', 'localStorage'],
      'import-x/no-cycle': 'error',
      'import-x/no-restricted-paths': ['error', { zones: upward }],
    },
    plugins: { 'import-x': importX },
    settings: {
      'import-x/resolver-next': [createNodeResolver({ extensions: ['.ts'] })],
      'import-x/extensions': ['.ts'],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      'no-restricted-imports': floor([
        [['**/web/**', '@gentle-awl/web*', 'vue', 'three'], 'The server never imports the web.'],
      ]),
    },
  },
  {
    files: ['web/**/*.ts', 'web/**/*.vue'],
    rules: {
      'no-restricted-imports': floor([
        [['**/server/**', '@gentle-awl/server*', 'express', 'node:*'], 'The web never imports the server.'],
      ]),
    },
  },
  {
    files: ['web/src/**/*.vue'],
    rules: {
      'vue/no-undef-components': ['error', { ignorePatterns: ['^Router'] }],
      'vue/no-restricted-html-elements': [
        'error',
        ...['button', 'input', 'select', 'textarea', 'table', 'progress', 'details', 'dialog'].map((element) => ({
          element,
          message: `<${element}>: take the component library's, or the wrapper of it in web/src/ui.`,
        })),
      ],
    },
  },
  {
    files: ['core/**/*.test.ts'],
    rules: { 'no-restricted-globals': 'off' },
  },
  {
    files: ['bench/**', 'scripts/**', 'e2e/**'],
    rules: { 'no-console': 'off' },
  },
)
