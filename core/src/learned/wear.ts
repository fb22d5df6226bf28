import { middle } from '../geometry/quantile.ts'
import type { ToolChange } from '../model/lesson.ts'
import { wearingTools, type WearingTool } from '../model/lesson.ts'

/** A length that was worked with a tool, mm, and when, ms. */
export interface Worn {
  tool: WearingTool
  length: number
  at: number
}

/** How far a blade or a needle has come. Lengths in mm. */
export interface ToolWear {
  tool: WearingTool
  /** When it was changed last, ms; null while nobody said. */
  changedAt: number | null
  /** Worked since then, or since the first record. */
  since: number
  /** What each of those before it came to, the latest last. */
  lives: number[]
  /** The middle of these; null while there is none. */
  usual: number | null
}

/**
 * Wear by tool: lengths summed between changes. What it comes to before it is changed is this workshop's own; nothing is
 * said about it before it was changed twice.
 */
export function toolWear(worn: readonly Worn[], changes: readonly ToolChange[]): ToolWear[] {
  return wearingTools.map((tool) => {
    const times = changes
      .filter((c) => c.tool === tool)
      .map((c) => Date.parse(c.at))
      .sort((a, b) => a - b)
    const between = (from: number, to: number) =>
      worn.filter((w) => w.tool === tool && w.at >= from && w.at < to).reduce((sum, w) => sum + w.length, 0)
    // Between two changes with nothing worked between them there was no life.
    const lives = times
      .slice(1)
      .map((to, i) => between(times[i]!, to))
      .filter((length) => length > 0)
    return {
      tool,
      changedAt: times.at(-1) ?? null,
      since: between(times.at(-1) ?? -Infinity, Infinity),
      lives,
      usual: lives.length > 0 ? middle(lives) : null,
    }
  })
}
