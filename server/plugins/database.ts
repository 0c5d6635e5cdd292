// Before any route is loaded: class-transformer's decorators ask for it when the first DTO is read.
import 'reflect-metadata'
import { defineNitroPlugin } from 'nitropack/runtime'
import { closeDatabase, database } from '../current'
import { isLoopback } from '../http/origin'
import { log } from '../log'

// Open at once, so that a folder that cannot be used is said at the start and not at the first click.
/** Where it listens: by itself to this machine only. */
const HOST = process.env.NITRO_HOST || process.env.HOST || '0.0.0.0'

export default defineNitroPlugin(nitro => {
  if (!isLoopback(HOST) && process.env.FINITUM_OPEN !== 'yes') {
    process.stderr.write(
      `With HOST=${HOST} everybody on the network could read and change the data: there is no sign-in yet. Where all of them may, set FINITUM_OPEN=yes.\n`,
    )
    process.exit(1)
  }
  database().catch((error: Error) => {
    log('refused', error.message)
    process.stderr.write(`${error.message}\n`)
    process.exit(1)
  })
  nitro.hooks.hook('close', closeDatabase)
})
