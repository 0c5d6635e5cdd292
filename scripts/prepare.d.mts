export function checkNode(version?: string): void
export function ensureBuilt(): void
export function ensureInstalled(options?: { toRun?: boolean }): void
