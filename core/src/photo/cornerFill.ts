import { lerpPoint, type Point } from '../geometry/path.ts'
import type { CornerProof } from './corners.ts'
import { colourAt, type Picture } from './picture.ts'
import type { PlaneView } from './planeView.ts'

/** What lies so far on either side of a corner is of the one colour and of the other, mm. */
const ASIDE = 2
/** Colours less apart than this (light, of 255) tell nothing. */
const LEAST = 8
/** A corner nearer to the edge than this is the edge's own softness, mm. */
const NEAREST = 0.5
/** Shares of the way to a corner that are looked at, and what share of the colour they have to have there. */
const PLACES = [0.2, 0.4, 0.6, 0.8] as const
const FULL = 0.55

/**
 * A corner of a thing is one where its colour (or the ground's, in a corner that goes in) fills it: it goes on from where the
 * edge was read towards the corner. Past an even bend there is the other colour.
 */
export function cornerFill(picture: Picture, view: PlaneView): CornerProof {
  const colour = (p: Point) => {
    const out = new Float64Array(3)
    colourAt(picture, ...view.toPicture(...p), out)
    return out
  }
  return ({ near, point, away }) => {
    if (away < NEAREST) return false
    const beyond = (far: number): Point => lerpPoint(near, point, far / away)
    const [here, there] = [colour(beyond(-ASIDE)), colour(beyond(away + ASIDE))]
    const way = here.map((v, c) => v - there[c]!)
    const size = way.reduce((s, v) => s + v * v, 0)
    if (size < LEAST * LEAST) return false
    return PLACES.every((share) => {
      const seen = colour(lerpPoint(near, point, share))
      return way.reduce((s, v, c) => s + v * (seen[c]! - there[c]!), 0) >= FULL * size
    })
  }
}
