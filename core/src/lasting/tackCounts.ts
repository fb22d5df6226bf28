import type { Lasting } from './lasting.ts'
import type { LastedId } from './strip.ts'

/** Tacks of both shoes in the back part and in the forepart. */
export interface TackCounts {
  back: number
  front: number
}

/** Tacks of one thing over both shoes; of what is not turned under, none. */
export function tackCounts(shoes: readonly Lasting[], id: LastedId): TackCounts {
  const counts = { back: 0, front: 0 }
  for (const { zone, tacks } of shoes.flatMap((s) => s.strips.filter((x) => x.id === id).flatMap((x) => x.zones))) {
    counts[zone === 'seat' || zone === 'waist' ? 'back' : 'front'] += tacks
  }
  return counts
}
