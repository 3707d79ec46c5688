import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  { ignores: ['web/api/schema.d.ts'] },
  ...tseslint.configs.strictTypeChecked,
  {
    plugins: { 'react-hooks': hooks },
    // the rules that run the whole compiler over every file take longer than all others together
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
  { languageOptions: { parserOptions: { projectService: true } } },
  {
    rules: {
      '@typescript-eslint/no-deprecated': 'off',
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
    },
  },
);
