/** Text as a file of the one who asks. */
export const saveText = (text: string, name: string, type: string): void =>
  saveBlob(new Blob([text], { type: `${type};charset=utf-8` }), name.replaceAll(/[\s,]+/g, '-').toLowerCase())

/** A file for the one who asks. */
function saveBlob(blob: Blob, name: string): void {
  const url = URL.createObjectURL(blob)
  Object.assign(document.createElement('a'), { href: url, download: name }).click()
  URL.revokeObjectURL(url)
}
