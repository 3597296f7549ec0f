import prettier from 'eslint-config-prettier'
import jsxA11y from 'eslint-plugin-jsx-a11y'
import reactHooks from 'eslint-plugin-react-hooks'
import tseslint from 'typescript-eslint'

export default tseslint.config(
  { ignores: ['dist', 'src/api/schema.d.ts'] },
  ...tseslint.configs.recommended,
  jsxA11y.flatConfigs.recommended,
  reactHooks.configs.flat['recommended-latest'],
  prettier,
  {
    files: ['src/**/*.{ts,tsx}'],
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      'jsx-a11y/no-autofocus': 'off',
      // a text or a list of classes is not laid out by line
      'max-len': [
        'error',
        { code: 140, ignoreStrings: true, ignoreTemplateLiterals: true, ignorePattern: 'eslint-disable' },
      ],
      // the outliner is a table whose rows are also a tree
      'jsx-a11y/no-noninteractive-element-to-interactive-role': ['error', { table: ['treegrid'] }],
    },
  },
)
