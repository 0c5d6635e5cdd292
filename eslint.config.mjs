import withNuxt from './.nuxt/eslint.config.mjs'
import { coreLayers } from './scripts/core-layers.mjs'

export default withNuxt(
  { ignores: ['.output/**', 'data/**', 'docs/**'] },
  ...coreLayers(),
  { rules: { 'vue/multi-word-component-names': 'off', 'vue/max-attributes-per-line': 'off', 'vue/singleline-html-element-content-newline': 'off', '@stylistic/max-statements-per-line': ['error', { max: 2 }], '@stylistic/brace-style': ['error', '1tbs', { allowSingleLine: true }] } },
)
