import type { Component } from 'vue'
import EndPlaySketch from './shaft-end-play/SectionSketch.vue'

/** What a check kind draws for itself, by its id. */
export const sketches: Readonly<Record<string, Component>> = { 'shaft-end-play': EndPlaySketch }
