import js from '@eslint/js'
import prettier from 'eslint-config-prettier'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import ts from 'typescript-eslint'

export default [
  { ignores: ['dist/**', 'src/api/schema.d.ts', 'src/components.d.ts'] },
  js.configs.recommended,
  ...ts.configs.recommended,
  ...vue.configs['flat/recommended'],
  prettier,
  {
    files: ['**/*.{ts,vue,js}'],
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: ts.parser, extraFileExtensions: ['.vue'] },
    },
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      '@typescript-eslint/no-non-null-assertion': 'off',
      'max-len': ['error', { code: 140, ignoreUrls: true }],
      'no-console': 'error',
      'no-undef': 'off', // the compiler knows the types
      'vue/no-v-html': 'off', // what is shown so is a picture of our own server
      'vue/multi-word-component-names': 'off',
    },
  },
  { files: ['src/i18n/**/*.ts'], rules: { 'max-len': 'off' } }, // a sentence is one line
]
