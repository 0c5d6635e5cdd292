import { describe, expect, it } from 'vitest'
import { checkKind } from '../check/registry'
import { mm, nm, thou, type Nm } from '../quantity/length'
import { PLAIN_GAUGE, type Gauge } from '../reading/gauge'
import { asBegun, gaugesAsked } from './begin'

const dial = (id: string, unit: Gauge['unit'], graduation: Nm): Gauge => ({
  ...PLAIN_GAUGE,
  id,
  name: id,
  kind: 'dial-indicator',
  unit,
  graduation,
  readableFraction: 0.5,
  permissibleError: nm(0),
  repeatability: nm(0),
  hysteresis: nm(0),
  rangePerTurn: null,
  lastCheck: null,
})

describe('a check before it is begun', () => {
  const shaft = checkKind('shaft-end-play')
  it('is read with what the register has for its system', () => {
    const register = [dial('inches', 'thou', thou(1)), dial('metric', 'mm', mm(0.01))]
    expect(asBegun(shaft, { entryUnit: 'mm' }, register).gauges).toMatchObject([{ gauge: { id: 'metric' } }])
    expect(asBegun(shaft, { entryUnit: 'thou' }, register).gauges).toMatchObject([{ gauge: { id: 'inches' } }])
    expect(asBegun(shaft, {}, []).gauges).toEqual([{ label: 'Dial indicator', gauge: null }])
  })
  it('is read with the coarsest that can tell its limits', () => {
    const register = [dial('coarse', 'thou', thou(1)), dial('fine', 'thou', thou(0.1)), dial('half', 'thou', thou(0.5))]
    const limits = (upper: number) => [
      {
        result: 'play',
        role: 'book' as const,
        set: { kind: 'two-sided' as const, lower: thou(2), upper: thou(upper), unit: 'thou' as const, source: { kind: 'book' as const } },
      },
    ]
    const taken = (upper: number) => asBegun(shaft, { limits: limits(upper) }, register).gauges[0]!.gauge!.id
    // By hand: U = 1.96 × d/√6, so 0.40, 0.20 and 0.04 of dials of 1, 0.5 and 0.1 read to a half; against an eighth of the band.
    expect(taken(12)).toBe('coarse')
    expect(taken(6)).toBe('coarse')
    expect(taken(3.8)).toBe('half')
    expect(taken(2.5)).toBe('fine')
  })
  it('says what would be refused, and where', () => {
    const { faults } = asBegun(shaft, { setup: { pack: 'nowhere' } }, [])
    expect(faults).toEqual([{ path: 'settings.setup.pack', reason: '“nowhere” is not a choice here.' }])
    expect(asBegun(shaft, {}, []).faults).toEqual([])
  })
  it('takes over the gauges of the last check that it asks for too, and that are still there', () => {
    const swivel = checkKind('swivel-preload')
    const register = [dial('dial', 'thou', thou(1)), { ...dial('torque', 'thou', thou(1)), kind: 'torque-gauge' as const }]
    const used = { 'torque-gauge': 'torque', 'dial-indicator': 'dial', 'micrometer': 'gone' }
    const asked = (way: string) => gaugesAsked(swivel, { ...swivel.defaultSetup, way }, used, register)
    expect(asked('gauge')).toEqual({ 'torque-gauge': 'torque', 'dial-indicator': 'dial' })
    expect(asked('feel')).toEqual({ 'dial-indicator': 'dial' })
  })
})
