import type { Component } from 'vue'
import BearingSketch from './bearing-clearance/BearingSketch.vue'
import ShellOptions from './bearing-clearance/ShellOptions.vue'
import CrankshaftSketch from './crankshaft-end-play/CrankshaftSketch.vue'
import EccentricSketch from './eccentric-shaft-end-play/EccentricSketch.vue'
import PumpSketch from './oil-pump-clearance/PumpSketch.vue'
import RollerPanel from './roller-big-end/RollerPanel.vue'
import RollerSketch from './roller-big-end/RollerSketch.vue'
import EndPlaySketch from './shaft-end-play/EndPlaySketch.vue'
import ThrustSketch from './thrust-alignment/ThrustSketch.vue'

/** The section each check kind draws for itself, by its id: what is measured from where to where. */
export const sketches: Readonly<Record<string, Component>> = {
  'shaft-end-play': EndPlaySketch,
  'crankshaft-end-play': CrankshaftSketch,
  'thrust-alignment': ThrustSketch,
  'eccentric-shaft-end-play': EccentricSketch,
  'bearing-clearance': BearingSketch,
  'roller-big-end': RollerSketch,
  'oil-pump-clearance': PumpSketch,
}

/** What a kind chooses that is no pack from the drawer. */
export const choicePanels: Readonly<Record<string, Component>> = { 'roller-big-end': RollerPanel }

/** What a kind weighs for all its places at once. */
export const optionPanels: Readonly<Record<string, Component>> = { 'bearing-clearance': ShellOptions }
