/** A drawing on the page, by the name it is saved under. */
export interface Drawing {
  readonly name: string
  readonly svg: SVGSVGElement
}

/** What a drawing takes from the page’s style sheet, and would lose in a file of its own. */
const STYLES = [
  'fill',
  'fill-opacity',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linejoin',
  'opacity',
  'font-family',
  'font-size',
  'font-weight',
  'letter-spacing',
  'text-anchor',
] as const
const SVG = 'http://www.w3.org/2000/svg'

/** Every drawing that is on the page and to be seen: an svg with `data-drawing`. */
export function drawingsOn(page: ParentNode): Drawing[] {
  return [...page.querySelectorAll<SVGSVGElement>('svg[data-drawing]')]
    .filter(svg => svg.getBoundingClientRect().width > 0)
    .map(svg => ({ name: svg.dataset.drawing!, svg }))
}

/** The drawing as a file that stands by itself: its colours and type written into it, on the ground it is drawn on. */
function svgText(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const originals = [svg, ...svg.querySelectorAll('*')]
  for (const [i, element] of [copy, ...copy.querySelectorAll('*')].entries()) {
    const style = getComputedStyle(originals[i]!)
    for (const name of STYLES) element.setAttribute(name, style.getPropertyValue(name))
    for (const name of ['class', 'style', 'data-test', 'data-drawing']) element.removeAttribute(name)
  }
  const { width, height } = svg.getBoundingClientRect()
  copy.setAttribute('xmlns', SVG)
  copy.setAttribute('width', String(Math.round(width)))
  copy.setAttribute('height', String(Math.round(height)))
  const ground = document.createElementNS(SVG, 'rect')
  for (const [name, value] of Object.entries({ width: '100%', height: '100%', fill: groundOf(svg) })) ground.setAttribute(name, value)
  copy.prepend(ground)
  return new XMLSerializer().serializeToString(copy)
}

/** The colour behind an element: of a gradient, its first. */
function groundOf(element: Element | null): string {
  for (let at = element; at; at = at.parentElement) {
    const { backgroundColor, backgroundImage } = getComputedStyle(at)
    const first = /rgba?\([^)]*\)/.exec(backgroundImage)?.[0]
    if (first) return first
    if (!/^rgba\(.*, 0\)$|^transparent$/.test(backgroundColor)) return backgroundColor
  }
  return 'white'
}

/** Hands a drawing to the browser to save. */
export function saveDrawing({ name, svg }: Drawing): void {
  const url = URL.createObjectURL(new Blob([svgText(svg)], { type: 'image/svg+xml' }))
  const link = Object.assign(document.createElement('a'), { href: url, download: `${name.replaceAll(' ', '-')}.svg` })
  link.click()
  URL.revokeObjectURL(url)
}
