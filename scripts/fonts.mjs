// npm run fonts: the faces of the screen, from their packages into app/assets/fonts: only the widths and weights that are used, since a
// page waits for them. Run again where a package, a width or a weight is another.
import { copyFileSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { checkNode, ensureInstalled, root, say } from './prepare.mjs'

checkNode()
ensureInstalled()
const { default: subset } = await import('subset-font')

const TO = join(root, 'app/assets/fonts')
/** `width` in per cent; `weight` one, or from and to. Vietnamese comes at no other width. */
const FACES = [
  { family: 'Archivo', of: 'archivo', name: 'archivo', width: 100, weight: [400, 700] },
  { family: 'Archivo Wide', of: 'archivo', name: 'archivo-wide', width: 112, weight: 700 },
  { family: 'Martian Mono', of: 'martian-mono', name: 'martian-mono', width: 76, weight: [400, 700] },
]
const SCRIPTS = ['latin', 'latin-ext']

/** Code points of `U+0000-00FF,U+0131`, as a text. */
const signsOf = range =>
  range
    .split(',')
    .map(part =>
      part
        .trim()
        .slice(2)
        .split('-')
        .map(hex => parseInt(hex, 16)),
    )
    .flatMap(([from, to = from]) => Array.from({ length: to - from + 1 }, (_, i) => from + i))
    .filter(code => code < 0xd800 || code > 0xdfff)
    .map(code => String.fromCodePoint(code))
    .join('')

rmSync(TO, { recursive: true, force: true })
mkdirSync(TO, { recursive: true })
const rules = ['/* Made by `npm run fonts`. */']
for (const { family, of, name, width, weight } of FACES) {
  const folder = join(root, 'node_modules/@fontsource-variable', of)
  const ranges = JSON.parse(readFileSync(join(folder, 'unicode.json'), 'utf8'))
  copyFileSync(join(folder, 'LICENSE'), join(TO, `${of}.LICENSE`))
  for (const script of SCRIPTS) {
    const file = `${name}-${script}.woff2`
    const whole = readFileSync(join(folder, `files/${of}-${script}-wdth-normal.woff2`))
    const font = await subset(whole, signsOf(ranges[script]), {
      targetFormat: 'woff2',
      variationAxes: { wdth: width, wght: Array.isArray(weight) ? { min: weight[0], max: weight[1] } : weight },
    })
    writeFileSync(join(TO, file), font)
    say(`${file}: ${Math.round(whole.length / 1e3)} kB → ${Math.round(font.length / 1e3)} kB`)
    rules.push(`@font-face {
  font-family: "${family}";
  font-display: swap;
  font-weight: ${[weight].flat().join(' ')};
  src: url("./${file}") format("woff2");
  unicode-range: ${ranges[script]};
}`)
  }
}
writeFileSync(join(TO, 'fonts.css'), `${rules.join('\n')}\n`)
