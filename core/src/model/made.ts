import { z } from 'zod'
import { line } from './text.ts'

/** What can be done to a part that makes its outline count: after that a change means making it again. */
export const makings = ['printed', 'cut', 'punched'] as const
export type Making = (typeof makings)[number]

/** A part or piece as it was printed, cut or punched; `print` is the fingerprint of its outline then. Times are UTC. */
export const Made = z.object({
  part: line(80).min(1),
  name: line(80),
  how: z.enum(makings),
  print: line(40),
  revision: z.number().int().min(1).max(1_000_000),
  at: z.iso.datetime(),
})
export type Made = z.infer<typeof Made>
