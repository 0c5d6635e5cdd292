import { describe, expect, it } from 'vitest'
import { fitLimits, holeLimits, shaftLimits, type HoleClass, type ShaftClass } from '#core/verdict/iso-286'
import { mm } from '#core/quantity/length'

// Limits of size in µm, ISO 286-2:2010, tables for 18–30, 30–50, 50–80 and 80–120 mm. H7 and k6 as they stand in the tables at hand; the
// others from memory.
const SIZES = [25, 40, 60, 100]
const HOLES: Readonly<Record<HoleClass, readonly (readonly [upper: number, lower: number])[]>> = {
  H6: [
    [13, 0],
    [16, 0],
    [19, 0],
    [22, 0],
  ],
  H7: [
    [21, 0],
    [25, 0],
    [30, 0],
    [35, 0],
  ],
  H8: [
    [33, 0],
    [39, 0],
    [46, 0],
    [54, 0],
  ],
  G7: [
    [28, 7],
    [34, 9],
    [40, 10],
    [47, 12],
  ],
  F8: [
    [53, 20],
    [64, 25],
    [76, 30],
    [90, 36],
  ],
  K7: [
    [6, -15],
    [7, -18],
    [9, -21],
    [10, -25],
  ],
  M7: [
    [0, -21],
    [0, -25],
    [0, -30],
    [0, -35],
  ],
  N7: [
    [-7, -28],
    [-8, -33],
    [-9, -39],
    [-10, -45],
  ],
}
const SHAFTS: Readonly<Record<ShaftClass, readonly (readonly [upper: number, lower: number])[]>> = {
  h6: [
    [0, -13],
    [0, -16],
    [0, -19],
    [0, -22],
  ],
  h7: [
    [0, -21],
    [0, -25],
    [0, -30],
    [0, -35],
  ],
  g6: [
    [-7, -20],
    [-9, -25],
    [-10, -29],
    [-12, -34],
  ],
  f7: [
    [-20, -41],
    [-25, -50],
    [-30, -60],
    [-36, -71],
  ],
  k6: [
    [15, 2],
    [18, 2],
    [21, 2],
    [25, 3],
  ],
  m6: [
    [21, 8],
    [25, 9],
    [30, 11],
    [35, 13],
  ],
  n6: [
    [28, 15],
    [33, 17],
    [39, 20],
    [45, 23],
  ],
}

describe('limits of size by ISO 286', () => {
  it.each(Object.entries(HOLES))('hole %s', (of, table) =>
    expect(SIZES.map(size => holeLimits(mm(size), of as HoleClass))).toEqual(
      table.map(([upper, lower]) => ({ lower: lower * 1000, upper: upper * 1000 })),
    ),
  )
  it.each(Object.entries(SHAFTS))('shaft %s', (of, table) =>
    expect(SIZES.map(size => shaftLimits(mm(size), of as ShaftClass))).toEqual(
      table.map(([upper, lower]) => ({ lower: lower * 1000, upper: upper * 1000 })),
    ),
  )
  it('a step begins above its lower end, and there is nothing outside the steps', () => {
    expect(holeLimits(mm(30), 'H7')).toEqual({ lower: 0, upper: 21_000 })
    expect(holeLimits(mm(30.001), 'H7')).toEqual({ lower: 0, upper: 25_000 })
    expect(holeLimits(mm(18), 'H7')).toBeNull()
    expect(shaftLimits(mm(120.1), 'h6')).toBeNull()
  })
  it('H7/k6 at 30 mm is between 21 − 2 of clearance and 15 of press; N7/h6 presses between 28 and clears none', () => {
    expect(fitLimits(mm(30), 'H7', 'k6')).toEqual({ least: -15_000, most: 19_000 })
    expect(fitLimits(mm(47), 'N7', 'h6')).toEqual({ least: -33_000, most: 8_000 })
  })
})
