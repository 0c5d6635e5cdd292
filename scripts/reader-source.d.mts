import type { Plugin as EsbuildPlugin } from 'esbuild'
import type { Plugin } from 'rollup'

export function readerSource(): Plugin
export function readerSourceForEsbuild(): EsbuildPlugin
