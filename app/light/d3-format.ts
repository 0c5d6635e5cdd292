// Figures are written by the core: what the package would write is called by nobody, and its locales stay at home.
const unused = (): never => {
  throw new Error('Figures of an axis are written by the core.')
}
export {
  unused as format,
  unused as formatPrefix,
  unused as formatSpecifier,
  unused as precisionFixed,
  unused as precisionPrefix,
  unused as precisionRound,
}
