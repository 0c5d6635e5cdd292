import { describe, expect, it } from 'vitest'
import { thou } from '../quantity/length'
import { bandDrawing, stackDrawing } from './drawing'

const ENDS = { below: 'Tight', above: 'Loose' }
const band = (more: Partial<Parameters<typeof bandDrawing>[0]> = {}) =>
  bandDrawing({
    name: 'End play',
    unit: 'thou',
    ends: ENDS,
    lower: thou(2),
    upper: thou(4),
    found: { value: thou(9), U: thou(0.5) },
    now: { value: thou(3), U: thou(0.5) },
    ...more,
  })!
const circles = (svg: string) => [...svg.matchAll(/<circle cx="([\d.]+)".*?fill="(#\w+)"/g)].map(([, x, fill]) => ({ x: Number(x), fill }))
const rect = (svg: string) => {
  const [, x, width] = /<rect x="([\d.]+)" y="16" width="([\d.]+)"/.exec(svg)!
  return { from: Number(x), to: Number(x) + Number(width) }
}

describe('a figure in its limits', () => {
  it('lies to scale: found outside, now in the middle; found is hollow', () => {
    const { svg, label } = band()
    const [found, now] = circles(svg)
    const { from, to } = rect(svg)
    expect(now!.x).toBeCloseTo((from + to) / 2, 1)
    // 5 thou beyond the upper limit, of a band of 2.
    expect(found!.x - to).toBeCloseTo((to - from) * 2.5, 0)
    expect([found!.fill, now!.fill]).toEqual(['#ffffff', '#1b2420'])
    expect(svg).toContain('>End play<')
    expect(label).toBe('End play in its limits: as found 9.0 thou, now 3.0 thou')
  })
  it('with one limit the band is open on the other side; with none there is nothing to draw', () => {
    const { svg } = band({ lower: null, found: null })
    expect(rect(svg).from).toBe(70)
    expect(svg).toContain('>read<')
    expect(band({ lower: null, upper: null })).toBeNull()
  })
  it('keeps what a name says as it is, and its signs are no markup', () => {
    const { svg } = band({ ends: { below: 'a<b&"c"', above: 'x' } })
    expect(svg).toContain('a&lt;b&amp;&quot;c&quot;')
    expect(svg.match(/</g)!.length).toBe(svg.match(/>/g)!.length)
  })
})

describe('packs in stacking order', () => {
  it('are drawn to one scale, thin pieces as a line that can be seen', () => {
    const piece = (size: number) => ({ thickness: thou(size), words: String(size) })
    const { svg, label } = stackDrawing([
      { label: 'Under the cover', pieces: [piece(20), piece(10), piece(0.1)] },
      { label: 'Empty', pieces: [] },
    ])!
    const heights = [...svg.matchAll(/<rect [^>]*height="([\d.]+)" fill="#e9dcb8"/g)].map(([, height]) => Number(height))
    expect(heights[0]! / heights[1]!).toBeCloseTo(2, 1)
    expect(heights[2]).toBe(3)
    expect(label).toBe('Packs in stacking order. Under the cover: 20, 10, 0.1')
    expect(stackDrawing([{ label: 'Empty', pieces: [] }])).toBeNull()
  })
})
