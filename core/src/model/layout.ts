import { z } from 'zod'
import { named } from './text.ts'

/** Which way pieces are laid: their tight direction along that of what they lie on, nearly so, or as they fit. */
export const layTurns = ['along', 'near', 'free'] as const
export type LayTurn = (typeof layTurns)[number]

/** A hide of the stores, or a straight sheet or end of a roll, mm, its tight direction along its length. */
export const LaidOn = z.union([
  z.object({ hide: z.uuid() }),
  z.object({ length: z.number().min(50).max(20_000), width: z.number().min(50).max(3000) }),
])
export type LaidOn = z.infer<typeof LaidOn>

const far = z.number().min(-100_000).max(100_000)

/** Where one piece lies: its outline turned about its own origin (degrees counter-clockwise), then moved (mm). */
export const LaidPlace = z.object({
  /** Which of the pairs it is for, the name under which its making is recorded, and for which foot. */
  pair: z.uuid(),
  record: z.string().min(1).max(80),
  foot: z.enum(['right', 'left']),
  copy: z.number().int().min(0).max(999),
  /** Which of the grounds it lies on, from 0. */
  on: z.number().int().min(0).max(11),
  x: far,
  y: far,
  rotation: z.number().min(-3600).max(3600),
  /** It was put there by hand: what is laid round it leaves it there. */
  pinned: z.boolean().default(false),
})
export type LaidPlace = z.infer<typeof LaidPlace>

/** How one stuff of a pair is laid out, with that of other pairs where they are cut together. */
export const PairLayout = z
  .object({
    material: named(200, 'Say what is laid out.'),
    grounds: z.array(LaidOn).min(1, 'Say what it is laid on.').max(12, 'At most 12 hides are laid on at a time.'),
    /** Between two pieces, for the knife, mm. */
    gap: z.number().min(0).max(20),
    turn: z.enum(layTurns),
    /** Scars and stains may lie where they are not seen: in lasting margins, laps and turned edges. */
    hidesFlaws: z.boolean().default(false),
    also: z.array(z.uuid()).max(11, 'At most 12 pairs are laid out together.').default([]),
    places: z.array(LaidPlace).max(4000, 'At most 4000 pieces are laid out together.'),
  })
  .refine(({ grounds, places }) => places.every((p) => p.on < grounds.length), {
    path: ['places'],
    message: 'A piece lies on a hide that is not one of this layout.',
  })
export type PairLayout = z.infer<typeof PairLayout>

/** How a layout stands that is looked for on the server, whoever watches. */
export interface LayoutSearch {
  material: string
  state: 'waits' | 'runs' | 'done' | 'stopped' | 'ended'
  seconds: number
  /** The share of the time that is gone. */
  progress: number
  /** How many pieces have no place yet; null while nothing was found. */
  left: number | null
  /** The version of the layout that it was asked for, and the one that it wrote last. */
  from: number
  version: number
  /** Why it ended before its time; empty otherwise. */
  why: string
}
