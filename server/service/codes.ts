import { readCode, type Coded } from '#core/label/code'
import { markedText } from '#core/quantity/format-length'
import { PATH_OF } from '#shared/paths'
import type { Scanned } from '#shared/record'
import type { Sql } from '../database/client'
import { codedThing } from '../database/codes'
import { gaugesNamed } from '../database/gauges'
import { articlesLikeFigures, lotsNamed } from '../database/stock'
import { refuse } from '../http/refuse'
import { textOf } from './labels'

/** What a scanned code is of: one of ours, else an article, a size or a gauge by its name. @throws Refused 404, with what is wrong with it */
export async function scanned(sql: Sql, text: string): Promise<Scanned> {
  const code = readCode(text)
  if (code) return ours(sql, code)
  if (/^QF/i.test(text.trim())) throw refuse(404, 'That code was read wrong, or is none of this workshop’s.')
  const found = [...(await sizesNamed(sql, text)), ...(await gaugesOf(sql, text))]
  const [first, ...others] = found
  if (!first) throw refuse(404, `Nothing here goes by “${text.trim()}”.`)
  if (others.length > 0)
    throw refuse(409, `“${text.trim()}” is ${found.map(({ name }) => name).join(', and ')}: open the one that is meant.`)
  return first
}

async function ours(sql: Sql, { thing, number }: { readonly thing: Coded; readonly number: number }): Promise<Scanned> {
  const id = await codedThing(sql, thing, number)
  if (id === undefined) throw refuse(404, 'This workshop has printed no such code.')
  const { title } = await textOf(sql, { thing, id }).catch(() => ({ title: '' }))
  return { thing, id, name: title, path: PATH_OF[thing](id) }
}

const sizesNamed = async (sql: Sql, text: string): Promise<Scanned[]> =>
  (await lotsNamed(sql, text.trim())).map(lot => ({
    thing: 'size',
    id: lot.id,
    name: [markedText(lot.nominal), lot.mark, lot.family].filter(Boolean).join(' '),
    path: PATH_OF.size(lot.id),
  }))
const gaugesOf = async (sql: Sql, text: string): Promise<Scanned[]> =>
  (await gaugesNamed(sql, text.trim())).map(({ id, name }) => ({ thing: 'gauge', id, name, path: PATH_OF.gauge(id) }))

/** Articles that read as a figure, with the size each is of; of one that several sizes have, the first. */
export async function figureArticles(sql: Sql): Promise<(Scanned & { readonly article: string })[]> {
  const found: (Scanned & { readonly article: string })[] = []
  for (const article of await articlesLikeFigures(sql)) {
    const [size] = await sizesNamed(sql, article)
    if (size) found.push({ ...size, article })
  }
  return found
}
