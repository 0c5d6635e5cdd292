import { inches } from '../../../quantity/length'
import { boreHeat, shaftHeat } from '../../common/bore-master'
import type { MeasuringPoint } from '../../contract'
import { defineKind } from '../../define-kind'
import { formResult, sizeResult } from '../../common/results'
import { classLimits, combineDiameter, placesOf, ROUGH, sizeWorks, ZERO } from './evaluate'
import { diameterSteps } from './procedure'
import { ASKED, byGauge, FIELDS, type DiameterSetup } from './setup'
import { spoken } from './spoken'

/** A bore or a shaft, in planes and at stations: against limits, an ISO 286 class, or a size it is worked to. */
export const diameter = defineKind({
  id: 'diameter',
  title: 'Diameter',
  about: 'A bore or a shaft in planes and stations: size, out-of-round, taper; what to hone or grind it to.',
  under: 'any',
  by: ['bore', 'journal', 'cylinder', 'out of round', 'taper', 'hone', 'grind', 'wear', 'piston'],
  spoken,
  plausible: inches(40),
  safety: null,
  fields: FIELDS,
  asked: ASKED,
  parts: ({ part }) => [{ id: 'part', label: part === 'bore' ? 'Bore' : 'Shaft' }],
  results: ({ stations }) => [
    sizeResult('size', 'Diameter, least', { main: true }),
    sizeResult('size-most', 'Diameter, most', { main: true, judgedBy: 'size' }),
    formResult('round', 'Out-of-round'),
    ...(stations > 1 ? [formResult('taper', 'Taper')] : []),
    sizeResult('mean', 'Diameter, mean', { unjudged: true }),
  ],
  points: diameterPoints,
  places: () => [],
  procedure: diameterSteps,
  suspicions: () => [],
  combine: combineDiameter,
  works: sizeWorks,
  thumb: classLimits,
})

function diameterPoints(setup: DiameterSetup): MeasuringPoint[] {
  const common = { result: 'size', moves: [], rests: ['part'] } as const
  const heat = byGauge(setup)
    ? boreHeat(setup)
    : setup.part === 'shaft'
      ? { ...shaftHeat(setup), partAlpha: boreHeat(setup).partAlpha }
      : boreHeat(setup)
  return [
    ...placesOf(setup).map(({ direction, station, point }): MeasuringPoint => ({
      ...common,
      id: point,
      label: `${setup.part === 'bore' ? 'Bore' : 'Shaft'}, plane ${direction}, station ${station}`,
      at: { position: `Station ${station}`, direction },
      way: byGauge(setup) ? 'bore-gauge' : setup.part === 'bore' ? 'inside-micrometer' : 'micrometer',
      near: byGauge(setup) ? setup.master : setup.nominal,
      together: 'size',
      heat,
    })),
    ...(byGauge(setup)
      ? [
          {
            ...common,
            id: ZERO,
            label: 'Zero again in the master',
            at: { position: 'Zero', direction: 'A' },
            way: 'bore-gauge',
            rests: [],
            optional: true,
          } satisfies MeasuringPoint,
        ]
      : []),
    {
      ...common,
      id: ROUGH,
      label: 'The same, roughly, by calipers',
      at: { position: 'Roughly', direction: 'A' },
      way: 'calipers',
      alone: true,
      optional: true,
    },
  ]
}
