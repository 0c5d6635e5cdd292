import { fileURLToPath } from 'node:url'
import { Linter } from 'eslint'
import { expect, it } from 'vitest'
import { coreLayers } from './core-layers.mjs'

const lint = (file: string, code: string) =>
  new Linter({ cwd: fileURLToPath(new URL('..', import.meta.url)) })
    .verify(
      code,
      [{ languageOptions: { sourceType: 'module' } }, ...coreLayers()].map(c => ({ ...c, ...(c.files ? {} : { files: ['**/*.ts'] }) })),
      file,
    )
    .map(m => m.message)

it.each([
  ['core/quantity/a.ts', '../reading/gates'],
  ['core/pack/a.ts', '../check/contract'],
  ['core/pack/chooser/a.ts', '../../check/contract'],
  ['core/reading/a.ts', '#shared/types'],
  ['core/verdict/a.ts', 'vue'],
  ['core/check/a.ts', 'node:fs'],
  ['core/check/shaft-end-play/a.ts', '../hub-play/evaluate'],
  ['core/method/dial/a.ts', '../../worksheet/read'],
])('%s may not import %s', (file, from) => expect(lint(file, `import x from '${from}'\nx()`).length).toBeGreaterThan(0))

it.each([
  ['core/pack/a.ts', '../reading/gates'],
  ['core/check/shaft-end-play/a.ts', '../contract'],
  ['core/check/shaft-end-play/a.ts', '../../reading/gates'],
  ['core/worksheet/a.ts', '../check/registry'],
  ['core/worksheet/read.ts', 'ajv'],
])('%s may import %s', (file, from) => expect(lint(file, `import x from '${from}'\nx()`)).toEqual([]))
