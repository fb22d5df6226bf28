import type { Path, PhotoOutline } from '@gentle-awl/core'

/** Outlines that were brought in, mm, y up, the one that is meant first. */
export interface Brought {
  outlines: [Path, ...Path[]]
  /** Width of the pencil line whose middle they are; 0 of an edge; null where nothing is known of it (a drawing). */
  pencil: number | null
  /** Of each outline the holes in it. */
  holes: Path[][]
  name: string
  /** Where it came from, as it is told. */
  said: string
}

/** An outline of a picture, with what was corrected by hand. */
export interface PictureOutline extends PhotoOutline {
  corrected: boolean
}
