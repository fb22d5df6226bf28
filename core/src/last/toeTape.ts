import { peak } from '../geometry/parabola.ts'
import { dist3 } from '../geometry/vec3.ts'
import { ridgeAndToe, type LastSurface } from './surface.ts'

/** A tape held at the foremost point of the toe and laid back over the toe box along the centre line; all in mm. */
export interface ToeTape {
  /** What it reads over the place of the ridge that lies `x` from the heel back. */
  readingAt: (x: number) => number
  /** Where along the last it reads so much, x from the heel back. */
  placeOf: (reading: number) => number
}

/**
 * The tape over the toe: the length of the ridge itself from the foremost point backwards. That point is where x is
 * greatest, found between the surface's own points by the parabola through three of them.
 */
export function toeTape(surface: LastSurface): ToeTape {
  const line = ridgeAndToe(surface)
  const run = [0]
  for (let i = 1; i < line.length; i++) run.push(run[i - 1]! + dist3(line[i - 1]!, line[i]!))
  let tip = 0
  for (let i = 1; i < line.length; i++) if (line[i]![0] > line[tip]![0]) tip = i
  const foremost =
    tip > 0 && tip + 1 < line.length
      ? peak([run[tip - 1]!, run[tip]!, run[tip + 1]!], [line[tip - 1]![0], line[tip]![0], line[tip + 1]![0]])
      : run[tip]
  // From the tip backwards x falls: knots of reading against place.
  const reading = [0]
  const place = [line[tip]![0]]
  for (let i = tip; i >= 0; i--) {
    if (line[i]![0] >= place[place.length - 1]!) continue
    reading.push(foremost! - run[i]!)
    place.push(line[i]![0])
  }
  const look = (from: readonly number[], to: readonly number[], at: number, sign: number): number => {
    let k = 1
    while (k < from.length - 1 && sign * from[k]! < sign * at) k++
    return to[k - 1]! + ((to[k]! - to[k - 1]!) * (at - from[k - 1]!)) / (from[k]! - from[k - 1]!)
  }
  return {
    readingAt: (x) => look(place, reading, x, -1),
    placeOf: (r) => look(reading, place, r, 1),
  }
}
