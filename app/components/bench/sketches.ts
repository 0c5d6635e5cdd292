import type { Component } from 'vue'
import CrankshaftSketch from './crankshaft-end-play/SectionSketch.vue'
import EndPlaySketch from './shaft-end-play/SectionSketch.vue'

/** The section each check kind draws for itself, by its id: what is measured from where to where. */
export const sketches: Readonly<Record<string, Component>> = { 'shaft-end-play': EndPlaySketch, 'crankshaft-end-play': CrankshaftSketch }

/** The drawing of kinds with several results, by their id. */
export const rows: Readonly<Record<string, Component>> = {}
