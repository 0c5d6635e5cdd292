import type { CheckKind } from './contract'
import { readSetup, type Fields, type Setup, type SetupField, type SetupOf } from './setup'

/** What takes the set-up as it is stored takes it here with its types. */
type WithSetup<Member, Typed> = Member extends (setup: Setup, ...rest: infer Rest) => infer Answer
  ? (setup: Typed, ...rest: Rest) => Answer
  : Member
type Common<Details extends object> = Omit<CheckKind<Details>, 'setupFields' | 'defaultSetup'>

/** A check kind as it is written down: its fields with their defaults, and everything else by a set-up of just these fields. */
export type KindSpec<F extends Fields, Details extends object> = {
  readonly [Member in keyof Common<Details>]: WithSetup<Common<Details>[Member], SetupOf<F>>
} & {
  readonly fields: F
  /** Fields that are asked only when the other choices call for them. */
  readonly asked?: { readonly [Id in keyof F]?: (setup: SetupOf<F>) => boolean }
}

/** A check kind for the common code, which knows a set-up only as texts by field. */
export function defineKind<const F extends Fields, Details extends object = object>({
  fields,
  asked,
  ...spec
}: KindSpec<F, Details>): CheckKind<Details> {
  const typed = (setup: Setup) => readSetup(fields, setup)
  const members = Object.entries(spec).map(([name, member]) => [
    name,
    typeof member === 'function'
      ? (setup: Setup, ...rest: unknown[]) => (member as (...all: unknown[]) => unknown)(typed(setup), ...rest)
      : member,
  ])
  const setupFields = Object.entries(fields).map(([id, { initial: _, ...field }]): SetupField => {
    const when = asked?.[id]
    return { ...field, id, ...(when ? { when: (setup: Setup) => when(typed(setup)) } : {}) } as SetupField
  })
  const defaultSetup = Object.fromEntries(Object.entries(fields).map(([id, { initial }]) => [id, initial]))
  return { ...Object.fromEntries(members), setupFields, defaultSetup } as unknown as CheckKind<Details>
}
