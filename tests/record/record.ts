import { readFileSync, writeFileSync } from 'node:fs'
import { expect } from 'vitest'
import type { Bench } from '#core/command/command'
import { formatChange, formatFigure, type Unit } from '#core/quantity/figure'
import { checkAnswer } from '#core/worksheet/evaluate'
import { live } from './lives'

/*
 * What checks come to, figure by figure, each on a line with its name, and what is said to whoever works on them, sensibly or not.
 * Nothing here is checked against the outside, that is what tests/reference is for: the files say what the program says, so that a
 * change of one figure or one answer is seen, and meant. When it is meant: raise the version of core if a signed figure changed, run
 * `RECORD=new npx vitest run tests/record`, and read the difference.
 */

/** Compares with the file of that name; says the first line that differs, under its heading. */
export function compare(text: readonly string[], name: string): void {
  // More than the file holds is compared with what another version of the program says: `npm run lives`.
  if (process.env.LIVES_INTO) return writeFileSync(`${process.env.LIVES_INTO}/${name}.txt`, `${text.join('\n')}\n`)
  const file = new URL(`./expected/${name}.txt`, import.meta.url)
  if (process.env.RECORD === 'new') writeFileSync(file, `${text.join('\n')}\n`)
  const expected = readFileSync(file, 'utf8').trimEnd().split('\n')
  const at = expected.findIndex((line, i) => line !== text[i])
  const heading = expected.slice(0, at).findLast(line => line !== '' && !line.startsWith(' ')) ?? ''
  expect(text[at], `line ${at + 1} of tests/record/expected/${name}.txt, ${heading}`).toBe(expected[at])
  expect(text).toHaveLength(expected.length)
}

/** How much of it: a share in every run, all of it where two versions of the program are compared. */
export const share = (few: number, all: number): number => (process.env.LIVES_INTO ? all : few)

/** A value in a few characters; seven figures of a number that is not whole. */
export const short = (value: unknown): string =>
  JSON.stringify(value, (_, is: unknown) => (typeof is === 'number' && !Number.isInteger(is) ? Number(is.toPrecision(7)) : is)) ?? 'nothing'

type Answer = ReturnType<typeof checkAnswer>
type Result = Answer['results'][number]
type Place = Answer['places'][number]

const percent = (chance: number | { readonly inside: number } | null | undefined): string =>
  chance == null ? '' : `, ${(100 * (typeof chance === 'number' ? chance : chance.inside)).toFixed(1)} %`
/** A predicted or measured figure with its U. */
const about = (of: { readonly play: number; readonly U: number } | null, unit: Unit): string =>
  of ? `${formatFigure(of.play, unit, { fine: true })} ± ${formatChange(of.U, unit, { fine: true, unit: true })}` : 'not known'

/** What is not read yet is not told. */
function resultLines({ id, word, valid, estimate, gates, residual, stale, verdict, state }: Result): string[] {
  if (!estimate && state === 'to-do') return []
  const judged = verdict.working
  const rules = judged && [judged.plainWord, judged.carefulWord, judged.guardedWord]
  return [
    [
      `${id}: ${estimate ? `${about({ play: estimate.value, U: estimate.U }, estimate.unit)} of ${estimate.n}, ` : ''}${word}`,
      ...(judged?.chance ? [percent(judged.chance).slice(2)] : []),
      ...(rules && new Set(rules).size > 1 ? [rules.join(' / ')] : []),
      ...new Set(gates.map(({ gate, level }) => `${gate} ${level}`)),
      ...(valid ? [] : ['not valid']),
      ...(stale ? [`stale: ${short(stale)}`] : []),
      ...(residual ? [`${residual.z.toFixed(2)} from what was expected${residual.flagged ? ', flagged' : ''}`] : []),
    ].join(', '),
  ]
}

/** Each line of the uncertainty budget. */
const budgetLines = ({ id, estimate }: Result): string[] =>
  estimate
    ? estimate.budget.map(
        line => `${id}, u by ${line.source}: ${formatChange(line.u, estimate.unit, { fine: true, unit: true, decimals: 4 })}`,
      )
    : []

function placeLines({ id, result, aim, window, proposals, choice, order, make, ledger }: Place, unit: Unit, most: number): string[] {
  const length = (value: number | null) => (value === null ? 'any' : formatFigure(value, unit === '°C' ? 'thou' : unit, { fine: true }))
  if (!window && proposals.length === 0 && choice.notes.length === 0) return []
  return [
    `${id}: ${result === null ? '' : `aims at ${aim ? length(aim.target) : 'nothing'}; `}totals ${window ? `${length(window.low)} to ${length(window.high)}` : 'not known'}; fittings ${ledger.state}`,
    ...proposals
      .slice(0, most)
      .map(
        ({ words, predicted, chance, atMost }, i) =>
          `${id}, choice ${i + 1}: ${words} → ${atMost ? '≤ ' : ''}${about(predicted, unit)}${percent(chance)}`,
      ),
    ...choice.notes.map(note => `${id}, note: ${note}`),
    ...(order ? [`${id}, order: ${order.words}${percent(order.chance)}, ${percent(order.stockChance).slice(2)} from stock`] : []),
    ...make
      .slice(0, most)
      .map(
        ({ lot, amount, target, predicted, chance }) =>
          `${id}, make: ${lot} by ${length(amount)} to ${length(target)} → ${about(predicted, unit)}${percent(chance)}`,
      ),
  ]
}

/** What an evaluation comes to, a figure a line with its name. */
export function figures(answer: Answer, { most = 1, budgets = false } = {}): string[] {
  const unitOf = (result: string | null): Unit => answer.results.find(({ id }) => id === result)?.estimate?.unit ?? 'thou'
  return [
    `is: ${answer.word}, ${answer.phase}${answer.next ? `; next: ${answer.next.words}` : ''}`,
    ...answer.results.flatMap(result => [...resultLines(result), ...(budgets ? budgetLines(result) : [])]),
    ...answer.targets.map(target => `work: ${short(target)}`),
    ...(answer.catalogues ?? []).flatMap(({ place, entries }) =>
      entries.slice(0, most).map(({ words, state, chance }) => `${place}, choice: ${words} → ${state}${percent(chance)}`),
    ),
    ...answer.places.flatMap(place => placeLines(place, unitOf(place.result), most)),
    ...answer.pending.map(({ words, cleared }) => `pending: ${words}${cleared ? `, ${short(cleared)}` : ''}`),
    ...(answer.signOff.blockers.length > 0 ? [`cannot be signed: ${answer.signOff.blockers.join(' ')}`] : []),
    ...(answer.signOff.needsReason ? [`signed with a reason: ${answer.signOff.needsReason}`] : []),
  ].map(line => `  ${line}`)
}

/** A check worked on at random: what was refused, and what it comes to after every `look` commands. */
export function lifeOf(from: Bench, { seed, steps, look }: { seed: number; steps: number; look: number }): string[] {
  const told: string[] = []
  const heard = new Set<string>()
  let i = 0
  for (const { did, refused, bench } of live(from, seed, steps)) {
    const sentence = `  ${did}, refused: ${refused}`
    if (refused && !heard.has(sentence)) {
      heard.add(sentence)
      told.push(sentence)
    }
    if (++i % look === 0) told.push(...figures(checkAnswer(bench.document, bench.lots)))
  }
  return told
}
