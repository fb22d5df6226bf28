import type { Level } from '@gentle-awl/core'

/** A place of a room in the list at its left. */
export interface SlateEntry {
  key: string
  name: string
  to: string
  level: Level
}
