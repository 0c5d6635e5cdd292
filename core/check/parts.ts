import type { PartRole } from './contract'
import type { PartChange } from './document'

/** A part of a job: what several of its checks may rest on. */
export interface JobPart {
  readonly id: string
  readonly name: string
}

/**
 * Binds the roles of a check to parts of its job by name; a part nobody has named yet is added. So two checks of one engine rest on
 * one “Crankshaft”.
 * @param newId  an id for a part that is added
 */
export function bindParts(
  roles: readonly PartRole[],
  parts: readonly JobPart[],
  newId: (role: PartRole) => string,
): { bound: Record<string, string>; added: JobPart[] } {
  const added: JobPart[] = []
  const bound: Record<string, string> = {}
  for (const role of roles) {
    const same = [...parts, ...added].find(part => part.name.toLowerCase() === role.label.toLowerCase())
    const part = same ?? { id: newId(role), name: role.label }
    if (!same) added.push(part)
    bound[role.id] = part.id
  }
  return { bound, added }
}

/** Why readings are stale, in words: the part, and what was done to it. A change to everything speaks for itself. */
export function staleWords(roles: readonly PartRole[], { role, reason }: Pick<PartChange, 'role' | 'reason'>): string {
  const part = roles.find(({ id }) => id === role)
  return part ? `${part.label.toLowerCase()} – ${reason}` : reason
}
