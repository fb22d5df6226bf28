import { bodyMesh, type LastSurface, type TriangleMesh, type Vec3 } from '@gentle-awl/core'

/** A tape or section line with its colour; closed unless `open`. */
export interface Loop {
  points: readonly Vec3[]
  colour: string
  width: number
  open?: boolean
}

/** A place marked on the body, which may be dragged over it. */
export interface Marker {
  key: string
  at: Vec3
  colour: string
  size?: number
}

/** The body to show: triangles in the last's frame, one colour per vertex (three numbers 0 to 1) when they mean something. */
export interface Body extends TriangleMesh {
  colours?: Float32Array
}

export const bodyOfSurface = (surface: LastSurface): Body => bodyMesh(surface)
