import js from '@eslint/js'
import a11y from 'eslint-plugin-jsx-a11y'
import hooks from 'eslint-plugin-react-hooks'
import ts from 'typescript-eslint'

export default ts.config(
  { ignores: ['dist', 'target', 'node_modules', 'src/api/schema.d.ts', 'src/api/methodTypes.d.ts', 'scripts', '.dependency-cruiser.cjs'] },
  js.configs.recommended,
  ...ts.configs.strict,
  {
    files: ['src/**/*.{ts,tsx}'],
    languageOptions: { parserOptions: { projectService: true } },
    plugins: { 'react-hooks': hooks, 'jsx-a11y': a11y },
    rules: {
      ...hooks.configs.recommended.rules,
      ...a11y.configs.recommended.rules,
      // a test's page opens at its first entry: the hands are muddy and the keyboard is all there is
      'jsx-a11y/no-autofocus': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      // what needs types to be seen
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: false }],
      '@typescript-eslint/no-unnecessary-type-assertion': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': 'error',
      '@typescript-eslint/prefer-promise-reject-errors': 'error',
      '@typescript-eslint/only-throw-error': 'error',
    },
  },
)
