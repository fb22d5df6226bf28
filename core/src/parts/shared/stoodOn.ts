import type { Path, Point } from '../../geometry/path.ts'
import type { CupSole } from '../../model/cupSole.ts'
import { heightAt, type SideProfile } from '../sole/sideProfile.ts'

/** Thickness of a bought sole under seat and tread, mm. */
export interface SoleThickness {
  seat: number
  tread: number
}
/** Both thicknesses are known: then the shoe can be stood on it. */
export const measured = (sole: CupSole | null): SoleThickness | null =>
  sole && sole.seat !== null && sole.tread !== null ? { seat: sole.seat, tread: sole.tread } : null

/**
 * The shoe's bottom stood on the ground in or on a bought sole: its underside is one straight line from tread to heel (as it
 * stands on a table) and follows the shoe in front of the tread. Thickness is upright; mm.
 */
export function stoodOn(profile: SideProfile, sole: SoleThickness, layer: { id: string; name: string }): SideProfile {
  const upper = profile.underside
  const { seat: seatX, tread: treadX } = profile.places
  const down = heightAt(upper, treadX) - sole.tread
  // One that is too thick under the seat stands on its heel, and the tread is off the ground.
  const atSeat = heightAt(upper, seatX) - down - sole.seat
  const fall = atSeat / (treadX - seatX)
  const heelX = upper[0]![0]
  const up = Math.max(0, -fall * (treadX - heelX))
  const lift = (path: Path): Path => path.map(([x, z]): Point => [x, z - down + up])
  const raised = lift(upper)
  const lower = raised.map(([x, z]): Point => (x > treadX ? [x, z - sole.tread] : [x, fall * (treadX - x) + up]))
  const { seat, waist, tread, toe } = profile.places
  const thick = (x: number) => heightAt(raised, x) - heightAt(lower, x)
  const at = { seat: thick(seat), waist: thick(waist), tread: thick(tread), toe: thick(toe) }
  const whole = profile.thickness
  return {
    ...profile,
    last: lift(profile.last),
    layers: [
      ...profile.layers.map((l) => ({ ...l, upper: lift(l.upper), lower: lift(l.lower) })),
      { ...layer, upper: raised, lower, at },
    ],
    underside: lower,
    thickness: {
      seat: whole.seat + at.seat,
      waist: whole.waist + at.waist,
      tread: whole.tread + at.tread,
      toe: whole.toe + at.toe,
    },
    spring: lower[lower.length - 1]![1],
  }
}
