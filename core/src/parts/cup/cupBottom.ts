import { cupFit, type CupFit } from './cupFit.ts'
import type { CupSole } from '../../model/cupSole.ts'
import type { Finding } from '../../trade/because.ts'
import type { Remedy } from '../../trade/remedy.ts'
import { GeometryError, type Path, type Point } from '../../geometry/path.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { bottomRules } from '../sole/bottomRules.ts'
import { heightAt, type SideProfile } from '../sole/sideProfile.ts'
import { mm, say, type Sentence } from '../../units/sentence.ts'

/** The chosen cup laid round the lasted shoe; a sentence where there is none to lay, or it cannot be laid. */
export function cupOf(lasted: Path, sole: CupSole | null, book: RuleBook): { fit: CupFit | null; finding: Finding } {
  if (!sole) {
    return noFit(
      'No cup sole is chosen: what the shoe is cemented into decides whether it fits.',
      'Choose one with the construction; new ones are brought in with a last, under Cup sole.',
    )
  }
  try {
    const fit = cupFit(lasted, sole, book)
    return { fit, finding: { ...fit.finding, id: 'bottom.cup' } }
  } catch (error) {
    // A cup of another size is a wrong choice, not a pair that cannot be planned.
    if (!(error instanceof GeometryError)) throw error
    return noFit(error.message, 'Choose another cup sole.')
  }
}

const otherCup: Remedy = { kind: 'open', control: { room: 'decisions', at: 'cup sole' } }

const noFit = (sentence: Sentence, mend: Sentence) => ({
  fit: null,
  finding: {
    id: 'bottom.cup',
    level: 'stop' as const,
    where: 'cup sole',
    sentence,
    measured: 0,
    limit: 1,
    unit: 'count' as const,
    mend,
    remedy: otherCup,
  },
})

/** Both thicknesses are known: then the shoe can be stood in its cup. */
export interface MeasuredCup {
  seat: number
  tread: number
}
export const measured = (sole: CupSole | null): MeasuredCup | null =>
  sole && sole.seat !== null && sole.tread !== null ? { seat: sole.seat, tread: sole.tread } : null

/**
 * The shoe's bottom stood in its cup on the ground: the cup's underside is one straight line from tread to heel (as it
 * stands on a table) and follows the shoe in front of the tread. Thickness is upright; mm.
 */
export function inCup(profile: SideProfile, cup: MeasuredCup): SideProfile {
  const upper = profile.underside
  const { seat: seatX, tread: treadX } = profile.places
  const down = heightAt(upper, treadX) - cup.tread
  // A cup that is too thick under the seat stands on its heel, and the tread is off the ground.
  const atSeat = heightAt(upper, seatX) - down - cup.seat
  const fall = atSeat / (treadX - seatX)
  const heelX = upper[0]![0]
  const up = Math.max(0, -fall * (treadX - heelX))
  const lift = (path: Path): Path => path.map(([x, z]): Point => [x, z - down + up])
  const raised = lift(upper)
  const lower = raised.map(([x, z]): Point => (x > treadX ? [x, z - cup.tread] : [x, fall * (treadX - x) + up]))
  const { seat, waist, tread, toe } = profile.places
  const thick = (x: number) => heightAt(raised, x) - heightAt(lower, x)
  const at = { seat: thick(seat), waist: thick(waist), tread: thick(tread), toe: thick(toe) }
  const whole = profile.thickness
  return {
    ...profile,
    last: lift(profile.last),
    layers: [
      ...profile.layers.map((l) => ({ ...l, upper: lift(l.upper), lower: lift(l.lower) })),
      { id: 'cup', name: 'Bottom of the cup', upper: raised, lower, at },
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

/** Does the cup's heel stand on the ground when the tread does? */
export function cupStands(profile: SideProfile, book: RuleBook): Finding {
  const { seat, tread } = profile.places
  const off = heightAt(profile.underside, seat) - heightAt(profile.underside, tread)
  const limit = book.value(bottomRules.heelOff)
  const fine = Math.abs(off) <= limit
  return {
    id: 'bottom.heel',
    level: fine ? 'fine' : Math.abs(off) <= 3 * limit ? 'watch' : 'stop',
    where: 'heel on the ground',
    sentence: fine
      ? 'Heel and tread of the cup stand on the ground together.'
      : off > 0
        ? say`The heel of the cup is off the ground by ${mm(off, 1)} when the tread stands: this last wants more under the seat.`
        : say`The cup is ${mm(-off, 1)} too thick under the seat for this last: the tread is lifted.`,
    measured: off,
    limit,
    unit: 'mm',
    mend: fine
      ? ''
      : off > 0
        ? 'Lay a wedge into the cup, or take a cup with more heel.'
        : 'Take a cup with less heel, or a higher last.',
    remedy: fine ? undefined : otherCup,
  }
}
