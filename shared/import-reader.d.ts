/** The bundled text of `server/import/reader.ts`. */
declare module 'virtual:import-reader' {
  const source: string
  export default source
}
