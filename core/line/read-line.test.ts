import { describe, expect, it } from 'vitest'
import { formatLength } from '../quantity/format-length'
import { thou, type LengthUnit } from '../quantity/length'
import type { NamedPiece } from '../pack/read-pack'
import type { Line } from './line'
import { readLine } from './read-line'
import { lotOf } from '../../tests/pieces'

/** What a line says, in one line: the kind and its set-up, the unit, what was read, what is allowed, what is in, what could go in. */
function meaning(line: Line): string {
  const size = (value: number) => formatLength(value, line.unit, { decimals: 4, trim: true })
  const pieces = (all: readonly NamedPiece[]) =>
    all.length === 0
      ? 'none'
      : all
          .map(({ size: of, count, shape, mark, colour }) =>
            [count > 1 ? `${count}x${size(of!)}` : size(of!), shape, mark, colour].filter(Boolean).join(' '),
          )
          .join(' ')
  const { limits, tool } = line
  const ends =
    limits &&
    [
      limits.lower === null ? '' : `${limits.lowerExcluded ? 'over' : 'from'} ${size(limits.lower)}`,
      limits.upper === null ? '' : `${limits.upperExcluded ? 'under' : 'to'} ${size(limits.upper)}`,
    ]
      .filter(Boolean)
      .join(' ')
  return [
    [line.kind ?? '?', ...Object.values(line.setup)].join(' '),
    line.unit + (line.unitSaid ? '!' : ''),
    ...line.readings.map(({ at, figures }) => `${at || 'read'} ${figures.map(size).join(' ')}`),
    ...(ends ? [ends] : []),
    ...(line.fitted ? [`in: ${pieces(line.fitted)}`] : []),
    ...(line.drawer ? ['family' in line.drawer ? `of: ${line.drawer.family}` : `or: ${pieces(line.drawer.pieces)}`] : []),
    ...(tool.graduation === null ? [] : [`div ${tool.graduation} nm`]),
    ...(tool.readings === 1 ? [] : [`${tool.readings} readings`]),
    ...line.asks.map(({ words, choices }) => `asks: ${words} ${choices.map(({ label }) => label).join(' / ')}`),
    ...line.faults.map(words => `no: ${words}`),
  ].join(' | ')
}

/** Lines as people type them, and what they mean. `mm:` in front: in a shop that works in millimetres. */
const LINES: readonly (readonly [string, string])[] = [
  ['quill 31, 2-4, pack 2 2 2 5 5 5 10 10', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 3x2 3x5 2x10'],
  ['quill 31 2-4 pack 2 2 2 5 5 5 10 10', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 3x2 3x5 2x10'],
  ['Quill 31; 2–4; pack 2+2+2+5', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 3x2 5'],
  ['quill reads 31 thou, limits 2 to 4, pack 2, 2, 2, 5, 5', 'shaft-end-play under-cover | thou! | read 31 | from 2 to 4 | in: 3x2 2x5'],
  ['quill 31, 2..4, pack 2,2,2,7', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 3x2 7'],
  ['quill 31, 2...4, pack 3x20 2x50', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 3x20 2x50'],
  [
    'quill 31, up to 4, pack 2 x 5',
    'shaft-end-play under-cover | thou | read 31 | to 4 | asks: 2 x 5: how many of what? 2 pieces of 5 / 5 pieces of 2',
  ],
  ['quill 31, at least 2, pack none', 'shaft-end-play under-cover | thou | read 31 | from 2 | in: none'],
  ['quill 31, over 0, up to 4, pack 10', 'shaft-end-play under-cover | thou | read 31 | over 0 to 4 | in: 10'],
  ['under a cover 8 9 8, 2-4, pack 10 10', 'shaft-end-play under-cover | thou | read 8 9 8 | from 2 to 4 | in: 2x10'],
  ['under the quill 12, 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  ['in the gap 12, 2-4, pack 30, from 25 28 32 35', 'shaft-end-play in-gap | thou | read 12 | from 2 to 4 | in: 30 | or: 25 28 32 35'],
  ['thrust washer 18, 4-8, pack 62, from 65 68 72', 'shaft-end-play single | thou | read 18 | from 4 to 8 | in: 62 | or: 65 68 72'],
  ['input shaft 33, 19-30, race, pack 66, from 56 76', 'shaft-end-play single | thou | read 33 | from 19 to 30 | in: 66 | or: 56 76'],
  ['input shaft 33, 19-30', 'shaft-end-play | thou | read 33 | from 19 to 30'],
  ['end play 12, 2-4, pack 5 5', 'shaft-end-play | thou | read 12 | from 2 to 4 | in: 2x5'],
  ['layshaft has 0.35 mm, 0.05-0.15, pack 0.5 0.5', 'shaft-end-play | mm! | read 0.35 | from 0.05 to 0.15 | in: 2x0.5'],
  [
    'mm: layshaft 0.35, 0.05 - 0.15, pack 2x0.5, from cover shims',
    'shaft-end-play | mm | read 0.35 | from 0.05 to 0.15 | in: 2x0.5 | of: cover shims',
  ],
  ['mm: quill 0,35, 0,05-0,15, pack 0,5 0,5', 'shaft-end-play under-cover | mm | read 0.35 | from 0.05 to 0.15 | in: 2x0.5'],
  ['quill 12 thou, from cover shims', 'shaft-end-play under-cover | thou! | read 12 | of: cover shims'],
  ['pair of rings 4.3, up to 2, pack 2x57', 'shaft-end-play equal-pair | thou | read 4.3 | to 2 | in: 2x57'],
  [
    'mm: rings, an equal pair 0.109, over 0, up to 0.05, pack 2 x 1.45, from 1.479 1.5',
    'shaft-end-play equal-pair | mm | read 0.109 | over 0 to 0.05 | in: 2x1.45 | or: 1.479 1.5',
  ],
  ['crank 6 7 6 7, 3-9', 'crankshaft-end-play | thou | read 6 7 6 7 | from 3 to 9'],
  ['crankshaft 0.15 mm, 0.08 to 0.2', 'crankshaft-end-play | mm! | read 0.15 | from 0.08 to 0.2'],
  ['crankshaft 6, max 9', 'crankshaft-end-play | thou | read 6 | to 9'],
  [
    'crank at the flange 14, 4-8, pack 10 12, from 14 16',
    'crankshaft-end-play shimmed | thou | read 14 | from 4 to 8 | in: 10 12 | or: 14 16',
  ],
  [
    'eccentric shaft 3, 1.6-2.8, pack 318, from 316 317',
    'eccentric-shaft-end-play | thou | read 3 | from 1.6 to 2.8 | in: 318 | or: 316 317',
  ],
  ['rotary 0.06 mm, 0.04-0.07', 'eccentric-shaft-end-play | mm! | read 0.06 | from 0.04 to 0.07'],
  [
    'main bearing journal 1.8898 in, bore 1.8917 in, 1-2.6 thou',
    'bearing-clearance mains | thou | journal 1889.8 | bore 1891.7 | from 1 to 2.6',
  ],
  [
    'mm: mains journal 47.96 47.962, bore 48.01, 0.026-0.066',
    'bearing-clearance mains | mm | journal 47.96 47.962 | bore 48.01 | from 0.026 to 0.066',
  ],
  ['mm: rod journal 44.955, bore 45.002, up to 0.06', 'bearing-clearance rods | mm | journal 44.955 | bore 45.002 | to 0.06'],
  ['taper hub 3, 1-3', 'taper-hub | thou | read 3 | from 1 to 3'],
  ['wheel hub 9 thou, 1-5, pack 20 10, from 5 8', 'taper-hub | thou! | read 9 | from 1 to 5 | in: 20 10 | or: 5 8'],
  ['mm: bore 62.018 62.021, 62.000-62.030', 'diameter bore | mm | read 62.018 62.021 | from 62 to 62.03'],
  ['cylinder 3.2515 in, under 3.2520', 'diameter bore | in! | read 3.2515 | under 3.252'],
  ['mm: disc 0 0.04 0.07 0.03, up to 0.1', 'runout radial | mm | read 0 0.04 0.07 0.03 | to 0.1'],
  ['housing 0 3 5 2, within 5', 'runout housing | thou | read 0 3 5 2 | from −5 to 5'],
  ['flywheel face 0 1 2 1, up to 4 thou', 'runout face | thou! | read 0 1 2 1 | to 4'],
  ['wire 18 19 18, 2-4, from 10 12 14', 'crush-wire | thou | read 18 19 18 | from 2 to 4 | or: 10 12 14'],
  ['quill 31, 2-4, pack 10, tenths dial', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 10 | div 2540 nm'],
  [
    'quill 31, 2-4, pack 10, tenths dial, three readings',
    'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 10 | div 2540 nm | 3 readings',
  ],
  ['quill 31 half-thou dial, 2-4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | div 12700 nm'],
  ['mm: quill 0.31, 0.01 dial, twice', 'shaft-end-play under-cover | mm | read 0.31 | div 10000 nm | 2 readings'],
  ['quill 31, 4-2', 'shaft-end-play under-cover | thou | read 31 | from 4 to 2 | no: “4-2”: the lower limit stands first.'],
  ['quill 31,5, 2-4', 'shaft-end-play under-cover | thou | from 2 to 4 | asks: 31,5: one figure, or two? 31.5 thou / 31 and 5'],
  ['quill 31, pack 10,5', 'shaft-end-play under-cover | thou | read 31 | asks: 10,5: one piece, or two? 10.5 thou / 10 and 5'],
  ['quill .031, 2-4', 'shaft-end-play under-cover | thou | from 2 to 4 | asks: .031 here: inches, or thou? .031 in / .031 thou'],
  ['quill .031 in, .002-.004 in, pack .010 .010', 'shaft-end-play under-cover | in! | read 0.031 | from 0.002 to 0.004 | in: 2x0.01'],
  ['banana 31, 2-4', '? | thou | read 31 | from 2 to 4 | no: “banana” says nothing here.'],
  ['31, 2-4, pack 10', '? | thou | read 31 | from 2 to 4 | in: 10'],
  ['quill banana 31', 'shaft-end-play under-cover | thou | read 31 | no: “banana” says nothing here.'],
  ['quill 31, limits', 'shaft-end-play under-cover | thou | read 31 | no: “limits”: limits are 2-4, up to 5, or at least 2.'],
  ['quill 31, book 2-4, from 2x50 8', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | or: 2x50 8'],
  ['quill 31, spec 2-4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 31, 0.8-1.2 mm', 'shaft-end-play under-cover | mm! | read 31 | from 0.8 to 1.2'],
  ['quill 3 1/2, 2-4', 'shaft-end-play under-cover | thou | read 3.5 | from 2 to 4'],
  ['quill 3½ thou, 2-4', 'shaft-end-play under-cover | thou! | read 3.5 | from 2 to 4'],
  ['quill −2 −1, 2-4', 'shaft-end-play under-cover | thou | read −2 −1 | from 2 to 4'],
  ['quill ≤ 4, 31', 'shaft-end-play under-cover | thou | read 31 | to 4'],
  ['quill < 4, > 1, 31', 'shaft-end-play under-cover | thou | read 31 | over 1 under 4'],
  ['quill 31, no more than 4, no less than 2', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['cover 8, 2-4, fitted 10 10, spare 5 8 12', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 2x10 | or: 5 8 12'],
  ['cover 8, 2-4, pack 10, 10, 5', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 2x10 5'],
  ['cover 8, pack 10, 10, 2-4', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 2x10'],
  ['cover 8, pack 0, 2-4', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: none'],
  ['cover 8, pack of 10 10', 'shaft-end-play under-cover | thou | read 8 | in: 2x10'],
  ['universal joint 4, up to 2, pack 57 57, from 58 59 60', 'universal-joint | thou | read 4 | to 2 | in: 2x57 | or: 58 59 60'],
  ['release bearing 31', 'release-bearing | thou | read 31'],
  ['comparator 2.5, 1-3', 'comparator-hub | thou | read 2.5 | from 1 to 3'],
  ['end play 12, 2-4, pack 5 5, under a cover', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 2x5'],
  ['joint play 4, up to 2', 'universal-joint | thou | read 4 | to 2'],
  [
    'output shaft 0.3, 0.1-0.2, pack 0.5, from 0.55 0.6 0.65, mm',
    'shaft-end-play | mm! | read 0.3 | from 0.1 to 0.2 | in: 0.5 | or: 0.55 0.6 0.65',
  ],
  ['idler float 14 thou, 4 to 8', 'shaft-end-play | thou! | read 14 | from 4 to 8'],
  ['mainshaft 22, 19-30, snap ring, pack 66', 'shaft-end-play single | thou | read 22 | from 19 to 30 | in: 66'],
  ['retainer 6 6 7, 2-5, pack 4 8', 'shaft-end-play under-cover | thou | read 6 6 7 | from 2 to 5 | in: 4 8'],
  ['quill 12, 2-4, pack 2 2 5; from 2 5 10', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 2x2 5 | or: 2 5 10'],
  ['quill 12 | 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  ['quill:12, 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  ['quill = 12', 'shaft-end-play under-cover | thou | read 12'],
  ['quill 12,2-4,pack 10', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10'],
  ['QUILL 12, LIMITS 2-4, PACK 10', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10'],
  ['quill 12, limits: 2-4, pack: 10 8', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10 8'],
  ['quill 12, pack 10 8, book limits 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10 8'],
  ['quill 12, 2 thou - 4 thou', 'shaft-end-play under-cover | thou! | read 12 | from 2 to 4'],
  ['quill 12, 2 thou to 4 thou, pack 10 thou', 'shaft-end-play under-cover | thou! | read 12 | from 2 to 4 | in: 10'],
  ['quill 0.012 in, 0.002 - 0.004 in, pack 0.010 in', 'shaft-end-play under-cover | in! | read 0.012 | from 0.002 to 0.004 | in: 0.01'],
  ['quill 12, minimum 2, maximum 4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  ['quill 12, not over 4', 'shaft-end-play under-cover | thou | read 12 | to 4'],
  ['quill 12, more than 2, less than 4', 'shaft-end-play under-cover | thou | read 12 | over 2 under 4'],
  ['quill 12, >=2, <=4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  ['mm: quill 0.3, ≥0.05, ≤0.1', 'shaft-end-play under-cover | mm | read 0.3 | from 0.05 to 0.1'],
  ['mm: quill 30 µm, 20-40 µm', 'shaft-end-play under-cover | um! | read 30 | from 20 to 40'],
  ['quill 12, pack 1/2 1/4', 'shaft-end-play under-cover | thou | read 12 | in: 0.5 0.25'],
  ['quill 12, pack empty', 'shaft-end-play under-cover | thou | read 12 | in: none'],
  ['quill 12, fitted 10 5', 'shaft-end-play under-cover | thou | read 12 | in: 10 5'],
  ['quill 12, spare 10 5', 'shaft-end-play under-cover | thou | read 12 | or: 10 5'],
  ['quill 12, from thrust shims', 'shaft-end-play under-cover | thou | read 12 | of: thrust shims'],
  ['quill 12 12 12, 2-4, half thou dial', 'shaft-end-play under-cover | thou | read 12 12 12 | from 2 to 4 | div 12700 nm'],
  ['quill 12, 3 readings', 'shaft-end-play under-cover | thou | read 12 | 3 readings'],
  ['quill 12, five times, thou dial', 'shaft-end-play under-cover | thou | read 12 | div 25400 nm | 5 readings'],
  ['mm: crank 0.15 0.16, 0.08-0.20, 0.001 dial', 'crankshaft-end-play | mm | read 0.15 0.16 | from 0.08 to 0.2 | div 2000 nm'],
  ['crank flange 14, 4-8, pack 10 12', 'crankshaft-end-play shimmed | thou | read 14 | from 4 to 8 | in: 10 12'],
  ['cover shims 8, 2-4, pack 10', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 10'],
  ['shims in the gap 12, 2-4, pack 30', 'shaft-end-play in-gap | thou | read 12 | from 2 to 4 | in: 30'],
  ['an equal pair of rings 4, up to 2, pack 57 57', 'shaft-end-play equal-pair | thou | read 4 | to 2 | in: 2x57'],
  ['quill -1 -2, 2-4, pack 10', 'shaft-end-play under-cover | thou | read −1 −2 | from 2 to 4 | in: 10'],
  ['quill 12 13 12,2-4', 'shaft-end-play under-cover | thou | read 12 13 12 | from 2 to 4'],
  [
    'quill 12, 2-4, pack 10, from 5 5 8, wash',
    'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10 | or: 2x5 8 | no: “wash” says nothing here.',
  ],
  ['quill', 'shaft-end-play under-cover | thou'],
  [
    'rod journal 1.8898 1.8899 in, bore 1.8917 1.8918 in, 1-2.6 thou',
    'bearing-clearance rods | thou | journal 1889.8 1889.9 | bore 1891.7 1891.8 | from 1 to 2.6',
  ],
  ['disc 0 4 7 3, up to 10, raw', 'runout radial raw | thou | read 0 4 7 3 | to 10'],
  ['disc 0 4 7 3, up to 10, once per turn', 'runout radial once | thou | read 0 4 7 3 | to 10'],
  ['shaft runout 0 4 7 3, up to 10, raw', 'runout shaft raw | thou | read 0 4 7 3 | to 10'],
  [', , quill 12,', 'shaft-end-play under-cover | thou | read 12'],
  ['quill 12, between 2 and 4 thou, pack 10', 'shaft-end-play under-cover | thou! | read 12 | from 2 to 4 | in: 10'],
  ['quill 12, between 0.05 mm and 0.1 mm', 'shaft-end-play under-cover | mm! | read 12 | from 0.05 to 0.1'],
  ['in gap 12, 2-4, pack 30, drawer 32 35', 'shaft-end-play in-gap | thou | read 12 | from 2 to 4 | in: 30 | or: 32 35'],
  ['in the gap 12, 2-4, pack 30, from bearing shims', 'shaft-end-play in-gap | thou | read 12 | from 2 to 4 | in: 30 | of: bearing shims'],
  ['under a cover 8.5, 2-4, in it 10 8 5', 'shaft-end-play under-cover | thou | read 8.5 | from 2 to 4 | in: 10 8 5'],
  ['quill 12, spec 2-4, pack 10', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10'],
  ['quill 12, maker’s limits 2-4, pack 10', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | in: 10'],
  ['quill 12, shop limits 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4'],
  [
    'mm: quill 0.31, 0.05 to 0.1, pack 0.1 0.1 0.05, from 0.1 0.2',
    'shaft-end-play under-cover | mm | read 0.31 | from 0.05 to 0.1 | in: 2x0.1 0.05 | or: 0.1 0.2',
  ],
  [
    'mm: thrust washer 0.45, 0.1-0.2, pack 1.60, from 1.70 1.80',
    'shaft-end-play single | mm | read 0.45 | from 0.1 to 0.2 | in: 1.6 | or: 1.7 1.8',
  ],
  ['mm: release bearing A 7.6 H 77.5 D 66.0, 12.7-19.05', 'release-bearing | mm | a 7.6 | h 77.5 | d 66 | from 12.7 to 19.05'],
  ['comparator falls, turn 376, 378, spacer 371', 'comparator-hub falls | thou | distance 376 378 | spacer 371'],
  ['crush wire preload 40 40 41 40 40 41', 'crush-wire preload | thou | read 40 40 41 40 40 41'],
  ['hub 6, 2-4, pack 120 5 5, from 2 3 5 10', 'taper-hub | thou | read 6 | from 2 to 4 | in: 120 2x5 | or: 2 3 5 10'],
  ['universal joint 4, over 0, up to 2, pack 57 57', 'universal-joint | thou | read 4 | over 0 to 2 | in: 2x57'],
  [
    'mm: universal joint 0.1, up to 0.05, pack 1.45 1.45, from 1.48 1.48',
    'universal-joint | mm | read 0.1 | to 0.05 | in: 2x1.45 | or: 2x1.48',
  ],
  ['disc 0 4 7 3, no more than 10, highest less lowest', 'runout radial raw | thou | read 0 4 7 3 | to 10'],
  ['housing 0 3 5 2, up to 4, once per turn', 'runout housing once | thou | read 0 3 5 2 | to 4'],
  [
    'quill 12 thou; 2-4 thou; three readings; tenths dial; pack 10 thou',
    'shaft-end-play under-cover | thou! | read 12 | from 2 to 4 | in: 10 | div 2540 nm | 3 readings',
  ],
  ['crank 0.006 in, 0.003-0.009 in', 'crankshaft-end-play | in! | read 0.006 | from 0.003 to 0.009'],
  [
    'comparator falls 376 378 377 376.5, spacer 371, 6-8',
    'comparator-hub falls | thou | read 376 378 377 376.5 | spacer 371 | from 6 to 8',
  ],
  ['comparator falling, turn 376 378, 6-8', 'comparator-hub falls | thou | distance 376 378 | from 6 to 8'],
  ['comparator rises 622 624, spacer 629, 6-8', 'comparator-hub rises | thou | read 622 624 | spacer 629 | from 6 to 8'],
  ['comparator, more is longer, distance 622 624, 6-8', 'comparator-hub rises | thou | distance 622 624 | from 6 to 8'],
  ['comparator, less is longer, seat 376 378, spacer 371', 'comparator-hub falls | thou | distance 376 378 | spacer 371'],
  ['comparator rises, fixed spacer 629, turn 622 624', 'comparator-hub rises fixed | thou | spacer 629 | distance 622 624'],
  ['comparator 376 378, 6-8', 'comparator-hub | thou | read 376 378 | from 6 to 8'],
  [
    'comparator falls, turn 376 378, spacer 371, 6-8, half-thou dial',
    'comparator-hub falls | thou | distance 376 378 | spacer 371 | from 6 to 8 | div 12700 nm',
  ],
  [
    'mm: comparator falls, turn 9.55 9.60, spacer 9.42, 0.15-0.2',
    'comparator-hub falls | mm | distance 9.55 9.6 | spacer 9.42 | from 0.15 to 0.2',
  ],
  [
    'crush wire 40 41 40 41 40 40, preload 1-3, from 40 42 43',
    'crush-wire preload | thou | read 40 41 40 41 40 40 | from 1 to 3 | or: 40 42 43',
  ],
  [
    'crush wire 40 41 40 41 40 40, end play 1-3, from 37 38 39',
    'crush-wire play | thou | read 40 41 40 41 40 40 | from 1 to 3 | or: 37 38 39',
  ],
  ['crush wire leaves play 40 41 40 41 40 40, 1-3', 'crush-wire play | thou | read 40 41 40 41 40 40 | from 1 to 3'],
  ['lead wire 40 40 41 41 40 40, preload, 1-3', 'crush-wire preload | thou | read 40 40 41 41 40 40 | from 1 to 3'],
  ['solder 40 40 41 41 40 40, leaves preload, at least 1', 'crush-wire preload | thou | read 40 40 41 41 40 40 | from 1'],
  [
    'mm: crush wire 1.42 1.41 1.42 1.40 1.41 1.42, preload 0.03-0.06, from 1.45 1.46 1.47',
    'crush-wire preload | mm | read 1.42 1.41 1.42 1.4 1.41 1.42 | from 0.03 to 0.06 | or: 1.45 1.46 1.47',
  ],
  ['preload 12, 5-10', '? | thou | read 12 | from 5 to 10'],
  ['release bearing A 0.3 H 3.051 D 2.6 B 3.58 in, at least 0.5 in', 'release-bearing | in! | a 0.3 | h 3.051 | d 2.6 | b 3.58 | from 0.5'],
  [
    'release bearing a 0.3 in, h 3.051 in, d 2.6 in, b 3.58 in, 0.5-0.75 in',
    'release-bearing | in! | a 0.3 | h 3.051 | d 2.6 | b 3.58 | from 0.5 to 0.75',
  ],
  [
    'release bearing, H 3.05 3.052 3.051 in, D 2.6 in, B 3.58 in, A 0.3 in',
    'release-bearing | in! | h 3.05 3.052 3.051 | d 2.6 | b 3.58 | a 0.3',
  ],
  ['release bearing; A 300; H 3051; D 2600; B 3580; at least 500', 'release-bearing | thou | a 300 | h 3051 | d 2600 | b 3580 | from 500'],
  [
    'throw-out bearing A 300 H 3051 D 2600, at least 500, from 20 30',
    'release-bearing | thou | a 300 | h 3051 | d 2600 | from 500 | or: 20 30',
  ],
  ['mm: release bearing A 7.6 H 77.5 D 66.0 B 90.9, at least 12.7', 'release-bearing | mm | a 7.6 | h 77.5 | d 66 | b 90.9 | from 12.7'],
  ['rear hub 12, 2-5, pack 180, from 170 172', 'taper-hub | thou | read 12 | from 2 to 5 | in: 180 | or: 170 172'],
  ['front hub 6 6.2 6, 2-4, pack 120 5, tenths dial', 'taper-hub | thou | read 6 6.2 6 | from 2 to 4 | in: 120 5 | div 2540 nm'],
  ['hub 6 2-4 pack 120', 'taper-hub | thou | read 6 | from 2 to 4 | in: 120'],
  ['wheel bearing reads a 6, 2-4', 'taper-hub | thou | read 6 | from 2 to 4'],
  ['mm: wheel hub 0.15, 0.05-0.10, pack 3.00 0.10', 'taper-hub | mm | read 0.15 | from 0.05 to 0.1 | in: 3 0.1'],
  ['quill a 31, 2-4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['the quill has a 31 of play, 2-4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 31, 2-4, pack 10+10+5', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 2x10 5'],
  ['quill 31, 2-4, pack 10 + 10 + 5', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 2x10 5'],
  ['quill 31, 2-4, pack 10;5', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 10 5'],
  ['quill 31; 2-4; pack 10, 5; from 2, 3, 4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 10 5 | or: 2 3 4'],
  ['quill 31; from 2 3 4; pack 10 5', 'shaft-end-play under-cover | thou | read 31 | in: 10 5 | or: 2 3 4'],
  ['quill 31, 2 - 4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 31, 2—4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 31, between 2 and 4', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 31, 2 to 4 thou', 'shaft-end-play under-cover | thou! | read 31 | from 2 to 4'],
  ['quill .031 in, 2-4 thou', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['quill 0.79 mm, 0.05-0.1 mm', 'shaft-end-play under-cover | mm! | read 0.79 | from 0.05 to 0.1'],
  ['quill 31, no more than 4', 'shaft-end-play under-cover | thou | read 31 | to 4'],
  ['quill 31, no less than 2', 'shaft-end-play under-cover | thou | read 31 | from 2'],
  ['quill 31, not under 2', 'shaft-end-play under-cover | thou | read 31 | from 2'],
  ['quill 31, below 4', 'shaft-end-play under-cover | thou | read 31 | under 4'],
  ['quill 31, above 2', 'shaft-end-play under-cover | thou | read 31 | over 2'],
  ['quill 31, max 4', 'shaft-end-play under-cover | thou | read 31 | to 4'],
  ['quill 31, min 2', 'shaft-end-play under-cover | thou | read 31 | from 2'],
  ['quill 31, ±3', 'shaft-end-play under-cover | thou | read 31 | from −3 to 3'],
  ['housing 0 2 4 2 0, ±3', 'runout housing | thou | read 0 2 4 2 0 | from −3 to 3'],
  ['housing 0 3 5 2 0, within 5, offset', 'runout housing offset | thou | read 0 3 5 2 0 | from −5 to 5'],
  ['disc 0 4 7 3 0, at most 10, each axis', 'runout radial axis | thou | read 0 4 7 3 0 | to 10'],
  ['mm: rim 0 0.1 0.2 0.1, at most 0.3, raw', 'runout radial raw | mm | read 0 0.1 0.2 0.1 | to 0.3'],
  ['shaft bow 0 2 4 2, up to 3, once per turn', 'runout shaft once | thou | read 0 2 4 2 | to 3'],
  ['face 0 1 2 1, up to 2', 'runout face | thou | read 0 1 2 1 | to 2'],
  ['bore 2.4410 2.4412 in, 2.4405-2.4420 in', 'diameter bore | in! | read 2.441 2.4412 | from 2.4405 to 2.442'],
  ['bore 2.4410 2.4412 2.4411 2.4413 in, 2.4405-2.4420', 'diameter bore | in! | read 2.441 2.4412 2.4411 2.4413 | from 2.4405 to 2.442'],
  ['mm: cylinder 82.58 82.60, at most 82.62', 'diameter bore | mm | read 82.58 82.6 | to 82.62'],
  ['mm: pin 22.00 21.99, 21.98-22.01', 'diameter shaft | mm | read 22 21.99 | from 21.98 to 22.01'],
  ['journal diameter 1.8898 in, at least 1.8890 in', 'diameter shaft | in! | read 1.8898 | from 1.889'],
  [
    'mains journal 1.8898 in, bore 1.8917 in, 1-2.6 thou, pack 59.5 59.5',
    'bearing-clearance mains | thou | journal 1889.8 | bore 1891.7 | from 1 to 2.6 | in: 2x59.5',
  ],
  ['universal joint 4 4 5, up to 2, pack 57 57', 'universal-joint | thou | read 4 4 5 | to 2 | in: 2x57'],
  ['joint 4, up to 2, pack 2x57', 'universal-joint | thou | read 4 | to 2 | in: 2x57'],
  ['joint play 4, up to 2', 'universal-joint | thou | read 4 | to 2'],
  ['eccentric 3, 1.6-2.8, pack 318', 'eccentric-shaft-end-play | thou | read 3 | from 1.6 to 2.8 | in: 318'],
  ['rotary 3 3 3, 1.6-2.8', 'eccentric-shaft-end-play | thou | read 3 3 3 | from 1.6 to 2.8'],
  ['crank 6 7 6 7, 3 to 9, twice', 'crankshaft-end-play | thou | read 6 7 6 7 | from 3 to 9 | 2 readings'],
  [
    'crankshaft at the flange 14, 4-8, pack 10 12; from 14, 16',
    'crankshaft-end-play shimmed | thou | read 14 | from 4 to 8 | in: 10 12 | or: 14 16',
  ],
  ['under cover 8, 2-4, pack 10 blue', 'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 10 blue'],
  ['quill 31, .002-.004 in', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4'],
  ['mm: quill 31, .002-.004 in, pack 5', 'shaft-end-play under-cover | thou | read 31 | from 2 to 4 | in: 5'],
  ['quill .031, .002-.004 in', 'shaft-end-play under-cover | in! | read 0.031 | from 0.002 to 0.004'],
  ['taper hub 27, 2-6, pack 32 32 stepped', 'taper-hub | thou | read 27 | from 2 to 6 | in: 32 32 stepped'],
  ['taper hub 27, 2-6, pack 2x32, 8 stepped; from 16 x 3, 4', 'taper-hub | thou | read 27 | from 2 to 6 | in: 2x32 8 stepped | or: 3x16 4'],
  [
    'under cover 8, 2-4, pack A 10, B 12; from red 14',
    'shaft-end-play under-cover | thou | read 8 | from 2 to 4 | in: 10 A 12 B | or: 14 red',
  ],
  ['quill 12, two readings, tenths dial, 2-4', 'shaft-end-play under-cover | thou | read 12 | from 2 to 4 | div 2540 nm | 2 readings'],
]

const CALLED: readonly (readonly [line: string, calls: boolean])[] = [
  ['quill 31, pack 2 2 x 5 thou 5 in, from 2x5 3x 8', false],
  ['quill 31, pack none', false],
  ['taper hub 27, pack 32 stepped 32, from 2 x 8 stepped', false],
  ['quill 31, from cover shims', false],
  ['quill 31, pack A 5', true],
  ['quill 31, pack red 5', true],
  ['quill 31, from 0.001 under', true],
]

describe('a job in one line', () => {
  it.each(CALLED)('pieces called by what only a drawer knows: %s', (text, calls) => expect(readLine(text, 'thou').byName).toBe(calls))
  it('of a drawer, what goes by a letter or a colour is that size', () => {
    const lots = [lotOf('q', thou(31), { family: 'shims', mark: 'Q' }), lotOf('red', thou(40), { family: 'shims', colour: 'red' })]
    expect(readLine('quill 31, 2-4, from q, red', 'thou', lots).drawer).toEqual({
      pieces: [
        { lotId: 'q', count: 1 },
        { lotId: 'red', count: 1 },
      ],
    })
    const line = readLine('quill 31, 2-4, pack Q 5, from red x 2, green 41', 'thou', lots)
    expect(line.fitted).toEqual([
      { lotId: 'q', count: 1 },
      { size: thou(5), count: 1 },
    ])
    expect(line.drawer).toEqual({
      pieces: [
        { lotId: 'red', count: 2 },
        { size: thou(41), colour: 'green', count: 1 },
      ],
    })
  })
  it.each(LINES)('%s', (text, means) => {
    const unit: LengthUnit = text.startsWith('mm: ') ? 'mm' : 'thou'
    expect(meaning(readLine(text.replace(/^mm: /, ''), unit))).toBe(means)
  })
})
