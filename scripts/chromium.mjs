// The browser that tests and pictures drive: Debian's. Without a window it takes two thirds of the work of the whole one.
import { existsSync } from 'node:fs'

const PLACES = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium']

export const launchOptions = {
  executablePath: PLACES.find(path => existsSync(path)) ?? PLACES[0],
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    '--no-first-run',
  ],
}
