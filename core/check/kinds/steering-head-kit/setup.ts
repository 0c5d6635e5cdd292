import { thou } from '../../../quantity/length'
import type { HoleClass, ShaftClass } from '../../../verdict/iso-286'
import type { Position } from '../../contract'
import { choice, length, type SetupOf } from '../../setup'

/** Fits that cones and cups are made to. */
const FITS = [
  'H7/g6',
  'H7/h6',
  'H7/k6',
  'H7/m6',
  'H7/n6',
  'K7/h6',
  'M7/h6',
  'N7/h6',
] as const satisfies readonly `${HoleClass}/${ShaftClass}`[]
const fitChoice = (label: string, hint: string) =>
  choice({
    label,
    hint,
    free: true,
    options: [{ value: 'none', label: 'Not known' }, ...FITS.map(value => ({ value, label: value }))] as const,
    initial: 'none',
  })

export const FIELDS = {
  at: choice({
    label: 'Bearings of',
    added: true,
    options: [
      { value: 'head', label: 'A steering head' },
      { value: 'wheel', label: 'A wheel', hint: 'the same gap there is far worse' },
    ],
    initial: 'head',
  }),
  origin: choice({
    label: 'Parts',
    options: [
      { value: 'kit', label: 'Another maker’s kit', hint: 'listed for it is no measurement' },
      { value: 'genuine', label: 'Genuine, in their bags' },
    ],
    initial: 'kit',
  }),
  by: choice({
    label: 'Sizes by',
    options: [
      { value: 'micrometer', label: 'Micrometers' },
      { value: 'calipers', label: 'Calipers', hint: 'a rough fit only' },
    ],
    initial: 'micrometer',
  }),
  coneFit: fitChoice('Cone on the stem, ISO 286', 'cone bore / stem'),
  cupFit: fitChoice('Cup in the head, ISO 286', 'head bore / cup'),
  nut: length({
    label: 'Thread the nut asks for',
    hint: 'its height, where nothing else is said: common practice',
    free: true,
    least: thou(10),
    optional: true,
  }),
  pitch: length({
    scale: 'play',
    label: 'Pitch of the stem’s thread',
    hint: 'thread engaged and the nut’s way are told in turns too',
    free: true,
    least: thou(1),
    optional: true,
  }),
  stem: length({ label: 'Stem, diameter where a washer goes', hint: 'a washer’s inside must clear it', least: thou(10), optional: true }),
  pocket: length({
    label: 'Seal pocket, diameter',
    hint: 'a washer’s outside stays within it, on the inner ring only',
    least: thou(10),
    optional: true,
  }),
}
export type HeadSetup = SetupOf<typeof FIELDS>

export const SITES: readonly Position[] = [
  { id: 'upper', label: 'Upper' },
  { id: 'lower', label: 'Lower' },
]
/** The place washers go at a site. */
export const washersAt = (site: string) => `washers-${site}`
/** What the parts are called: a kit for a wheel is looked at in the same way. */
export const NAMES = {
  head: { stem: 'stem', stemRole: 'Stem and fork crown', head: 'head', headRole: 'Steering head', nut: 'from lock to lock' },
  wheel: { stem: 'axle', stemRole: 'Axle', head: 'hub', headRole: 'Hub', nut: 'turned by hand' },
} as const
