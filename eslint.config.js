import eslint from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['dist', '.data', 'node_modules', 'test-results', 'playwright-report'] },
  eslint.configs.recommended,
  ...tseslint.configs.strict,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.vue'],
    languageOptions: { parserOptions: { parser: tseslint.parser } },
  },
  {
    files: ['**/*.{ts,vue}'],
    rules: {
      'no-undef': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { ignoreRestSiblings: true }],
      'max-lines': ['error', { max: 320, skipBlankLines: true, skipComments: true }],
      'vue/html-self-closing': ['error', { html: { void: 'always', normal: 'always', component: 'always' } }],
      'vue/multi-word-component-names': 'off',
      'vue/attributes-order': 'off',
    },
  },
  {
    // SQL stands in server/db alone: everybody else calls a query by its name
    files: ['server/**/*.ts', 'demo/**/*.ts', 'web/**/*.ts'],
    ignores: ['server/db/**', 'server/testing/**', '**/*.test.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector:
            'CallExpression[callee.property.name=/^(query|one|maybeOne)$/] > :matches(Literal, TemplateLiteral).arguments:first-child',
          message: 'SQL belongs into a function of server/db/queries.',
        },
      ],
    },
  },
  {
    // controls are the library's, wrapped once in web/ui; screens draw only what is the heart of the job
    files: ['web/**/*.vue'],
    ignores: ['web/ui/**'],
    rules: {
      'vue/no-restricted-html-elements': [
        'error',
        ...['button', 'input', 'select', 'textarea', 'details', 'progress', 'dialog', 'form', 'datalist'].map(
          (element) => ({
            element,
            message: 'Use the wrapper in web/ui.',
          }),
        ),
      ],
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'fetch', 'process'],
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: 'The core has no clock; time is passed in.' },
        { object: 'Math', property: 'random', message: 'The core has no randomness; a seeded generator is passed in.' },
      ],
    },
  },
  {
    // tests read as sentences, one after another; what they share is their set-up
    files: ['**/*.test.ts', 'tests/**/*.ts'],
    rules: { 'max-lines': ['error', { max: 420, skipBlankLines: true, skipComments: true }] },
  },
  { files: ['.dependency-cruiser.cjs'], languageOptions: { globals: { module: 'writable' } } },
)
