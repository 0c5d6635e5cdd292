import { ensureBuilt } from '../../scripts/prepare.mjs'

// Once, before the servers start side by side.
export default function build(): void {
  ensureBuilt()
}
