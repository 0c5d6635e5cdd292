// The import directions of core/: a folder sees only the folders before it, and nothing outside core/.
export const layers = ['quantity', 'reading', 'verdict', 'pack', 'method', 'check', 'worksheet']

/** @returns {import('eslint').Linter.Config[]} one rule block per layer, one for core/ as a whole, one for the check kinds */
export function coreLayers() {
  const outside = {
    group: ['vue', 'vue-*', 'nuxt', 'nuxt/*', 'pinia', 'h3', 'node:*', '#app', '#imports', '#shared/*', '~/*', '~~/*', '@/*', '**/app/**', '**/server/**', '**/shared/**'],
    message: 'core/ is computation only: it reaches nothing outside itself.',
  }
  const rule = patterns => ({ 'no-restricted-imports': ['error', { patterns }] })
  return [
    ...layers.map((layer, i) => ({
      files: [`core/${layer}/**/*.ts`],
      ignores: ['core/check/*/**', 'core/**/*.test.ts'],
      rules: rule([outside, ...layers.slice(i + 1).map(later => ({ group: [`**/${later}/**`, `**/${later}`], message: `core/${layer} may import only: ${layers.slice(0, i).join(', ') || 'nothing'}.` }))]),
    })),
    {
      files: ['core/check/*/**/*.ts'],
      ignores: ['core/**/*.test.ts'],
      rules: rule([outside, { group: ['**/worksheet/**'], message: 'A check kind does not know the file format.' }, { group: ['../*/**', '!../contract', '../../check/*/**', '!../../check/contract'].slice(0, 1), message: 'Check kinds never import each other.' }].slice(0, 2)),
    },
    {
      // A kind may climb to core/ (../../quantity/…) or to the contract (../contract), never sideways (../other-kind/…).
      files: ['core/check/*/**/*.ts'],
      ignores: ['core/**/*.test.ts'],
      rules: { 'no-restricted-syntax': ['error', { selector: 'ImportDeclaration[source.value=/^\\.\\.\\u002F[^.][^\\u002F]*\\u002F/]', message: 'Check kinds never import each other.' }] },
    },
  ]
}
