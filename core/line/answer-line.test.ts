import { describe, expect, it } from 'vitest'
import { answerLine } from './answer-line'
import { LINE_EXAMPLES } from './examples'
import { lotOf } from '../../tests/pieces'
import { thou } from '../quantity/length'
import { readLine } from './read-line'
import { turnedWay } from './turn'

const answered = (text: string) => answerLine(readLine(text, 'thou'), text, [])

describe('the answer of a line', () => {
  // On paper: 12 + 30 − 39 = 3, the middle of 2 – 4; in a gap thicker is less play.
  it('names what to take out and put in, and never says In', () => {
    const gap = answered('in the gap 12, 2-4, pack 30, from 32 35 38 39 40')
    expect(gap.words).toMatch(/^Take out 30, put in 39: leaves 3\.0 ± 1\.6 thou, \d\d % sure to be in limits\.$/)
    expect(gap.sum).toBe('12.0 + 30 − 39 = 3.0 thou')
    expect(gap.check.wayWords).toBe('In the gap: a pack of shims: thicker gives less play')
    // Under a cover the same pieces move it the other way: 31 − 28 is 3, which 41 − 28 = 13 does not make.
    expect(answered('quill 31, 2-4, pack 2 2 2 5 5 5 10 10').sum).toBe('31.0 − (10 + 5 + 5 + 5 + 2 + 2) = 2.0 thou')
    expect(answered('quill 3 3 3, 2-4, pack 10, tenths dial').words).toBe(
      '3.0 ± 0.1 thou: would be in limits, 2 – 4 thou. Leave the pack as it is.',
    )
  })
  it('asks which way the pack moves it before any piece is named; what was read is judged all the same', () => {
    const unsaid = answered('end play 12, 2-4, pack 5 5')
    expect(unsaid.request).toBeNull()
    expect(unsaid.words).toBe('12.0 ± 1.2 thou: loose, 2 – 4 thou.')
    expect(unsaid.check.asks[0]!.words).toBe('Which way does the pack move it?')
    const [cover] = unsaid.check.asks[0]!.choices
    expect(answered(cover!.line).words).toMatch(/^Take out 5 \+ 5: leaves 2\.0/)
  })
  it('says what stands in, and changes it by a word', () => {
    expect(answered('quill 31, 2-4').check.standsIn).toEqual(['one reading', 'Dial indicator, 1 thou'])
    const fine = answered('quill 31, 2-4, tenths dial, three readings')
    expect(fine.check.standsIn).toEqual(['Dial indicator, 0.1 thou'])
    expect(fine.evaluation.estimate!.U).toBeLessThan(answered('quill 31, 2-4').evaluation.estimate!.U / 2)
  })
  it('guards where it can hurt, and says so', () => {
    const joint = answered('universal joint 4, up to 2, pack 57 57, from 58 58 59 59 60')
    expect(joint.check.bench.document.rule).toBe('guarded')
    expect(joint.caution).toContain('can kill')
    expect(joint.open).toEqual(['Plane 2, pushed and pulled'])
    expect(answered('quill 31, 2-4').caution).toBeNull()
  })
  it('takes a bore, a journal and its bore, four readings of a turn, as many as were said', () => {
    const metric = (text: string) => answerLine(readLine(text, 'mm'), text, [])
    expect(metric('bore 62.018 62.021, 62.000-62.030').words).toBe('62.018 ± 0.001 mm: would be in limits, 62.00 – 62.03 mm.')
    // 48.01 − 47.96, and 48.03 − 47.96 + 2 × 1.49 − 2 × 1.5.
    const main = metric('main bearing journal 47.96, bore 48.01, 0.026-0.066')
    expect(main.words).toBe('0.050 ± 0.002 mm: would be in limits, 0.026 – 0.066 mm.')
    expect(main.check.standsIn).toContain('a master as large as the bore')
    const shells = metric('main bearing journal 47.96, bore 48.03, 0.026-0.066, pack 1.49 1.49, from 1.5 1.5')
    expect(shells.words).toMatch(/^Take out 1\.49 \+ 1\.49, put in 1\.5 \+ 1\.5: leaves 0\.050 ±/)
    // What the limit is for is asked: they differ by a factor of two. Highest less lowest is 7.
    const disc = answered('disc 0 4 7 3, up to 10')
    expect([disc.words, disc.check.asks.map(({ words }) => words)]).toEqual(['', ['Which figure is the limit for?']])
    const raw = answered(disc.check.asks[0]!.choices.find(({ label }) => label.startsWith('raw'))!.line)
    expect(raw.words).toMatch(/^7\.0 ± \d\.\d thou: would be in limits, up to 10 thou\.$/)
    expect(raw.check.standsIn).toEqual(['back where it began', 'one reading', 'Dial indicator, 1 thou'])
  })
  it('takes a turn of a comparator: what the spacer is set to, or how much longer it is; which way is longer is asked first', () => {
    // On paper: falls, 376 − 7 = 369 by the least; the shortest distance reads most: 378 − 7 = 371.
    expect(answered('comparator falls, turn 376 378, 6-8').words).toBe('Set the spacer to read 371.0 thou; 370.0 to 372.0 would do.')
    expect(answered('comparator falls 376 378 377 376.5, spacer 371, 6-8').words).toBe('7.0 ± 0.7 thou: would be in limits, 6 – 8 thou.')
    expect(answered('comparator rises, 622 624, spacer 629, 6-8').words).toMatch(/^7\.0 ±/)
    const unsaid = answered('comparator 376 378, spacer 371, 6-8')
    expect([unsaid.words, unsaid.check.asks.map(({ words }) => words)]).toEqual([
      '',
      ['As the length grows, does the reading fall or rise?'],
    ])
    // A word on each bearing is taken as given, and said; the check that is kept has it to do.
    expect(answered('rear hub 4, 2-5').check.standsIn).toContain('bearings inspected, and good')
    expect(answered('rear hub 4, 2-5').words).toMatch(/^4\.0 ± 1\.2 thou: \d\d % sure to be in limits/)
  })
  it('takes a hub with its stepped spacer, which stays in, and pieces by what they go by in the drawer', () => {
    // 27 − (64 − T) = 3 for T = 40: the stepped 32 and 8 (common practice).
    const hub = answered('taper hub 27, 2-6, pack 32 32 stepped, from 16 8 4 2')
    expect(hub.sum).toBe('27.0 − 32 + 8 = 3.0 thou')
    const drawer = [lotOf('q', thou(10), { family: 'cover shims', mark: 'Q' })]
    const text = 'quill 14, 2-4, pack Q 3'
    expect(answerLine(readLine(text, 'thou', drawer), text, drawer).sum).toBe('14.0 − 10 = 4.0 thou')
  })
  it('takes wire squashed in two pieces at three places, and the four lengths of a release bearing', () => {
    // 40.33 + 2 = 42.33; 40.33 − 38 = 2.33.
    const wire = 'crush wire 40 41 40 41 40 40'
    expect(answered(`${wire}, preload 1-3, from 40 42 43`).words).toMatch(/^Put in 42: leaves 1\.7 ±/)
    expect(answered(`${wire}, end play 1-3, from 37 38 39`).sum).toBe('40.3 − 38 = 2.3 thou')
    expect(answered(`${wire}, 1-3`).check.asks[0]!.choices.map(({ line }) => answered(line).words)).toEqual([
      expect.stringContaining('thou'),
      expect.stringContaining('thou'),
    ])
    // 0.300 + 3.051 − 2.600 = 0.751; 3.580 − 2.600 − 0.751 = 0.229 (common practice).
    const bearing = answered('release bearing A 0.3 H 3.051 D 2.6 B 3.58 in, at least 0.5 in')
    expect(bearing.words).toMatch(/^751\.0 ± .*would be in limits, at least 500 thou\. Leave the pack as it is\. Wear reserve: 229\.0 ±/)
    expect(bearing.check.standsIn).toContain('one place for the three round')
  })
  it('says what cannot be: more pieces than a place takes, more figures than places', () => {
    expect(answered('quill 31, 2-4, pack 2 2 2 2 5 5 5 10 10').check.faults.join()).toContain('at most 8 pieces')
    expect(answered('disc 0 4 7 3 2 1, up to 10').check.faults.join()).toContain('6 figures, and 5 places')
  })

  it.each(LINE_EXAMPLES)('example: %s', text => {
    const line = readLine(text, 'thou')
    const answer = answerLine(line, text, [])
    expect([line.asks, line.faults, answer.check.asks, answer.check.faults]).toEqual([[], [], [], []])
    expect(answer.words).toMatch(/: (leaves [\d.]+ ± [\d.]+ (thou|mm), )?(would be in limits|\d+ % sure to be in limits|loose|tight)/)
  })
  it('turns which way the pack moves it, whatever words said it', () => {
    const turn = (text: string) => turnedWay(text, readLine(text, 'thou'))
    expect(turn('quill 31, 2-4')).toBe('in gap 31, 2-4')
    expect(turn('in the gap 31, 2-4')).toBe('thrust washer 31, 2-4')
    expect(turn('end play 31, 2-4')).toBe('under cover end play 31, 2-4')
    expect(turn('crank at the flange 14')).toBeNull()
    // All the way round it is where it was.
    let text = 'under cover 31, 2-4, pack 20'
    for (let i = 0; i < 4; i++) text = turn(text)!
    expect(text).toBe('under cover 31, 2-4, pack 20')
  })
})
