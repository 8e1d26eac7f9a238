import js from '@eslint/js';
import globals from 'globals';

export default [
  { ignores: ['.cache/**', 'public/**', 'vendor/**', 'node_modules/**', 'storage/**', 'test-results/**'] },
  js.configs.recommended,
  { files: ['resources/js/**'], languageOptions: { globals: globals.browser } },
  {
    files: ['tests/Browser/**', 'docs/**', '*.js'],
    languageOptions: { globals: { ...globals.node, ...globals.browser } },
  },
];
