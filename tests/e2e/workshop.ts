import { spawn, type ChildProcess } from 'node:child_process'
import { cpSync, existsSync, mkdtempSync, readFileSync, rmSync } from 'node:fs'
import { createServer } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { test as base, expect, type Browser, type Locator, type Page } from '@playwright/test'

// Not from this file's address: the benchmark bundles it elsewhere.
const root = process.cwd()

const freePort = () =>
  new Promise<number>(resolve => {
    const probe = createServer()
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as { port: number }
      probe.close(() => resolve(port))
    })
  })

/** Where the folder of a loaded demo stands, to be copied: loading it takes its time. */
export const DEMO_LOADED = 'FINITUM_DEMO_LOADED'
/** Loaded, not copied. */
export const LOAD_ANEW = { [DEMO_LOADED]: 'no' }

/** As a program, which has no page and says so. */
export const AS_PROGRAM = { 'x-finitum': 'tests' }

/** A server of its own on a folder of its own, which can be stopped and started again. */
export class Workshop {
  private process: ChildProcess | null = null
  output = ''
  constructor(
    readonly folder: string,
    readonly port: number,
    readonly script: 'demo' | 'start',
    private readonly env: Readonly<Record<string, string>> = {},
    /** A server of a test lives for a minute: compiling the embedded engine a second time, and well, costs more than that brings. */
    private readonly options: readonly string[] = ['--liftoff-only'],
  ) {}

  get pid(): number {
    return this.process!.pid!
  }

  /** Most memory the process has held so far, in MB; null where the system does not say. */
  get peak(): number | null {
    try {
      const [, kB] = /VmHWM:\s+(\d+) kB/.exec(readFileSync(`/proc/${this.process!.pid}/status`, 'utf8')) ?? []
      return kB ? Number(kB) / 1_000 : null
    } catch {
      return null
    }
  }

  get address() {
    return `http://127.0.0.1:${this.port}`
  }

  async start(): Promise<void> {
    const child = spawn(process.execPath, [...this.options, join(root, `scripts/${this.script}.mjs`)], {
      env: { ...process.env, PORT: String(this.port), HOST: '127.0.0.1', FINITUM_DATA: this.folder, FINITUM_AS_BUILT: 'yes', ...this.env },
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    this.process = child
    await new Promise<void>((resolve, reject) => {
      const hear = (text: Buffer) => {
        this.output += String(text)
        if (this.output.includes('Finitum is ready')) resolve()
      }
      child.stdout!.on('data', hear)
      child.stderr!.on('data', hear)
      child.once('exit', code => reject(new Error(`The server stopped with ${code}: ${this.output}`)))
    })
  }

  async stop(signal: 'SIGTERM' | 'SIGINT' | 'SIGKILL' = 'SIGTERM'): Promise<number | null> {
    const child = this.process
    this.process = null
    this.output = ''
    if (!child || child.exitCode !== null) return child?.exitCode ?? null
    const gone = new Promise<number | null>(resolve => child.once('exit', code => resolve(code)))
    child.kill(signal)
    return gone
  }
}

/** Starts a command that is expected to refuse; gives its exit code and what it said. */
export async function runScript(
  script: string,
  env: Record<string, string>,
  args: string[] = [],
): Promise<{ code: number | null; said: string }> {
  const child = spawn(process.execPath, [join(root, script), ...args], {
    env: { ...process.env, FINITUM_AS_BUILT: 'yes', ...env },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  child.stdout.on('data', text => {
    said += text
  })
  child.stderr.on('data', text => {
    said += text
  })
  const code = await new Promise<number | null>(resolve => child.once('exit', resolve))
  return { code, said }
}

export async function openWorkshop(
  script: 'demo' | 'start',
  env: Readonly<Record<string, string>> = {},
  folder = mkdtempSync(join(tmpdir(), 'finitum-test-')),
  options?: readonly string[],
): Promise<Workshop> {
  const loaded = process.env[DEMO_LOADED]
  if (script === 'demo' && loaded && !env[DEMO_LOADED] && !existsSync(join(folder, 'database'))) cpSync(loaded, folder, { recursive: true })
  const workshop = new Workshop(folder, await freePort(), script, env, options)
  await workshop.start()
  return workshop
}

let fileShop: Workshop | null = null

const noScanner = () => localStorage.getItem('finitum.scan') ?? localStorage.setItem('finitum.scan', '0')
/** A page of another machine, which has no scanner either. */
export async function otherMachine(browser: Browser): Promise<Page> {
  const context = await browser.newContext()
  await context.addInitScript(noScanner)
  return context.newPage()
}

/**
 * `shop` is the demo workshop of the test file; `demoForThisFile()` starts it. `scanner: true`: signs that come as fast as a test types them
 * are a scan, as they are for a user; elsewhere keys are a hand’s.
 */
export const test = base.extend<{ shop: Workshop; scanner: boolean }>({
  scanner: [false, { option: true }],
  context: async ({ context, scanner }, use) => {
    if (!scanner) await context.addInitScript(noScanner)
    await use(context)
  },
  // oxlint-disable-next-line no-empty-pattern
  shop: async ({}, use) => {
    if (!fileShop) throw new Error('Call demoForThisFile() at the top of the file')
    await use(fileShop)
  },
})

/** A fresh demo for the tests of one file, or one group of them, so that they do not disturb each other. */
export const demoForThisFile = (): void => shopForThisFile('demo')
/** The same without any data. */
export const emptyForThisFile = (): void => shopForThisFile('start')

function shopForThisFile(script: 'demo' | 'start'): void {
  test.beforeAll(async () => {
    fileShop = await openWorkshop(script)
  })
  test.afterAll(async () => {
    await fileShop?.stop()
    if (fileShop) rmSync(fileShop.folder, { recursive: true, force: true })
    fileShop = null
  })
}
export { expect }

/** Types one repeat at the bench the way a technician does: the figure, Enter, back to zero, Enter. */
export async function typeReading(page: Page, far: string, back = ''): Promise<void> {
  await page.getByLabel('Far reading').focus()
  await page.keyboard.type(far)
  await page.keyboard.press('Enter')
  if (back) await page.keyboard.type(back)
  await page.keyboard.press('Enter')
}

interface Stop {
  readonly name: string
  readonly text: string
  readonly id: string
}

/** Where Tab stops on the page as it is, in its order, and at which of them it stands; −1: before the first. */
const stopsOf = () => {
  const can = 'a[href], button, input, select, textarea, summary, [tabindex]'
  const elements = [...document.querySelectorAll<HTMLElement>(can)].filter(
    element =>
      element.tabIndex >= 0 &&
      !(element as HTMLButtonElement).disabled &&
      !element.closest('[inert]') &&
      element.checkVisibility({ visibilityProperty: true }) &&
      // Of radio buttons that belong together one can be reached.
      (!(element instanceof HTMLInputElement && element.type === 'radio') ||
        element.checked ||
        (element === document.querySelector(`input[type=radio][name=${JSON.stringify(element.name)}]`) &&
          !document.querySelector(`input[type=radio][name=${JSON.stringify(element.name)}]:checked`))),
  )
  return {
    at: elements.indexOf(document.activeElement as HTMLElement),
    stops: elements.map(({ ariaLabel, textContent, id }): Stop => ({ name: ariaLabel ?? '', text: textContent.trim(), id })),
  }
}

/** Reaches an element by Tab alone, the shorter way round; what is not there yet is waited for. */
export async function tabTo(page: Page, isThere: (active: Stop) => boolean): Promise<void> {
  const until = Date.now() + 15_000
  while (Date.now() < until) {
    const { at, stops } = await page.evaluate(stopsOf)
    if (at >= 0 && isThere(stops[at]!)) return
    const ways = stops.flatMap((stop, i) => (isThere(stop) ? [i - at] : []))
    if (ways.length === 0) {
      await page.waitForTimeout(50)
      continue
    }
    const steps = ways.reduce((a, b) => (Math.abs(b) < Math.abs(a) ? b : a))
    for (let i = 0; i < Math.abs(steps); i++) await page.keyboard.press(steps > 0 ? 'Tab' : 'Shift+Tab')
  }
  throw new Error('Tab does not lead there')
}

/** Figures one after the other, each with Enter. */
export async function type(page: Page, ...figures: string[]): Promise<void> {
  for (const figure of figures) {
    await page.keyboard.type(figure)
    await page.keyboard.press('Enter')
  }
}

/** The last reading, or that of the cell in hand, struck out. The question is waited for: keys before it are held, as those of a scan are. */
export async function strikeOut(page: Page, why: string): Promise<void> {
  await page.keyboard.press('v')
  await expect(page.getByLabel(/^Why\?/)).toBeFocused()
  await type(page, why)
  await expect(page.getByRole('dialog')).toHaveCount(0)
}

/** A cell of the sheet, whether it is in hand or not. */
export const cell = (page: Page, name: string | RegExp): Locator =>
  page.getByTestId('points').getByRole('button', { name }).or(page.getByTestId('points').getByRole('group', { name })).first()
/** To a cell of the sheet, by keyboard: the field is there then. */
export async function toCell(page: Page, name: string | RegExp): Promise<void> {
  const field = page.getByTestId('points').getByRole('group', { name }).getByRole('textbox').first()
  await expect(async () => {
    if ((await field.count()) > 0) await field.focus()
    else await page.getByTestId('points').getByRole('button', { name }).first().press('Enter', { timeout: 2_000 })
    await expect(field).toBeFocused({ timeout: 2_000 })
  }).toPass({ timeout: 30_000 })
}
/** The head of the series and what was read, without the row that is being written. */
export const seriesRows = (page: Page): Locator => page.getByTestId('series').locator('tr:not([data-writes])')

/** Not only the step that is due. */
export async function allSteps(page: Page): Promise<void> {
  const button = page.getByTestId('step-due').getByRole('button', { name: 'all steps' })
  if ((await button.count()) > 0) await button.press('Enter')
}

/** Ticks steps with the keyboard. */
export async function tick(page: Page, ...steps: string[]): Promise<void> {
  await allSteps(page)
  for (const step of steps) {
    await page.getByRole('checkbox', { name: step }).focus()
    await page.keyboard.press('Space')
    await expect(page.getByRole('checkbox', { name: step })).toBeChecked()
  }
}

/** Signs the check under Prove, by Tab and Enter. */
export async function sign(page: Page, reason = ''): Promise<void> {
  await page.keyboard.press('Escape')
  if (reason) {
    await tabTo(page, active => active.id === 'sign-reason')
    await page.keyboard.type(reason)
  }
  await tabTo(page, active => active.id === 'sign-name')
  await page.keyboard.press('Control+a')
  await type(page, 'T. Marl')
  await expect(page.getByTestId('answer')).toContainText('Signed off by T. Marl')
}
