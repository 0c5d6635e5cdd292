import { expect, it } from 'vitest'
import { unfit as unfitWithin, valuesIn } from './plain'

const unfit = (value: unknown) => unfitWithin(value, { deepest: 12, most: 100_000 })

it('takes plain JSON, and says where it is not', () => {
  expect(unfit({ a: [1, null, 'ü 😀'], b: { c: true } })).toBeNull()
  expect(unfit(JSON.parse('{"a":{"__proto__":1}}'))).toEqual({ path: 'a', reason: 'This field is not known.' })
  expect(unfit({ list: ['x', { y: '\ud800' }] })).toMatchObject({ path: 'list.1.y', reason: expect.stringContaining('half a character') })
  expect(unfit({ a: 'x\0' })).toMatchObject({ path: 'a', reason: expect.stringContaining('zero character') })
  expect(unfit({ '\udc00': 1 })).toMatchObject({ reason: 'This field is not known.' })
  expect(unfit(Array(99_999).fill(1))).toBeNull()
  expect(unfit(Array(100_000).fill({}))).toEqual({ path: '', reason: 'There is too much in it: 100000 values at most.' })
  let deep: unknown = 1
  for (let i = 0; i < 12; i++) deep = [deep]
  expect(unfit(deep)).toBeNull()
  expect(unfit([deep])).toMatchObject({ reason: 'This is nested too deeply.' })
  expect(unfit(JSON.parse(`${'['.repeat(30_000)}${']'.repeat(30_000)}`))).toMatchObject({ reason: 'This is nested too deeply.' })
})

it('never counts fewer values in a text than stand in it', () => {
  const values = (of: unknown): number =>
    1 + (typeof of === 'object' && of !== null ? Object.values(of).reduce((sum: number, inner) => sum + values(inner), 0) : 0)
  for (const value of [{}, [], [[], {}], { a: [1, 2, { b: '"{[,' }], c: '\\' }, 'x,[{', [[[]]], { '"': 1, '[': '\\"' }])
    expect(valuesIn(JSON.stringify(value))).toBeGreaterThanOrEqual(values(value))
  expect(valuesIn('"{[,\\",{"')).toBe(1)
  expect(valuesIn(JSON.stringify(Array(1000).fill({})))).toBe(2001)
})
