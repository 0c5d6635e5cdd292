import parser from '@typescript-eslint/parser'
import vue from 'eslint-plugin-vue'

// What components say in their templates; oxlint reads everything else, and the formatter sees to layout.
export default [
  ...vue.configs['flat/recommended'].map(config => ({ ...config, files: ['app/**/*.vue'] })),
  {
    files: ['app/**/*.vue'],
    languageOptions: { parserOptions: { parser } },
    rules: {
      'vue/multi-word-component-names': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-self-closing': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
      'vue/require-default-prop': 'off',
    },
  },
]
