import { ArrayMaxSize, ArrayMinSize, IsArray, IsInt, IsNumber, IsString, Matches, Max, MaxLength, Min } from 'class-validator'
import schema from '#core/worksheet/worksheet.schema.json'

// How long, how large and how many: the schema of the worksheet says it, for what goes over the wire as for what stands in a file.

interface Node {
  readonly type?: string
  readonly maxLength?: number
  readonly minLength?: number
  readonly pattern?: string
  readonly minimum?: number
  readonly maximum?: number
  readonly minItems?: number
  readonly maxItems?: number
  readonly items?: Node
  readonly properties?: Readonly<Record<string, Node>>
  readonly anyOf?: readonly Node[]
  readonly $ref?: string
}
const DEFINED = schema.$defs as unknown as Readonly<Record<string, Node>>
const meant = (node: Node | undefined): Node | undefined => {
  if (node?.$ref) return meant(DEFINED[node.$ref.split('/').pop()!])
  return node?.anyOf ? meant(node.anyOf.find(({ type }) => type !== 'null')) : node
}

/**
 * What the schema says at a place: `check.title`, `lot.tags`, `pack.count` (of a list: its items).
 * @throws Error where it says nothing of it
 */
export function inSchema(place: string): Node {
  const [first, ...steps] = place.split('.')
  let node = meant(DEFINED[first!])
  for (const step of steps) {
    const within: Node | undefined = meant(node?.items) ?? node
    node = meant(within?.properties?.[step])
  }
  if (!node) throw new Error(`The schema of the worksheet has no ${place}.`)
  return node
}

/** What is said of a value that does not fit. */
interface Said {
  /** of another type */
  readonly type?: string
  /** of a text without a sign in it; where the schema wants one */
  readonly empty?: string
  readonly least?: string
  readonly most?: string
}
const message = (text: string | undefined) => (text === undefined ? {} : { message: text })

/** A field that goes where the worksheet has one: as long, as large, as many as there, and one that must not be empty there is not here. */
export function Fits(place: string, said: Said = {}): PropertyDecorator {
  const rules = rulesOf(inSchema(place), said, false)
  return (target, key) => {
    for (const rule of rules) rule(target, key)
  }
}

function rulesOf(node: Node, { type, empty, least, most }: Said, each: boolean): PropertyDecorator[] {
  const items = meant(node.items)
  switch (node.type) {
    case 'string':
      return [
        IsString({ each, ...message(type) }),
        ...(node.maxLength === undefined ? [] : [MaxLength(node.maxLength, { each, ...message(most) })]),
        ...(node.minLength || empty ? [Matches(/\S/, { each, message: empty ?? 'This is missing.' })] : []),
        ...(node.pattern ? [Matches(new RegExp(node.pattern), { each, ...message(type) })] : []),
      ]
    case 'integer':
    case 'number':
      return [
        node.type === 'integer' ? IsInt({ each, ...message(type) }) : IsNumber({}, { each, ...message(type) }),
        ...(node.minimum === undefined ? [] : [Min(node.minimum, { each, ...message(least) })]),
        ...(node.maximum === undefined ? [] : [Max(node.maximum, { each, ...message(most) })]),
      ]
    case 'array':
      return [
        IsArray(message(type)),
        ...(node.minItems === undefined ? [] : [ArrayMinSize(node.minItems, message(least))]),
        ...(node.maxItems === undefined ? [] : [ArrayMaxSize(node.maxItems, message(most))]),
        // What is made of fields says for each of them what fits.
        ...(items && !items.properties ? rulesOf(items, {}, true) : []),
      ]
    default:
      throw new Error('Only texts, figures and lists have a size.')
  }
}

/** A text that may be left empty, where the worksheet has none at all then. */
export const Longest = (place: string): PropertyDecorator => {
  const rules = [IsString(), MaxLength(inSchema(place).maxLength!)]
  return (target, key) => {
    for (const rule of rules) rule(target, key)
  }
}
