import withNuxt from './.nuxt/eslint.config.mjs'

const pureCore = [
  { object: 'Date', property: 'now', message: 'The clock is passed in.' },
  { object: 'Math', property: 'random', message: 'The source of chance is passed in.' },
]

export default withNuxt(
  { ignores: ['.output/**', '.nuxt/**', 'server/db/migrations/**', '.data/**'] },
  {
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/no-multiple-template-root': 'off',
      'vue/require-default-prop': 'off',
      'vue/attributes-order': 'off',
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/unified-signatures': 'off',
    },
  },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-properties': ['error', ...pureCore],
      'no-restricted-syntax': [
        'error',
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is passed in.' },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'fetch',
        'setTimeout',
        'setInterval',
        'crypto',
      ],
    },
  },
  {
    files: ['server/**/*.ts'],
    rules: {
      // One connection when embedded: `db` inside a transaction would wait for ever.
      'no-restricted-syntax': [
        'error',
        {
          selector: "CallExpression[callee.property.name='transaction'] CallExpression[callee.object.name='db']",
          message: 'Only tx is used inside a transaction.',
        },
      ],
    },
  },
)
