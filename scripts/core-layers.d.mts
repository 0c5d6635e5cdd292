import type { Linter } from 'eslint'

export const layers: readonly string[]
export function coreLayers(): Linter.Config[]
