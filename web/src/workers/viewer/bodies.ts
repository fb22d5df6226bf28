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
import type { Body, Loop, Marker } from '../../viewer/body.ts'

const WOOD = '#d8b787'

/** A body as it is drawn: in wood, or in its own colours. */
export function meshOf({ positions, triangles, colours }: Body): Mesh<BufferGeometry> {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
  geometry.setIndex(new BufferAttribute(Uint32Array.from(triangles), 1))
  geometry.computeVertexNormals()
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

/** A line as it is drawn, once it is told how large the surface is; null where there is no line. */
export function lineOf({ points, colour, width, open }: Loop): Line2 | null {
  if (points.length < 2) return null
  const geometry = new LineGeometry()
  geometry.setPositions((open ? points : [...points, points[0]!]).flat())
  // It is laid out on the surface: which of its sides is in front says nothing, least of all on the mirrored foot.
  return new Line2(geometry, new LineMaterial({ color: colour, linewidth: width, side: DoubleSide }))
}

/** A marker as a ball, on a body of that size. */
export function ballOf({ key, at, colour, size = 1 }: Marker, bodySize: number): Mesh {
  const ball = new Mesh(new SphereGeometry(size * bodySize * 0.0125, 20, 14), new MeshBasicMaterial({ color: colour }))
  ball.position.set(...at)
  ball.name = key
  return ball
}
