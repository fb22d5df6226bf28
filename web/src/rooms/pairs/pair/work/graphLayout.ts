import type { Step } from '@gentle-awl/core'

/** Where a step stands in the graph: `x` how many steps must come before it one after another, `y` its row, from the top. */
export interface Spot {
  id: string
  x: number
  y: number
}

/**
 * Steps as a graph in layers: each stands one to the right of the latest one that it waits for. In a layer they lie in the
 * order of the rows that they come from, those of the right foot above and those of the left below, so that lines cross little.
 */
export function graphSpots(steps: readonly Pick<Step, 'id' | 'after' | 'foot'>[]): Spot[] {
  const layer = new Map<string, number>()
  // They come in working order: what one waits for is there already.
  for (const s of steps) layer.set(s.id, Math.max(0, ...s.after.map((a) => (layer.get(a.id) ?? -1) + 1)))
  const layers = new Map<number, (typeof steps)[number][]>()
  for (const s of steps) layers.set(layer.get(s.id)!, [...(layers.get(layer.get(s.id)!) ?? []), s])
  const row = new Map<string, number>()
  const side = { right: -0.5, left: 0.5 } as const
  for (const [, members] of [...layers].sort(([a], [b]) => a - b)) {
    const wish = new Map(
      members.map((s) => {
        const from = s.after.flatMap((a) => row.get(a.id) ?? [])
        const mean = from.length === 0 ? 0 : from.reduce((sum, y) => sum + y, 0) / from.length
        return [s.id, mean + (s.foot === null ? 0 : side[s.foot])]
      }),
    )
    const sorted = [...members].sort((a, b) => wish.get(a.id)! - wish.get(b.id)!)
    const middle = sorted.reduce((sum, s) => sum + wish.get(s.id)!, 0) / sorted.length
    sorted.forEach((s, i) => row.set(s.id, middle + i - (sorted.length - 1) / 2))
  }
  return steps.map((s) => ({ id: s.id, x: layer.get(s.id)!, y: row.get(s.id)! }))
}
