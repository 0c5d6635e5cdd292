export const KEPT: string
export const APART: readonly string[]
export function bundleDesk(outfile?: string): Promise<unknown>
