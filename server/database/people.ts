import type { Person } from '#shared/record'
import type { Sql } from './client'

const COLUMNS = 'id, name, initials, version'

/** Who works here, by name. */
export const allPeople = (sql: Sql) => sql.rows<Person>(`SELECT ${COLUMNS} FROM person WHERE removed_at IS NULL ORDER BY lower(name), id`)
export const personById = async (sql: Sql, id: string) => (await sql.rows<Person>(`SELECT ${COLUMNS} FROM person WHERE id = $1`, [id]))[0]
/** Whoever here has these initials. */
export const personOf = async (sql: Sql, initials: string) =>
  (await sql.rows<Person>(`SELECT ${COLUMNS} FROM person WHERE lower(initials) = lower($1) AND removed_at IS NULL`, [initials]))[0]
export const insertPerson = (sql: Sql, { id, name, initials }: Omit<Person, 'version'>) =>
  sql.rows('INSERT INTO person (id, name, initials) VALUES ($1, $2, $3)', [id, name, initials])
export const updatePerson = (sql: Sql, { id, name, initials }: Omit<Person, 'version'>) =>
  sql.rows('UPDATE person SET name = $2, initials = $3, version = version + 1 WHERE id = $1', [id, name, initials])
