import { describe, expect, it } from 'vitest'
import { bandLabels, spaced, type BandWords } from './band-labels'
import { boxOf } from './labels'

const ROWS = { top: 27, bottom: 87, line: 61 }
const BAND: BandWords = {
  width: 800,
  edges: [200, 400],
  zone: { left: 200, right: 400 },
  breakAt: null,
  ticks: [],
  title: 'Main 4 clearance',
  below: 'tight',
  above: 'loose',
  limits: 'Book 3 – 7',
  measured: { at: 600, text: '22.2' },
  predicted: { at: 300, text: '4.4', words: 'take out 10' },
}

describe('the limit band', () => {
  it('has everything on it where there is room, each at its first place', () => {
    const laid = bandLabels(BAND, ROWS)
    expect([...laid.keys()].sort()).toEqual(['above', 'below', 'limits', 'measured', 'predicted', 'title', 'words'])
    expect(laid.get('measured')).toEqual({ x: 600, y: 46, anchor: 'middle' })
    expect(laid.get('limits')).toEqual({ x: 408, y: 42, anchor: 'start' })
  })
  it('puts a figure that was measured on a limit beside that limit', () => {
    const { x, y, anchor } = bandLabels({ ...BAND, measured: { at: 400, text: '7.0' } }, ROWS).get('measured')!
    const box = boxOf({ x, y, anchor }, 3 * 8.7 + 6, 14)
    expect(box.left > 402 || box.right < 398).toBe(true)
  })
  it('lays nothing that is left blank: on a phone it stands below', () => {
    const narrow = { ...BAND, title: null, below: '', above: '', predicted: { ...BAND.predicted!, words: '' } }
    expect([...bandLabels(narrow, ROWS).keys()].sort()).toEqual(['limits', 'measured', 'predicted'])
  })
  it('leaves out what has no room, for it to be told below', () =>
    expect(
      bandLabels({ ...BAND, width: 300, edges: [100, 200], zone: { left: 2, right: 298 }, limits: 'x'.repeat(60) }, ROWS).has('limits'),
    ).toBe(false))
  it('writes no figure of an axis over another, nor the same twice at one place', () => {
    const ticks = [0, 0, 12, 60].map(at => ({ at, value: at }))
    expect(spaced(ticks, String).map(({ at }) => at)).toEqual([0, 60])
  })
})
