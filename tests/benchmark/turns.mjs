// Put before a server that is measured: asked by a signal, it says how long the loop that answers was held at most since it was last asked.
import { monitorEventLoopDelay } from 'node:perf_hooks'
import { isMainThread } from 'node:worker_threads'

const EVERY_MS = 2
if (isMainThread) {
  const delays = monitorEventLoopDelay({ resolution: EVERY_MS })
  delays.enable()
  process.on('SIGUSR2', () => {
    process.stdout.write(`held ${(delays.max / 1e6).toFixed(0)} ms\n`)
    delays.reset()
  })
}
