import { markedText } from '#core/quantity/format-length'
import type { FindDto } from '#shared/dto/find'
import type { Found } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { jobsWith, keepWords, saidOf, unreadJobs } from '../database/find'
import { gaugeNames } from '../database/gauges'
import { jobsByIds } from '../database/jobs'
import { allEntries } from '../database/library'
import { orderWords } from '../database/orders'
import { allLots } from '../database/stock'
import { questionOf, wordsIn } from './words'

/** Others wait no longer than the words of so many take. */
const JOBS_AT_ONCE = 25
/** Other things are told beside the jobs, a few of each. */
const FEW = 8
/** An older order is found by the job it was for. */
const ORDERS_LOOKED_AT = 200

/** Works out the words of jobs that were written to: others get their turn between. */
export async function readUp(db: Database, most = Infinity): Promise<void> {
  for (let done = 0; done < most;) {
    const jobs = await unreadJobs(db, Math.min(JOBS_AT_ONCE, most - done))
    if (jobs.length === 0) return
    await db.transaction(async sql => {
      const said = await saidOf(sql, jobs)
      await keepWords(
        sql,
        jobs,
        said.map(({ id, day, said: text }) => ({ id, day, words: wordsIn(text) })),
      )
    })
    done += jobs.length
  }
}

/** Everything that has all these words, each by its beginning: jobs with the checks that have some of them, and what is no job. */
export async function find(db: Database, { words, from, to, skip, limit }: FindDto): Promise<Found> {
  await readUp(db)
  return db.reading(async sql => {
    const question = questionOf(words)
    const { ids, found } = await jobsWith(sql, { question, from: from ?? null, to: to ?? null, skip, limit })
    const asked = wordsIn(words)
    const has = (text: string) => asked.some(word => wordsIn(text).some(own => own.startsWith(word)))
    const jobs = (await jobsByIds(sql, ids)).map(job => ({
      ...job,
      matches: job.checks.filter(({ title, kind, word, note }) => has([title, kind, word, note].join(' '))).map(({ id }) => id),
    }))
    return { jobs, found, others: question === null || skip > 0 ? [] : await others(sql, asked) }
  })
}

/** Gauges, limits, sizes and orders that have all the words. */
async function others(sql: Sql, asked: readonly string[]): Promise<Found['others']> {
  const hasAll = (text: string) => {
    const own = wordsIn(text)
    return asked.every(word => own.some(candidate => candidate.startsWith(word)))
  }
  const few = <Item>(all: readonly Item[], text: (item: Item) => string) => all.filter(item => hasAll(text(item))).slice(0, FEW)
  return [
    ...few(await gaugeNames(sql), ({ name, kind }) => `${name} ${kind}`).map(({ id, name }) => ({ what: 'gauge' as const, id, name })),
    ...few(await allEntries(sql), ({ name, type, kind, set }) =>
      [name, type, kind, set.source.text, set.source.page].filter(Boolean).join(' '),
    ).map(({ id, name }) => ({ what: 'limits' as const, id, name })),
    ...few(await allLots(sql), ({ family, mark, colour, tags }) => [family, mark, colour, ...tags].join(' ')).map(lot => ({
      what: 'size' as const,
      id: lot.id,
      name: [lot.family, markedText(lot.nominal), lot.mark].filter(Boolean).join(' '),
    })),
    ...few(await orderWords(sql, ORDERS_LOOKED_AT), ({ said }) => said).map(({ id, supplier, reference, ordered_on }) => ({
      what: 'order' as const,
      id,
      name: [supplier, reference || ordered_on].join(', '),
    })),
  ]
}
