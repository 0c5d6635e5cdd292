import { describe, expect, it } from 'vitest'
import { packingFor } from './compress'
import { HEADERS, uselessFor } from './headers'

describe('how an answer is packed', () => {
  it.each([
    ['gzip, deflate, br', 'br'],
    ['gzip', 'gzip'],
    ['BR;q=0.5 , gzip;q=1', 'br'],
    ['br;q=0, gzip', 'gzip'],
    ['br; q=0.0', null],
    ['deflate, *', null],
    ['', null],
  ])('“%s”: %s', (accepts, packing) => expect(packingFor(accepts)).toBe(packing))
})

describe('what is said with a file of the build', () => {
  it('is little: it is no page', () => {
    const left = Object.keys(HEADERS).filter(name => !uselessFor('/_nuxt/B49hlEOY.js').includes(name))
    expect(left).toEqual(['x-content-type-options', 'cross-origin-resource-policy'])
  })
  it.each(['/', '/mark.svg', '/_nuxt/workers/chooser.worker-1.js', '/api/jobs', '/_nuxt/../x.js'])('is all of it with %s', path =>
    expect(uselessFor(path)).toEqual([]),
  )
})
