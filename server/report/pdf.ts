import type { Content, TableCell, TDocumentDefinitions } from 'pdfmake/interfaces'
import pdfmake from 'pdfmake'
import type { Block, Report, ReportPhoto } from '#core/report/report'
import type { Progress } from '#shared/types'
import { refuse } from '../http/refuse'

// Not in its types: where faces are put that do not lie on the disk.
declare module 'pdfmake' {
  export const virtualfs: { writeFileSync(name: string, bytes: Buffer): void }
}

type Said = (progress: Progress) => void
export type Paper = 'A4' | 'LETTER'

/** The faces a report is set in, as they lie on the disk. */
export interface Faces {
  readonly regular: Buffer
  readonly bold: Buffer
}

const INK = '#1b2420'
const MUTE = '#5c665f'
const RULE = '#c9cfc8'
const CAUTION = '#8a4a00'

/** Letters the embedded faces have; of other scripts they have none. */
const SET = /[^\p{Script=Latin}\p{Script=Greek}\p{Script=Cyrillic}\p{Script=Common}\p{Script=Inherited}]|\p{Extended_Pictographic}/u

/** Everything that is printed of a report. */
const words = ({ title, subtitle, blocks }: Report): string[] => [title, subtitle, ...blocks.flatMap(wordsOf)]
function wordsOf(block: Block): string[] {
  switch (block.kind) {
    case 'facts':
      return block.facts.flat()
    case 'table':
      return [block.title, ...block.head, ...block.rows.flat()]
    case 'drawing':
      return [block.drawing.label]
    case 'photos':
      return block.photos.map(({ caption }) => caption)
    default:
      return [block.text]
  }
}

/** The file of a photograph, by its id. */
export type Files = ReadonlyMap<string, Buffer>

/**
 * A report on paper: faces embedded, text that can be selected and searched.
 * @throws Refused 422 where it holds letters that the faces have not
 */
export function reportPdf(report: Report, paper: Paper, faces: Faces, files: Files = new Map(), said?: Said): Promise<Buffer> {
  settable(words(report))
  return pdfOf(definition(report, paper, files), faces, said)
}

/** @throws Refused 422 where some of the text has letters that the faces have not */
export function settable(texts: readonly string[]): void {
  const foreign = texts.find(text => SET.test(text))
  if (foreign !== undefined)
    throw refuse(
      422,
      `“${foreign.slice(0, 60)}” has letters that the PDF cannot set (it has Latin, Greek and Cyrillic): print the report from its page.`,
    )
}

/** A document on paper, in the faces given. Nothing but them is ever read, and nothing is fetched. */
export function pdfOf(document: TDocumentDefinitions, faces: Faces, said?: Said): Promise<Buffer> {
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy(() => false)
  pdfmake.virtualfs.writeFileSync('regular.ttf', faces.regular)
  pdfmake.virtualfs.writeFileSync('bold.ttf', faces.bold)
  pdfmake.setFonts({ Report: { normal: 'regular.ttf', bold: 'bold.ttf', italics: 'regular.ttf', bolditalics: 'bold.ttf' } })
  const progressCallback = (share: number) => said?.({ done: Math.round(100 * share), of: 100, what: '% of the pages' })
  return pdfmake.createPdf(document, { progressCallback } as object).getBuffer()
}

const definition = (report: Report, paper: Paper, files: Files): TDocumentDefinitions => ({
  pageSize: paper,
  pageMargins: [44, 48, 44, 52],
  language: 'en',
  info: { title: `${report.title}: ${report.subtitle}`, creator: 'Finitum' },

  defaultStyle: { font: 'Report', fontSize: 8.6, lineHeight: 1.22, color: INK },
  footer: (page, pages) => ({
    margin: [44, 14, 44, 0],
    fontSize: 7.4,
    color: MUTE,
    columns: [{ text: report.foot }, { text: `${page} / ${pages}`, alignment: 'right', width: 50 }],
  }),
  content: [
    { text: report.title, fontSize: 19, bold: true, lineHeight: 1.05 },
    { text: report.subtitle, fontSize: 12, color: MUTE, margin: [0, 2, 0, 10] },
    ...keptTogether(report.blocks, files),
  ],
})

/** A heading stays with what it is the heading of. */
function keptTogether(blocks: readonly Block[], files: Files): Content[] {
  const all: Content[] = []
  let heads: Content[] = []
  for (const block of blocks) {
    const content = contentOf(block, files)
    if (block.kind === 'heading') heads.push(content)
    else {
      all.push(heads.length > 0 && block.kind !== 'table' ? { unbreakable: true, stack: [...heads, content] } : [...heads, content])
      heads = []
    }
  }
  return [...all, ...heads]
}

function contentOf(block: Block, files: Files): Content {
  switch (block.kind) {
    case 'heading':
      return block.level === 1
        ? { text: block.text, fontSize: 13, bold: true, margin: [0, 12, 0, 4] }
        : { text: block.text, bold: true, margin: [0, 8, 0, 2] }
    case 'text':
      return {
        text: block.text,
        margin: [0, 4, 0, 2],
        ...(block.tone === 'caution' ? { color: CAUTION } : block.tone === 'small' ? { color: MUTE, fontSize: 7.6 } : {}),
      }
    case 'facts':
      return {
        margin: [0, 2, 0, 4],
        layout: 'noBorders',
        table: {
          widths: [86, '*'],
          body: block.facts.map(([label, value]): TableCell[] => [{ text: label, color: MUTE }, { text: value }]),
        },
      }
    case 'drawing':
      return { svg: block.drawing.svg, width: block.drawing.width, margin: [0, 4, 0, 2], ...FACE_IN_USE }
    case 'photos':
      return {
        margin: [0, 8, 0, 0],
        layout: 'noBorders',
        table: {
          widths: Array.from({ length: PHOTOS_A_ROW }, () => '*'),
          dontBreakRows: true,
          body: rowsOf(block.photos, PHOTOS_A_ROW).map(row =>
            Array.from({ length: PHOTOS_A_ROW }, (_, i): TableCell => (row[i] ? photoCell(row[i], files) : '')),
          ),
        },
      }
    case 'table':
      return { unbreakable: block.rows.length < 8, margin: [0, 8, 0, 0], stack: [tableOf(block)] }
  }
}

/**
 * The library looks for the face of a drawing on the disk, where it is not, and then sets it in the face in use, which is the same:
 * that it did is nothing to say for every word.
 */
const FACE_IN_USE = { options: { warningCallback: () => undefined } }

const PHOTOS_A_ROW = 3
/** Points: three beside each other on either paper. */
const PHOTO_BOX: [number, number] = [160, 130]
const photoCell = ({ id, caption }: ReportPhoto, files: Files): TableCell => ({
  stack: [
    { image: `data:image/jpeg;base64,${files.get(id)!.toString('base64')}`, fit: PHOTO_BOX },
    { text: caption, color: MUTE, fontSize: 7.6, margin: [0, 2, 0, 4] },
  ],
})
const rowsOf = <Item>(items: readonly Item[], most: number): Item[][] =>
  Array.from({ length: Math.ceil(items.length / most) }, (_, i) => items.slice(i * most, (i + 1) * most))

/** Its title is its first line, so that it never stands alone at the foot of a page, and goes with it to the next. */
const tableOf = ({ title, head, rows, figures }: Extract<Block, { kind: 'table' }>): Content => ({
  layout: {
    hLineWidth: line => (line < 2 ? 0 : 0.5),
    vLineWidth: () => 0,
    hLineColor: () => RULE,
    paddingLeft: column => (column === 0 ? 0 : 5),
    paddingRight: () => 5,
  },
  table: {
    headerRows: 2,
    keepWithHeaderRows: 1,
    dontBreakRows: true,
    widths: head.map((_, column) => (column === head.length - 1 ? '*' : 'auto')),
    body: [
      [{ text: title, bold: true, colSpan: head.length }, ...head.slice(1).map((): TableCell => '')],
      head.map((name, column): TableCell => ({
        text: name,
        color: MUTE,
        ...(figures.includes(column) ? { alignment: 'right', noWrap: true } : {}),
      })),
      ...rows.map(row =>
        row.map((cell, column): TableCell =>
          figures.includes(column) ? { text: cell, alignment: 'right', noWrap: true } : { text: cell },
        ),
      ),
    ],
  },
})
