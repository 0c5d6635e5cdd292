import withNuxt from './.nuxt/eslint.config.mjs'
import { coreLayers } from './scripts/core-layers.mjs'

// The config composer calls this; Node 20 does not have it yet.
Object.groupBy ??= (items, keyOf) => {
  const groups = {}
  for (const item of items) (groups[keyOf(item)] ??= []).push(item)
  return groups
}

export default withNuxt({ ignores: ['.output/**', 'data/**', 'docs/**'] }, ...coreLayers(), {
  rules: {
    'vue/multi-word-component-names': 'off',
    'vue/max-attributes-per-line': 'off',
    'vue/singleline-html-element-content-newline': 'off',
    'vue/multiline-html-element-content-newline': 'off',
    'vue/html-self-closing': 'off',
    'vue/first-attribute-linebreak': 'off',
    'vue/require-default-prop': 'off',
    'no-control-regex': 'off',
    '@typescript-eslint/unified-signatures': 'off',
  },
})
