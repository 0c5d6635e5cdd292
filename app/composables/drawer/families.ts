import type { Families } from '#shared/types'

/** Families of the drawer as a kind of check would want them, and the one to begin with; empty where only the technician can say. */
export interface FamilyChoice {
  readonly families: readonly string[]
  readonly first: string
}

/** Those that checks of the kind took pieces from come first, then those nobody has used yet, then those of other kinds. */
export function familiesFor(kind: string, { families: all, usedFor }: Families): FamilyChoice {
  const used = usedFor.filter(use => use.kind === kind && all.includes(use.family)).map(({ family }) => family)
  const fresh = all.filter(family => !usedFor.some(use => use.family === family))
  return {
    families: [...new Set([...used, ...fresh, ...all])],
    first: used[0] ?? (fresh.length === 1 ? fresh[0]! : ''),
  }
}
