import { bodyMesh, type LastSurface, type TriangleMesh, type Vec3 } from '@gentle-awl/core'
import {
  BufferAttribute,
  BufferGeometry,
  DoubleSide,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  SphereGeometry,
} from 'three'
import { Line2 } from 'three/addons/lines/Line2.js'
import { LineGeometry } from 'three/addons/lines/LineGeometry.js'
import { LineMaterial } from 'three/addons/lines/LineMaterial.js'

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

const WOOD = '#d8b787'

/** A body as it is drawn: in wood, or in its own colours. */
export function meshOf({ positions, triangles, colours }: Body): Mesh<BufferGeometry> {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1))
  geometry.computeVertexNormals()
  geometry.computeBoundingBox()
  if (colours) geometry.setAttribute('color', new BufferAttribute(colours, 3))
  return new Mesh(
    geometry,
    new MeshStandardMaterial({
      color: colours ? '#ffffff' : WOOD,
      vertexColors: colours !== undefined,
      roughness: 0.62,
      side: DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 2,
      polygonOffsetUnits: 8,
    }),
  )
}

/** A line as it is drawn on a picture of so many pixels; null where there is no line. */
export function lineOf({ points, colour, width, open }: Loop, w: number, h: number): Line2 | null {
  if (points.length < 2) return null
  const geometry = new LineGeometry()
  geometry.setPositions((open ? points : [...points, points[0]!]).flat())
  const material = new LineMaterial({ color: colour, linewidth: width })
  material.resolution.set(w, h)
  return new Line2(geometry, material)
}

/** A marker as a ball, on a body of that size. */
export function ballOf({ key, at, colour, size = 1 }: Marker, bodySize: number): Mesh {
  const ball = new Mesh(new SphereGeometry(size * bodySize * 0.0125, 20, 14), new MeshBasicMaterial({ color: colour }))
  ball.position.set(...at)
  ball.name = key
  return ball
}
