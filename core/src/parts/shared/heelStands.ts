import type { SoleForm } from '../../model/cupSole.ts'
import type { Finding } from '../../trade/because.ts'
import type { RuleBook } from '../../trade/rules.ts'
import { mm, say } from '../../units/sentence.ts'
import { bottomRules } from '../sole/bottomRules.ts'
import { heightAt, type SideProfile } from '../sole/sideProfile.ts'
import { otherSole } from './noSole.ts'

const wedge: Record<SoleForm, string> = {
  cup: 'Lay a wedge into the cup, or take a cup with more heel.',
  unit: 'Glue a wedge of the same stuff between shoe and unit, or take a unit with more heel.',
}

/** Does the heel of a bought sole stand on the ground when its tread does? */
export function heelStands(profile: SideProfile, form: SoleForm, book: RuleBook): Finding {
  const { seat, tread } = profile.places
  const off = heightAt(profile.underside, seat) - heightAt(profile.underside, tread)
  const limit = book.value(bottomRules.heelOff)
  const fine = Math.abs(off) <= limit
  return {
    id: 'bottom.heel',
    level: fine ? 'fine' : Math.abs(off) <= 3 * limit ? 'watch' : 'stop',
    where: 'heel on the ground',
    sentence: fine
      ? `Heel and tread of the ${form} stand on the ground together.`
      : off > 0
        ? say`The heel of the ${form} is off the ground by ${mm(off, 1)} when the tread stands: this last wants more under the seat.`
        : say`The ${form} is ${mm(-off, 1)} too thick under the seat for this last: the tread is lifted.`,
    measured: off,
    limit,
    unit: 'mm',
    mend: fine ? '' : off > 0 ? wedge[form] : `Take a ${form} with less heel, or a higher last.`,
    remedy: fine ? undefined : otherSole,
  }
}
