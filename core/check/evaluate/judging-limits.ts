import type { Finding } from '../../reading/gates'
import { bothWays, floored, type LimitSet } from '../../verdict/limits'
import type { CombinedResult, ResultKind } from '../contract'
import { limitsOf, type CheckDocument, type LimitPair } from '../document'

/** Said where shop and book contradict each other. */
export const NO_OVERLAP: Finding = {
  gate: 'limits',
  level: 'warn',
  words: 'What the shop allows and what the book allows do not overlap: nothing meets both. See in Set up which is right.',
}

/** The limits a result is judged by: with the floor of its kind, and either way from zero where it goes both. */
export function judgingLimits(
  document: CheckDocument,
  { belowZero, bothWays: eitherWay, judgedBy }: ResultKind,
  { kind, position }: CombinedResult,
): LimitPair & { readonly working: LimitSet | null } {
  const { book, shop, working } = limitsOf(document, judgedBy ?? kind, position)
  const reach = (limits: LimitSet | null) => floored(eitherWay ? bothWays(limits) : limits, belowZero)
  const pair = { book: reach(book), shop: reach(shop) }
  return { ...pair, working: working === shop ? pair.shop : working === book ? pair.book : reach(working) }
}
