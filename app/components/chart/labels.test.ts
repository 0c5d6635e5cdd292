import { describe, expect, it } from 'vitest'
import { about, alongLine, beside, boxOf, laidOut, type Box } from './labels'

const FIELD: Box = { left: 0, right: 200, top: 0, bottom: 100 }
const line = (x: number): Box => ({ left: x - 1, right: x + 1, top: 0, bottom: 100 })
const label = (id: string, width: number, spots: Parameters<typeof boxOf>[0][]) => ({ id, width, size: 10, spots })

describe('labels', () => {
  it('stand at the first place that is free of lines', () => {
    const laid = laidOut([label('a', 40, about(100, 50, 60))], [line(100)], FIELD)
    // Half of 40 and the line’s own half: 21 and more to a side, in steps of 6.
    expect(laid.get('a')).toEqual({ x: 124, y: 50, anchor: 'middle' })
  })
  it('keep clear of each other, and of the edge', () => {
    const both = laidOut([label('a', 60, about(30, 50, 0)), label('b', 60, about(30, 50, 90))], [], FIELD)
    expect(both.get('a')!.x).toBe(30)
    expect(both.get('b')!.x).toBe(90)
    expect(laidOut([label('a', 60, about(20, 50, 0))], [], FIELD).size).toBe(0)
  })
  it('that have room nowhere are not laid, and take none', () => {
    const laid = laidOut([label('wide', 250, about(100, 50, 0)), label('b', 60, about(100, 50, 0))], [], FIELD)
    expect([...laid.keys()]).toEqual(['b'])
  })
  it('keep off a line that rises, whichever way it is drawn', () => {
    // From the lower left to the upper right, through the middle.
    for (const [from, to] of [
      [
        [0, 100],
        [200, 0],
      ],
      [
        [200, 0],
        [0, 100],
      ],
    ] as const) {
      const spot = laidOut([label('a', 40, beside(100, 50))], alongLine(from, to), FIELD).get('a')!
      // Beside the point on its right it would cross: under the point on its right it is free.
      expect(spot).toEqual({ x: 110, y: 69, anchor: 'start' })
    }
    expect(alongLine([50, 0], [50, 100])).toEqual([{ left: 50, right: 50, top: -2, bottom: 102 }])
  })
  it('no two overlap, whatever is asked', () => {
    for (let seed = 1; seed < 60; seed++) {
      const random = (i: number, of: number) => ((seed * 7919 + i * 104_729) % 9973) / (9973 / of)
      const labels = Array.from({ length: 8 }, (_, i) =>
        label(String(i), 20 + random(i, 60), about(random(i + 9, 200), 20 + random(i + 3, 70), 120)),
      )
      const taken = [line(random(1, 200)), line(random(2, 200))]
      const laid = laidOut(labels, taken, FIELD)
      const boxes = [...taken, ...labels.flatMap(one => (laid.has(one.id) ? [boxOf(laid.get(one.id)!, one.width, one.size)] : []))]
      for (const [i, a] of boxes.entries())
        for (const b of boxes.slice(Math.max(i + 1, 2)))
          expect(a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom).toBe(false)
    }
  })
})
