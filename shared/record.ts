import type { GaugeCheck } from '#core/shop/shop'
import type { MatchedSet } from '#core/check/evaluate/matched-set'
import type { Coded } from '#core/label/code'
import type { LengthUnit } from '#core/quantity/length'
import type { MeasureUnit } from '#core/quantity/measure'
import type { ServiceFigure } from '#core/trend/service-figures'
import type { Meter, UnitFacts } from '#core/worksheet/job-facts'
import type { DatedJob, Photo } from './types'

// What the record answers: units, trends, who did what, gauges in doubt, what was found, labels, copies.

/** A figure over the services of one unit, or of several of a type. */
export interface Trend {
  readonly key: string
  readonly kind: string
  readonly title: string
  readonly label: string
  readonly measure: MeasureUnit | null
  readonly units: readonly {
    readonly id: string
    readonly name: string
    readonly meter: Meter | null
    readonly services: readonly TrendService[]
  }[]
}

export interface TrendService extends Pick<ServiceFigure, 'found' | 'left' | 'state' | 'word' | 'lower' | 'upper'> {
  readonly job: { readonly id: string; readonly title: string }
  readonly check: string
  readonly day: string
  readonly meterReading: number | null
  /** what was replaced of what the figure rests on */
  readonly changes: readonly string[]
}

export interface Trends {
  readonly title: string
  readonly type: string
  readonly trends: readonly Trend[]
}

/** Somebody who works here; the initials pick the name. */
export interface Person {
  readonly id: string
  readonly name: string
  readonly initials: string
  readonly version: number
}

/** One thing that was done. */
export interface Done {
  readonly at: string
  /** empty: nobody said */
  readonly who: string
  readonly what: string
  /** the check it was done to; null: the job itself */
  readonly check: { readonly id: string; readonly title: string } | null
}

/** A unit in the list of units. */
export interface UnitSummary extends UnitFacts {
  readonly id: string
  readonly name: string
  readonly description: string
  readonly jobs: number
  /** jobs with something open */
  readonly open: number
  /** the day of its newest job */
  readonly last: string | null
}

/** A unit on its own page. */
export interface UnitView extends UnitFacts {
  readonly id: string
  readonly name: string
  readonly description: string
  readonly notes: string
  readonly version: number
  readonly jobs: readonly DatedJob[]
  /** parts of all its jobs that were replaced or reworked, the newest first */
  readonly changes: readonly {
    readonly part: string
    readonly job: string
    readonly at: string
    readonly reason: string
    readonly by: string
  }[]
  readonly photos: readonly Photo[]
  readonly sets: readonly {
    readonly check: { readonly id: string; readonly title: string }
    readonly set: MatchedSet
    readonly entryUnit: LengthUnit
  }[]
}

/** A copy of everything, made by itself. */
export interface Copy {
  readonly name: string
  readonly bytes: number
  readonly at: string
  /** what came of restoring it in a trial; null: not tried yet */
  readonly tested: string | null
}

export interface Copies {
  /** where they are */
  readonly folder: string
  /** chosen by hand; null: beside the data */
  readonly own: string | null
  readonly keep: number
  readonly copies: readonly Copy[]
  /** why none are made, and what to do; null: nothing stands against it */
  readonly fault: string | null
}

/** A label before it is printed. */
export interface LabelView {
  readonly code: string
  readonly title: string
  readonly lines: readonly string[]
  /** not all of it fits */
  readonly cut: boolean
}

/** What a scanned code is of, and where it is opened. */
export interface Scanned {
  readonly thing: Coded
  readonly id: string
  readonly name: string
  readonly path: string
}

/** A check that rests on readings of a gauge which was found wrong. */
export interface DoubtfulCheck {
  readonly id: string
  readonly title: string
  readonly unit: string
  readonly job: string
  readonly signed: boolean
  readonly readings: number
  /** days of the first and the last of them */
  readonly first: string
  readonly last: string
}

export interface GaugeRecord {
  readonly checks: readonly GaugeCheck[]
  /** where it was found wrong: the day it was last known to be good, and what was read with it since; null: it is good, or nobody looked */
  readonly doubtful: { readonly since: string | null; readonly checks: readonly DoubtfulCheck[] } | null
}

/** What was found: a page of jobs, the newest first, with the checks that have some of the words; and what is no job. */
export interface Found {
  readonly jobs: readonly (DatedJob & { readonly matches: readonly string[] })[]
  readonly found: number
  readonly others: readonly { readonly what: 'gauge' | 'limits' | 'size' | 'order'; readonly id: string; readonly name: string }[]
}

/** What the same check of the same unit came to last time. */
export interface LastTime {
  readonly check: string
  readonly job: string
  readonly day: string
  readonly meterReading: number | null
  readonly figures: readonly Pick<ServiceFigure, 'result' | 'found' | 'left'>[]
}

/** How the program stands, and what everybody in the shop has to know of it. */
export interface Health {
  readonly ready: true
  readonly jobs: number
  readonly lots: number
  /** anybody on the network may read and write */
  readonly open: boolean
  /** why no copies are made, and what to do; null: nothing stands against it */
  readonly copies: string | null
}
