import { expect, it } from 'vitest'
import { unfit } from './plain'

it('takes plain JSON, and says where it is not', () => {
  expect(unfit({ a: [1, null, 'ü 😀'], b: { c: true } })).toBeNull()
  expect(unfit(JSON.parse('{"a":{"__proto__":1}}'))).toEqual({ path: 'a', reason: 'This field is not known.' })
  expect(unfit({ list: ['x', { y: '\ud800' }] })).toMatchObject({ path: 'list.1.y', reason: expect.stringContaining('half a character') })
  expect(unfit({ a: 'x\0' })).toMatchObject({ path: 'a', reason: expect.stringContaining('zero character') })
  expect(unfit({ '\udc00': 1 })).toMatchObject({ reason: 'This field is not known.' })
  let deep: unknown = 1
  for (let i = 0; i < 12; i++) deep = [deep]
  expect(unfit(deep)).toBeNull()
  expect(unfit([deep])).toMatchObject({ reason: 'This is nested too deeply.' })
  expect(unfit(JSON.parse(`${'['.repeat(30_000)}${']'.repeat(30_000)}`))).toMatchObject({ reason: 'This is nested too deeply.' })
})
