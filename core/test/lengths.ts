import { dist3, type Vec3 } from '../src/geometry/vec3.ts'

/** Length of a line in space, mm. */
export const length3 = (line: readonly Vec3[]): number =>
  line.slice(1).reduce((sum, p, i) => sum + dist3(p, line[i]!), 0)
