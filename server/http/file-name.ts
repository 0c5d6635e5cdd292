/** A name as a file can bear anywhere: `Island bus` is `island-bus`. */
export const fileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, '-')
    .replace(/^-|-$/g, '') || 'job'
