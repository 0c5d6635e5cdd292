// Before any route is loaded: class-transformer's decorators ask for it when the first DTO is read.
import 'reflect-metadata'
import { defineNitroPlugin } from 'nitropack/runtime'
import { closeDatabase, database } from '../database/current'
import { log } from '../log'

// Open at once, so that a folder that cannot be used is said at the start and not at the first click.
export default defineNitroPlugin(nitro => {
  database().catch((error: Error) => {
    log('refused', error.message)
    process.stderr.write(`${error.message}\n`)
    process.exit(1)
  })
  nitro.hooks.hook('close', closeDatabase)
})
