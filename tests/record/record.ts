import { createHash } from 'node:crypto'
import { readFileSync, writeFileSync } from 'node:fs'
import { expect } from 'vitest'
import type { Bench } from '#core/command/command'
import { checkAnswer } from '#core/worksheet/evaluate'
import { live } from './lives'

/*
 * What checks come to, figure by figure, and what is said to whoever works on them, sensibly or not. Nothing here is checked against
 * the outside, that is what tests/reference is for: the files say what the program says, so that a change of one figure or one answer
 * is seen, and meant. When it is meant: raise the version of core if a signed figure changed, run
 * `RECORD=new npx vitest run tests/record`, and read the difference.
 */

/** Compares with the file of that name; says the first line that differs, which says more than all of them. */
export function compare(text: readonly string[], name: string): void {
  const file = new URL(`./expected/${name}.txt`, import.meta.url)
  if (process.env.RECORD === 'new') writeFileSync(file, `${text.join('\n')}\n`)
  const expected = readFileSync(file, 'utf8').trimEnd().split('\n')
  const at = expected.findIndex((line, i) => line !== text[i])
  expect(text[at], `line ${at + 1} of ${file.pathname}`).toBe(expected[at])
  expect(text).toHaveLength(expected.length)
}

/** A line a part, and one an entry of a list; seven figures of a number that is not whole. */
export function lines(answer: object): string[] {
  const short = (_: string, value: unknown) =>
    typeof value === 'number' && !Number.isInteger(value) ? Number(value.toPrecision(7)) : value
  const text = (value: unknown) => JSON.stringify(value, short)
  return Object.entries(answer).flatMap(([key, value]) =>
    Array.isArray(value) ? value.map((entry, i) => `  ${key} ${i}: ${text(entry)}`) : [`  ${key}: ${text(value)}`],
  )
}

/** Twelve digits that change with any figure or word of it. */
export const sumOver = (answer: object): string => createHash('sha256').update(lines(answer).join('\n')).digest('hex').slice(0, 12)

/** What an evaluation comes to in a few words, with a sum over all of it. */
export function inShort(answer: ReturnType<typeof checkAnswer>): string {
  const results = answer.results.map(({ id, word, estimate }) => `${id} ${estimate?.shown ?? '–'} ${word}`)
  const packs = answer.places.map(({ id, proposals }) => `${id}: ${proposals[0]?.words ?? 'nothing'}`)
  return `  = ${answer.word} | ${results.join(', ')} | ${packs.join(', ')} | ${sumOver(answer)}`
}

/** A check worked on at random: what was done and refused, looked at after every `look` commands. */
export function lifeOf(from: Bench, { seed, steps, look }: { seed: number; steps: number; look: number }): string[] {
  const told: string[] = []
  let done: string[] = []
  let i = 0
  for (const { did, refused, bench } of live(from, seed, steps)) {
    if (refused) told.push(`  ${did}, refused: ${refused}`)
    else done.push(did)
    if (++i % look !== 0) continue
    told.push(`  ${done.join(', ')}`, inShort(checkAnswer(bench.document, bench.lots)))
    done = []
  }
  return told
}
