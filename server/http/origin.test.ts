import { describe, expect, it } from 'vitest'
import { isFromHere, isOwnName, namesOf } from './origin'

describe('names this shop answers to', () => {
  it.each(['127.0.0.1:4173', 'localhost:4173', 'shop.localhost', '[::1]:4173', '192.168.7.3:4173', 'bench:4173', 'BENCH.lan'])('%s', host =>
    expect(isOwnName(host, namesOf('bench, Bench.LAN'))).toBe(true),
  )
  it.each(['evil.example:4173', '127.0.0.1.evil.example', 'localhost.evil.example', '', 'user@127.0.0.1', '127.0.0.1/x', 'bench2'])(
    'not %s',
    host => expect(isOwnName(host, namesOf('bench'))).toBe(false),
  )
})

describe('a write', () => {
  const host = '127.0.0.1:4173'
  it('comes from a page of this address, or from a program that says so', () => {
    expect(isFromHere({ host, origin: 'http://127.0.0.1:4173' })).toBe(true)
    // Behind a proxy that speaks https.
    expect(isFromHere({ host: 'bench', origin: 'https://bench' })).toBe(true)
    expect(isFromHere({ host: 'bench', origin: 'http://bench' })).toBe(true)
    expect(isFromHere({ host, proof: 'yes' })).toBe(true)
  })
  it.each(['http://127.0.0.1:4174', 'http://localhost:4173', 'http://evil.example', 'null', 'file://', ''])(
    'not from a page of “%s”',
    origin => expect(isFromHere({ host, origin, proof: 'yes' })).toBe(false),
  )
  it('not without any proof: a form of an old browser, a script', () => expect(isFromHere({ host })).toBe(false))
})
