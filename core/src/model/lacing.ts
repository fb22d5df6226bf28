import { z } from 'zod'

/** Eyelets set from outside, set inside under a plain hole, or holes alone with a backing behind them. */
export const eyeletFittings = ['visible', 'hidden', 'none'] as const
export type EyeletFitting = (typeof eyeletFittings)[number]

/** How the lace runs: crossed, or in bars straight across. */
export const laceWays = ['crossed', 'straight'] as const
export type LaceWay = (typeof laceWays)[number]

/** What a person decided about the lacing; a slip-on has none, whatever stands here. */
export const LacingDecisions = z.object({
  fitting: z.enum(eyeletFittings).default('visible'),
  /** Null takes as many as the house's spacing gives. */
  pairs: z.number().int().min(2, 'Two pairs at least.').max(10, 'Ten pairs at most.').nullable().default(null),
  /** So many of the uppermost pairs are hooks; null is as the style has it: those on a shaft. */
  hooks: z.number().int().min(0).max(8, 'Eight pairs of hooks at most.').nullable().default(null),
  way: z.enum(laceWays).default('crossed'),
  /** Two holes in the tongue that the lace passes through, so that it cannot slip aside. */
  guard: z.boolean().default(false),
})
export type LacingDecisions = z.infer<typeof LacingDecisions>
