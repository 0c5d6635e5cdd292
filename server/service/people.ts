import type { NewPersonDto, PersonChangeDto } from '#shared/dto/person'
import type { Person } from '#shared/record'
import type { Database, Sql } from '../database/client'
import { insertEvent } from '../database/events'
import { allPeople, insertPerson, personById, personOf, updatePerson } from '../database/people'
import { notFound, refuse } from '../http/refuse'
import { assertFresh } from './command'
import { isRepeat } from './once'

/** Initials pick one name and no other. @throws Refused where somebody else here has them */
export async function assertOwnInitials(sql: Sql, id: string, initials: string): Promise<void> {
  const other = await personOf(sql, initials)
  if (other && other.id !== id) throw refuse(409, `${other.name} has these initials.`, 'initials')
}

export const addPerson = (db: Database, dto: NewPersonDto): Promise<Person[]> =>
  db.transaction(async sql => {
    if (!(await isRepeat(sql, dto))) {
      if (await personById(sql, dto.id)) throw refuse(409, 'That id is taken.', 'id')
      await assertOwnInitials(sql, dto.id, dto.initials)
      await insertPerson(sql, { id: dto.id, name: dto.name.trim(), initials: dto.initials })
      await insertEvent(sql, dto, { subject: dto.id, version: 1, what: `${dto.name.trim()} works here` })
    }
    return allPeople(sql)
  })

export const changePerson = (db: Database, id: string, dto: PersonChangeDto): Promise<Person[]> =>
  db.transaction(async sql => {
    const person = await personById(sql, id)
    if (!person) throw notFound('person')
    if (!(await isRepeat(sql, dto))) {
      await assertFresh(sql, id, dto.version, person.version)
      await assertOwnInitials(sql, id, dto.initials)
      await updatePerson(sql, { id, name: dto.name.trim(), initials: dto.initials })
      await insertEvent(sql, dto, {
        subject: id,
        version: person.version + 1,
        what: `${person.name} is now ${dto.name.trim()}, ${dto.initials}`,
      })
    }
    return allPeople(sql)
  })
