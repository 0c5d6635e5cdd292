import { describe, expect, it } from 'vitest'
import { checkKind } from './registry'
import { fieldsFor, type Setup } from './setup'

const NM = String(10_000_000)
/** A field that is asked for in one set-up and not in the other, which differs from it by what stands there. */
const ASKED: readonly (readonly [kind: string, fields: string, asked: Setup, not: Setup])[] = [
  ['shaft-end-play', 'film', { pack: 'under-cover' }, { pack: 'in-gap' }],
  ['thrust-alignment', 'thrustEnd', { construction: 'loose-half' }, { construction: 'flanged-halves' }],
  ['bearing-clearance', 'labour regrind grindError', { shells: 'choose' }, { shells: 'none' }],
  ['diameter', 'zeroedIn master', { part: 'bore', way: 'gauge' }, { part: 'shaft' }],
  ['diameter', 'hole way', { part: 'bore' }, { part: 'shaft' }],
  ['diameter', 'shaft', { part: 'shaft' }, { part: 'bore' }],
  ['comparator-hub', 'lostIs', { lost: '100000' }, { lost: '' }],
  ['sealed-bearing-spacer', 'near far', { way: 'depths' }, { way: 'spacer' }],
  ['sealed-bearing-spacer', 'bar', { way: 'depths', near: 'bar', far: 'face' }, { way: 'depths', near: 'face', far: 'face' }],
  ['sealed-bearing-spacer', 'bar', { way: 'depths', near: 'face', far: 'bar' }, { way: 'spacer', near: 'face', far: 'bar' }],
  ['torque-preload', 'radius', { way: 'scale' }, { way: 'gauge' }],
  ['torque-preload', 'unit sealDrag', { way: 'gauge' }, { way: 'feel' }],
  ['swivel-preload', 'radius', { way: 'scale' }, { way: 'gauge' }],
  ['swivel-preload', 'unit sealDrag', { way: 'scale' }, { way: 'feel' }],
  ['steering-head-kit', 'by coneFit cupFit stem pocket', { origin: 'kit' }, { origin: 'genuine' }],
  ['release-bearing', 'centre', { overH: 'centre' }, { overH: 'bar' }],
  ['release-bearing', 'lastA', { lastA: NM }, { lastA: '' }],
  ['universal-joint', 'coldest', { ears1: 'steel', ears2: 'aluminium alloy' }, { ears1: 'steel', ears2: 'steel' }],
  ['universal-joint', 'coldest', { ears1: 'aluminium alloy', ears2: 'steel' }, { ears1: 'steel', ears2: 'steel' }],
  ['universal-joint', 'tyre axle', { speed: '60' }, { speed: '0' }],
  ['runout', 'view', { what: 'housing' }, { what: 'shaft' }],
  ['runout', 'radius', { what: 'face' }, { what: 'hub' }],
  ['gear-train', 'shares1', { gaps: '2' }, { gaps: '1' }],
  ['gear-train', 'name3 by3 shares2', { gaps: '3' }, { gaps: '2' }],
  ['gear-train', 'name6 by6 shares5', { gaps: '6' }, { gaps: '5' }],
  ['gear-train', 'stackBy', { stack: 'replaced' }, { stack: 'kept' }],
  ['gear-train', 'lies', { ringAt: '1' }, { ringAt: '0' }],
  ['crush-wire', 'name2', { bearings: '2' }, { bearings: '1' }],
  ['crush-wire', 'name4', { bearings: '4' }, { bearings: '3' }],
  ['crush-wire', 'proof', { ends: 'preload' }, { ends: 'play' }],
  ['crush-wire', 'unit sealDrag', { ends: 'preload', proof: 'gauge' }, { ends: 'play', proof: 'gauge' }],
  ['crush-wire', 'radius', { ends: 'preload', proof: 'scale' }, { ends: 'preload', proof: 'gauge' }],
]

describe('what a set-up asks for', () => {
  it.each(ASKED)('%s: %s', (id, fields, asked, not) => {
    const { setupFields, defaultSetup } = checkKind(id)
    const asks = (setup: Setup) => fieldsFor(setupFields, { ...defaultSetup, ...setup }).map(field => field.id)
    for (const field of fields.split(' ')) {
      expect(asks(asked), JSON.stringify(asked)).toContain(field)
      expect(asks(not), JSON.stringify(not)).not.toContain(field)
    }
  })
})
