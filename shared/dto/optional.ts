import { Type } from 'class-transformer'
import { IsOptional as OrNothing, IsObject, ValidateIf, ValidateNested } from 'class-validator'

/** May be left out. Null says nothing here and is refused: what is stored has to mean something when it is read. */
export const Optional = (): PropertyDecorator => ValidateIf((_, value) => value !== undefined)
/** May be left out, and null is an answer: there is none. */
export const OrNone = (): PropertyDecorator => OrNothing()

const all =
  (...rules: readonly PropertyDecorator[]): PropertyDecorator =>
  (target, key) => {
    for (const rule of rules) rule(target, key)
  }
/** A group of fields; a list is none. */
export const Group = (of: () => new () => object): PropertyDecorator =>
  all(IsObject({ message: 'This is missing.' }), ValidateNested(), Type(of))
/** Every item of a list is a group of fields. */
export const Groups = (of: () => new () => object): PropertyDecorator =>
  all(IsObject({ each: true, message: 'Each of them is a group of fields.' }), ValidateNested({ each: true }), Type(of))
