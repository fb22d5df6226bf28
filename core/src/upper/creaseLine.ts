import type { FormeMap } from '../forme/formeMap.ts'
import { nearest } from '../geometry/polyline.ts'
import type { Path } from '../geometry/path.ts'
import type { Side } from '../trade/side.ts'
import { STATIONS } from '../last/frame.ts'

/** The crease line on the forme: from the ridge over the joint to each side's joint at the feather. */
export function creaseLine(map: FormeMap, side: Side): Path {
  const foot = nearest(map.feathers[side], map.featherAt(map.surface.joints[side])).point
  return [map.ridgeAt(STATIONS.ridgeJoint * map.surface.length), foot]
}
