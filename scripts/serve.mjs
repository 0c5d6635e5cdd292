// Starts the built server on a data folder of its own, and says what it is doing meanwhile.
import { createServer } from 'node:net'
import { join } from 'node:path'
import { root, say, stop } from './prepare.mjs'

function portFree(port, host) {
  return new Promise(resolve => {
    const probe = createServer()
    probe.once('error', error => resolve(error.code))
    probe.listen(port, host, () => probe.close(() => resolve(null)))
  })
}

/**
 * @param {{ folder: string, ready?: (address: string) => Promise<void> }} options
 */
export async function serve({ folder, ready = async () => {} }) {
  const host = process.env.HOST || '127.0.0.1'
  const port = Number(process.env.PORT || 4173)
  if (!Number.isInteger(port) || port < 1 || port > 65535) stop(`PORT must be a number from 1 to 65535, not “${process.env.PORT}”.`)
  const taken = await portFree(port, host)
  if (taken === 'EADDRINUSE') stop(`Port ${port} is in use. Set PORT to another one: PORT=${port + 1} npm start.`)
  if (taken) stop(`Cannot listen on ${host}:${port} (${taken}). Set HOST and PORT.`)

  process.env.FINITUM_DATA = folder
  process.env.NITRO_HOST = host
  process.env.NITRO_PORT = String(port)
  process.env.NODE_ENV = 'production'
  say('Opening the database (a new one takes some seconds) …')
  await import(join(root, '.output/server/index.mjs'))
  const address = `http://${host.includes(':') ? `[${host}]` : host}:${port}`
  const answer = await fetch(`${address}/api/health`)
  if (!answer.ok) stop('Finitum started but does not answer.')
  await ready(address)
  say(`\nFinitum is ready: ${address}\nStop it with Ctrl-C.`)
}
