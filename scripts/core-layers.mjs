// The import directions of core/: a folder sees only the folders before it in this list, and nothing outside core/.
export const layers = [
  'quantity',
  'reading',
  'verdict',
  'pack',
  'method',
  'check',
  'command',
  'shop',
  'worksheet',
  'report',
  'trend',
  'label',
]

const outside = {
  group: [
    'vue',
    'vue-*',
    'nuxt',
    'nuxt/*',
    'pinia',
    'h3',
    'node:*',
    '\\#*',
    '\\#*/**',
    '~/*',
    '~~/*',
    '@/*',
    '**/app/**',
    '**/server/**',
    '**/shared/**',
  ],
  message: 'core/ is computation only: it reaches nothing outside itself.',
}

/** @returns {import('eslint').Linter.Config[]} one rule a layer, and one that keeps check kinds apart */
export function coreLayers() {
  const ignores = ['core/**/*.test.ts']
  return [
    ...layers.map((layer, i) => ({
      files: [`core/${layer}/**/*.ts`],
      ignores,
      rules: {
        'no-restricted-imports': [
          'error',
          {
            patterns: [
              outside,
              ...layers.slice(i + 1).map(later => ({
                group: [`**/${later}/**`],
                message: `core/${layer} may import only ${layers.slice(0, i).join(', ') || 'nothing'}.`,
              })),
            ],
          },
        ],
      },
    })),
    {
      // A kind may climb to the contract beside it or to an earlier layer, never sideways into another kind.
      files: ['core/check/kinds/*/**/*.ts'],
      ignores,
      rules: {
        'no-restricted-syntax': [
          'error',
          {
            selector: 'ImportDeclaration[source.value=/^\\.\\.\\u002F[^.]/]',
            message: 'Check kinds never import each other.',
          },
        ],
      },
    },
  ]
}
