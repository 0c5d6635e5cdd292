import { formatFigure } from '../../../quantity/figure'
import { formatLength } from '../../../quantity/format-length'
import { TURN } from '../../../quantity/marks'
import { rectangular, type BudgetLine } from '../../../reading/budget'
import { ownVariance, stated, type Estimate } from '../../../reading/estimate'
import type { Finding } from '../../../reading/gates'
import type { Answers } from '../../contract'
import { angleOf, fitCircle, ovalTakenForOffset, radians, type Circle } from './circle'
import type { Offset } from './dowels'
import { atMark, knowsView, RETURN, sagAt, type RunoutSetup } from './setup'

/** One turn as it was read, with what it comes to. Figures in nm. */
export interface Turn {
  /** mark by mark, in the order of the set-up: as read; less what the return and the sag take off; what is left of the circle */
  readonly marks: readonly { readonly angle: number; readonly read: number; readonly value: number; readonly rest: number }[]
  readonly circle: Circle
  /** the first mark again, less what it was at first */
  readonly closure: number
  /** how the centre lies, or how a housing has to be moved: + where the tip is pushed in */
  readonly offset: Offset
  /** what a figure made of the readings carries. @param weights  of each reading in it @param scale  how much of a difference it is */
  readonly known: (value: number, weights: readonly number[], scale: number) => Estimate
}

/** A return further off than this is taken again: a graduation, half a thou at least. Common practice. nm */
const CLOSES = 12_700

/** The turn, once every mark and the return were read; null before, and where the marks do not tell an offset. */
export function turnOf(setup: RunoutSetup, answers: Answers): Turn | null {
  const read = setup.marks.map(angle => ({
    angle,
    estimate: answers.of(atMark(angle)).estimate,
    sag: setup.sag === 'measured' ? answers.of(sagAt(angle)).estimate : stated(0, []),
  }))
  const back = answers.of(RETURN).estimate
  if (!back || read.some(({ estimate, sag }) => !estimate || !sag)) return null
  const first = read[0]!.estimate!.value
  const closure = back.value - first
  const order = inOrder(setup.marks, answers)
  const sign = setup.sense === 'rises' ? 1 : -1
  // What the dial crept by, spread over the turn in the order it was read.
  const marks = read.map(({ angle, estimate, sag }) => ({
    angle,
    read: estimate!.value,
    value: sign * (estimate!.value - (closure * order.indexOf(angle)) / read.length - (sag!.value - read[0]!.sag!.value)),
  }))
  const circle = fitCircle(marks)
  if (!circle) return null
  const u = read.map(({ estimate, sag }) => Math.sqrt(ownVariance(estimate!.lines) + ownVariance(sag!.lines)))
  const gauge = read[0]!.estimate!.lines.find(({ source }) => source === 'gauge-error') ?? null
  const own = read[0]!.estimate!.lines.find(({ shared }) => !shared) ?? null

  function known(value: number, weights: readonly number[], scale: number): Estimate {
    const lines: BudgetLine[] = [
      {
        source: own?.source ?? 'resolution',
        words: `Readings at ${read.length} marks: ${own?.words ?? 'readable step'}`,
        u: Math.hypot(...weights.map((weight, i) => weight * u[i]!)),
        nu: own?.nu ?? Infinity,
        shared: false,
      },
      ...(gauge ? [{ ...gauge, u: gauge.u * scale }] : []),
      ...(closure === 0
        ? []
        : [
            {
              source: 'closing',
              words: 'Return reading r, spread over the turn: (r/2)/√3',
              u: rectangular(Math.abs(closure) / 2) * scale,
              nu: Infinity,
              shared: false,
            } satisfies BudgetLine,
          ]),
    ]
    return stated(value, lines, read.length)
  }
  return {
    marks: marks.map((mark, i) => ({ ...mark, rest: circle.rest[i]! })),
    circle,
    closure,
    offset: { to12: circle.a, to3: circle.b },
    known,
  }
}

/** The marks as they were read, one after the other. */
const inOrder = (marks: readonly number[], answers: Answers): number[] =>
  [...marks].sort((a, b) => (answers.after(atMark(a), atMark(b)) ? 1 : answers.after(atMark(b), atMark(a)) ? -1 : 0))

/** An offset as a length, and the way it points; uncertainty to first order, the wider of both ways where it is next to nothing. */
export function offsetOf(turn: Turn): { readonly estimate: Estimate; readonly angle: Estimate | null } {
  const { a, b, weights } = turn.circle
  const e = Math.hypot(a, b)
  const along = (x: number, y: number) => weights.a.map((weight, i) => x * weight + y * weights.b[i]!)
  const ways = e === 0 ? [along(1, 0), along(0, 1)] : [along(a / e, b / e)]
  const candidates = ways.map(way => turn.known(e, way, 1 / 2))
  const estimate = candidates.reduce((wide, other) => (other.u > wide.u ? other : wide))
  if (e <= estimate.U) return { estimate, angle: null }
  const across = turn.known(e, along(-b / e, a / e), 1 / 2)
  const turned = (u: number) => (u / e / (2 * Math.PI)) * TURN
  return {
    estimate,
    angle: stated(
      angleOf(a, b),
      across.lines.map(line => ({ ...line, u: turned(line.u), shared: false })),
      estimate.n,
    ),
  }
}

/** Marks that lie in less than this say little of the other axis: a third of a turn. Own figure. */
const NARROW = TURN / 3
/** An oval of 10 would look like an offset of 1. Own figure. */
const LEAKS = 0.1

/** What is wrong with the turn, or worth knowing. */
export function turnFindings(setup: RunoutSetup, turn: Turn, answers: Answers): Finding[] {
  const show = (value: number) => formatLength(value, answers.unit, { unit: true, trim: true })
  const findings: Finding[] = []
  const graduation = answers.gauge('dial-indicator')?.graduation ?? 0
  const off = Math.abs(turn.closure)
  if (off > Math.max(graduation, CLOSES))
    findings.push({
      gate: 'closing',
      level: 'fail',
      words: `Back at the first mark it reads ${show(turn.closure)} from what it was: base, tip or zero moved. Take the turn again.`,
    })
  else if (off > 0)
    findings.push({
      gate: 'closing',
      level: off > graduation / 2 ? 'warn' : 'note',
      words: `Back at the first mark it is ${show(turn.closure)} off: spread over the turn.`,
    })
  const late = setup.marks.find(angle => answers.after(atMark(angle), RETURN))
  if (late !== undefined)
    findings.push({
      gate: 'closing',
      level: 'fail',
      words: `${formatFigure(late, 'h')} was read after the return: take the first mark once more.`,
    })
  if (spanOf(setup.marks) < NARROW)
    findings.push({
      gate: 'few-readings',
      level: 'warn',
      words: 'All marks lie within a third of a turn: they say little of the other way.',
    })
  else if (ovalTakenForOffset(setup.marks) > LEAKS)
    findings.push({
      gate: 'few-readings',
      level: 'warn',
      words: 'The marks lie unevenly: something oval would look off centre. Opposite marks tell them apart.',
    })
  const worst = worstRest(turn)
  if (isFew(setup) && worst > graduation)
    findings.push({
      gate: 'spread',
      level: 'warn',
      words: `${show(worst)} of it is no offset: out of round, or misread. Nothing that is moved changes that: read again, at 8 marks.`,
    })
  if (!knowsView(setup))
    findings.push({
      gate: 'hand',
      level: 'warn',
      words: 'Say in Set up from which side the clock is seen: until then no way to move it is told.',
    })
  return findings
}

/** Marks still to be read of a turn that was begun; null: it was not begun, or is whole. */
export function openWords(setup: RunoutSetup, answers: Answers): string | null {
  const unread = (id: string) => answers.of(id).estimate === null
  const marks = setup.marks.map(angle => ({ id: atMark(angle), name: formatFigure(angle, 'h') }))
  const open = [...marks.filter(({ id }) => unread(id)).map(({ name }) => name), ...(unread(RETURN) ? [`back at ${marks[0]!.name}`] : [])]
  return open.length === 0 || open.length > marks.length ? null : `The turn is not closed: read ${open.join(', ')}.`
}

/** Why no dowel is chosen by this turn yet; null: it can be. */
export function holdFor(setup: RunoutSetup, turn: Turn, answers: Answers): string | null {
  const wrong = turnFindings(setup, turn, answers).find(({ level }) => level === 'fail')
  if (wrong) return wrong.words
  const graduation = answers.gauge('dial-indicator')?.graduation ?? 0
  const worst = worstRest(turn)
  return isFew(setup) && worst > graduation
    ? `Read it again at 8 marks before a dowel is chosen: the sums of opposite marks differ, ${formatLength(worst, answers.unit, { unit: true, trim: true })} of it is no offset, or misread.`
    : null
}
const worstRest = ({ marks }: Turn): number => Math.max(...marks.map(({ rest }) => Math.abs(rest)))
/** Too few marks to tell what is out of round from what was misread. */
const isFew = ({ marks }: Pick<RunoutSetup, 'marks'>): boolean => marks.length > 3 && marks.length < 8

/** The least part of a turn that holds all marks. */
function spanOf(marks: readonly number[]): number {
  const sorted = [...marks].sort((a, b) => a - b)
  const gaps = sorted.map((mark, i) => (sorted[(i + 1) % sorted.length]! - mark + TURN) % TURN || TURN)
  return TURN - Math.max(...gaps)
}

/** What the highest reading is above the lowest. */
export function rawOf(turn: Turn): Estimate {
  const values = turn.marks.map(({ value }) => value)
  const [high, low] = [values.indexOf(Math.max(...values)), values.indexOf(Math.min(...values))]
  return turn.known(
    values[high]! - values[low]!,
    values.map((_, i) => (i === high ? 1 : 0) - (i === low ? 1 : 0)),
    1,
  )
}

/** The same of a turn of which only the offset was changed. */
export const rawWith = (turn: Turn, { to12, to3 }: Offset): number => {
  const values = turn.marks.map(({ angle, rest }) => to12 * Math.cos(radians(angle)) + to3 * Math.sin(radians(angle)) + rest)
  return Math.max(...values) - Math.min(...values)
}

/** The largest distance of a mark from the circle. */
export function restOf(turn: Turn): Estimate {
  const worst = turn.marks.reduce((a, b) => (Math.abs(b.rest) > Math.abs(a.rest) + 1 ? b : a))
  const at = turn.marks.indexOf(worst)
  const [cos, sin] = [Math.cos(radians(worst.angle)), Math.sin(radians(worst.angle))]
  const { weights } = turn.circle
  return turn.known(
    Math.abs(worst.rest),
    weights.a.map((_, i) => (i === at ? 1 : 0) - weights.c[i]! - weights.a[i]! * cos - weights.b[i]! * sin),
    1 / 2,
  )
}
