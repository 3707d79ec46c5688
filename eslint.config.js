import hooks from 'eslint-plugin-react-hooks';
import tseslint from 'typescript-eslint';

/** The layers of web/, the lowest first: each looks only down, and no screen into another. */
const layers = ['api', 'lib', 'ui', 'parts', 'features', 'app'];

/** A client's own page stands beside the screens: one file, without a server to ask. */
const own = {
  files: ['web/own/**'],
  rules: {
    'no-restricted-imports': [
      'error',
      { patterns: [{ regex: '/(features|app)/.*[^s]$', message: 'web/own looks only down' }] },
    ],
  },
};

function looksDown(layer) {
  const above = layers.slice(layers.indexOf(layer) + 1);
  const patterns = [
    ...(above.length === 0 ? [] : [{ regex: `/(${above.join('|')})/`, message: `web/${layer} looks only down` }]),
    ...(layer === 'features' ? [{ regex: '^\\.\\./[^.]', message: 'what screens share goes to parts/' }] : []),
  ];
  return { files: [`web/${layer}/**`], rules: { 'no-restricted-imports': ['error', { patterns }] } };
}

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
  ...layers.map(looksDown),
  own,
);
