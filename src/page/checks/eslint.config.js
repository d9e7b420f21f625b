// SPDX-License-Identifier: MIT
import js from '@eslint/js';
import globals from 'globals';

export default [
  js.configs.recommended,
  {
    files: ['**/look/*.js'],
    languageOptions: { ecmaVersion: 2022, sourceType: 'module', globals: globals.browser },
    rules: {
      eqeqeq: 'error',
      'no-implicit-globals': 'error',
      'no-unused-vars': ['error', { argsIgnorePattern: '^_' }],
      'no-restricted-properties': [
        'error',
        ...['innerHTML', 'outerHTML', 'insertAdjacentHTML'].map((property) => ({
          property,
          message: 'Names and texts are never markup; use make().',
        })),
      ],
      'no-restricted-globals': ['error', 'eval', 'Function'],
      'no-var': 'error',
      'prefer-const': 'error',
    },
  },
];
