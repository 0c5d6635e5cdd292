import type { Finding } from '../../reading/gates'
import { bothWays, endsOf, floored, isInside, meetBoth, type LimitSet } from '../../verdict/limits'
import type { CombinedResult, ResultKind } from '../contract'
import { limitsOf, type CheckDocument, type LimitPair } from '../document'

/** Said where what is allowed contradicts itself. */
export const NO_OVERLAP: Finding = {
  gate: 'limits',
  level: 'warn',
  words: 'What is allowed does not overlap (shop, book, what the set-up asks for): nothing meets all of it. See in Set up which is right.',
}

/** The limits of a result, and what judges it. */
export interface JudgingLimits extends LimitPair {
  /** what the set-up itself asks for, where the others do not keep to it anyway: it judges besides them */
  readonly demand: LimitSet | null
  readonly working: LimitSet | null
}

/** The limits a result is judged by: with the floor of its kind, either way from zero where it goes both, and what its set-up asks for. */
export function judgingLimits(
  document: CheckDocument,
  { belowZero, bothWays: eitherWay, judgedBy }: ResultKind,
  { kind, position }: CombinedResult,
  asked: LimitSet | null,
): JudgingLimits {
  const { book, shop, working } = limitsOf(document, judgedBy ?? kind, position)
  const reach = (limits: LimitSet | null) => floored(eitherWay ? bothWays(limits) : limits, belowZero)
  const pair = { book: reach(book), shop: reach(shop) }
  const judging = working === shop ? pair.shop : working === book ? pair.book : reach(working)
  const given = judging && endsOf(judging) ? judging : null
  const demand = given && asked && isInside(given, reach(asked)) ? null : reach(asked)
  // One recommended figure stays what is aimed at.
  if (judging?.kind === 'figure') return { ...pair, demand, working: judging }
  return { ...pair, demand, working: demand && given ? meetBoth(given, demand) : (demand ?? judging) }
}
