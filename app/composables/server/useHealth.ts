import type { Health } from '#shared/record'
import { api } from './useApi'

/** How the program stands, as it was last heard; a server that is away changes nothing of it. */
export function useHealth() {
  const health = useState<Health | null>('health', () => null)
  async function look(): Promise<void> {
    health.value = (await api<Health>('/api/health').catch(() => null)) ?? health.value
  }
  return { health, look }
}
