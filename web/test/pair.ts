import type { Last, Material, PairLabel } from '@gentle-awl/core'
import { samplePair } from '../../core/test/samplePair.ts'
import type { Stored } from '../src/api/ask.ts'
import type { PairView } from '../src/api/client.ts'

/** The core's sample pair, as the server sends it. */
export const sample = samplePair()
const stored = { version: 1, updatedAt: '2026-01-05T08:00:00.000Z' }

export const { decisions } = sample
export const last: Stored<Last> = { ...sample.last, ...stored }
export const materials: Stored<Material>[] = sample.materials.map((m) => ({ ...m, ...stored }))
export const label: PairLabel = { order: '7', name: 'Sample pair', trade: 'cook', note: '', due: null, weight: 1 }

export const view = (version = 1, change: Partial<PairView> = {}): PairView => ({
  id: '01900000-0000-7000-8000-000000001000',
  version,
  updatedAt: stored.updatedAt,
  label,
  decisions,
  revision: version,
  canUndo: version > 1,
  canRedo: false,
  ...change,
})
