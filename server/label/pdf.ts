import { group } from 'd3-array'
import type { Content, TDocumentDefinitions } from 'pdfmake/interfaces'
import { fitText } from '#core/label/fit'
import { SHEETS, placeOn, type Sheet } from '#core/label/sheets'
import type { LabelView } from '#shared/record'
import { pdfOf, settable, type Faces } from '../report/pdf'
import { MARGIN, POINTS, boxFor, codeSide } from './layout'

/**
 * Labels on their sheets, each with its code.
 * @param skip  labels of the first sheet that are gone already
 * @throws Refused 422 where a name has letters that the faces have not
 */
export function labelsPdf(labels: readonly LabelView[], sheetId: string, skip: number, faces: Faces): Promise<Buffer> {
  const sheet = SHEETS.find(({ id }) => id === sheetId)!
  settable(labels.flatMap(({ title, lines }) => [title, ...lines]))
  const pages = group(
    labels.map((label, i) => ({ label, place: placeOn(sheet, skip + i) })),
    ({ place }) => place.page,
  )
  const [width, height] = sheet.paper
  const definition: TDocumentDefinitions = {
    pageSize: { width: width * POINTS, height: height * POINTS },
    pageMargins: 0,
    language: 'en',
    info: { title: 'Labels', creator: 'Finitum' },
    defaultStyle: { font: 'Report', lineHeight: 1 },
    content: [...pages.values()].map((on, i): Content => ({
      stack: on.flatMap(({ label, place }) => labelContent(label, sheet, place)),
      ...(i === 0 ? {} : { pageBreak: 'before' }),
    })),
  }
  return pdfOf(definition, faces)
}

function labelContent(label: LabelView, sheet: Sheet, { x, y }: { readonly x: number; readonly y: number }): Content[] {
  const side = codeSide(sheet)
  const { width, height } = boxFor(sheet)
  const { size, title, lines } = fitText(label, width, height)
  const left = (x + side + 2 * MARGIN) * POINTS
  const top = (y + MARGIN) * POINTS
  return [
    {
      qr: label.code,
      fit: (side - 3) * POINTS,
      mode: 'alphanumeric',
      eccLevel: 'M',
      absolutePosition: { x: (x + MARGIN) * POINTS, y: top },
    },
    { text: label.code, fontSize: 5.5, absolutePosition: { x: (x + MARGIN) * POINTS, y: top + (side - 2.4) * POINTS } },
    ...title.map((text, i): Content => ({
      text,
      bold: true,
      fontSize: size * 1.25,
      noWrap: true,
      absolutePosition: { x: left, y: top + i * size * 1.25 * 1.22 },
    })),
    ...lines.map((text, i): Content => ({
      text,
      fontSize: size,
      noWrap: true,
      absolutePosition: { x: left, y: top + (title.length * 1.25 + i) * size * 1.22 },
    })),
  ]
}
