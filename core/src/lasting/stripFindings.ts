import type { Finding } from '../trade/because.ts'
import { bottomZone } from '../trade/bottomZone.ts'
import { edgeRules } from '../upper/edgeRules.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'
import type { LastingNeeds } from './needs.ts'
import { lastingRules } from './rules.ts'
import { lastedNames, type LastedId, type Met } from './strip.ts'
import type { Between, TackPlan } from './tackPlan.ts'

/** What is to be said of a tacked strip: the tuck that stays, and of the upper what holds it and what pliers find of it. */
export const stripFindings = (id: LastedId, there: readonly Met[], plan: TackPlan, needs: LastingNeeds): Finding[] => [
  tuckFinding(id, there, plan, needs),
  ...(id === 'upper' ? [flatFinding(there, needs), gripFinding(there, needs)] : []),
]

const middleOf = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!

/** A seam or lap lies where a strip is by so much thicker than it is mostly. */
const SEAM = 1.4

function tuckFinding(id: LastedId, there: readonly Met[], { between }: TackPlan, needs: LastingNeeds): Finding {
  const { book, bottom } = needs
  const worst = between.reduce((a, b) => (b.tuck > a.tuck ? b : a))
  const fine = worst.tuck === 0
  const name = lastedNames[id].toLowerCase()
  const zone = bottomZone(worst.on[0] / bottom.length)
  const near = there.reduce((a, b) => (apart(b, worst) < apart(a, worst) ? b : a))
  return {
    id: `lasting.tuck.${id}`,
    level: fine ? 'fine' : 'watch',
    where: `${lastedNames[id]}, ${worst.side} side at the ${zone}`,
    sentence: fine
      ? say`Between any two tacks the ${name} is pressed flat as far as ${mm(book.value(lastingRules.flat))} inside the feather line.`
      : say`Tacks ${worst.from} and ${worst.to} stand ${mm(worst.apart, 1)} apart and the ${name} is ${mm(worst.surplus, 1)} too long between them: a tuck of ${mm(worst.tuck, 1)} stays.`,
    measured: worst.tuck,
    limit: 0,
    unit: 'mm',
    mend: fine ? '' : helps(id, worst, near.thickness > SEAM * middleOf(there.map((p) => p.thickness)), zone, needs),
  }

  function apart(p: Met, { on, side }: Between): number {
    return p.side === side ? Math.hypot(p.on[0] - on[0], p.on[1] - on[1]) : Infinity
  }
}

/** What makes a tuck less, for this one: tacks stand as close already as they may, so it is shared, thinned or cut. */
function helps(id: LastedId, { tuck }: Between, isSeam: boolean, zone: string, { book }: LastingNeeds): Sentence {
  const two = say`Make two small tucks of it, ${mm(tuck / 2, 2)} each, and cut in a wedge what stands up further in than ${mm(book.value(lastingRules.flat))}.`
  const edge = isSeam
    ? 'A seam lies there: skive it, warm it and hammer it down.'
    : id === 'upper' || id === 'lining'
      ? 'An edge skived thinner folds smaller, and a wider margin is drawn further.'
      : 'An edge skived thinner folds smaller.'
  return say`${two} ${edge}${zone === 'waist' ? ' A clamp across the waist holds it while the glue sets.' : ''}`
}

/** What the upper is held by: of the other things no more lies flat than their own rules say. */
function flatFinding(places: readonly Met[], { book }: LastingNeeds): Finding {
  const worst = places.reduce((a, b) => (b.flat < a.flat ? b : a))
  const limit = book.value(lastingRules.flat)
  const fine = worst.flat >= limit
  // All that the margin is wider lies flat.
  const wanted = Math.ceil(2 * (book.value(edgeRules.lasting) + limit - worst.flat)) / 2
  const wide = wanted <= edgeRules.lasting.max
  return {
    id: 'lasting.flat',
    level: fine ? 'fine' : 'watch',
    where: `Upper, ${worst.side} side`,
    sentence: fine
      ? say`At least ${mm(worst.flat, 1)} of the upper lie flat under the insole.`
      : say`Only ${mm(Math.max(0, worst.flat), 1)} of the upper lie flat under the insole at its narrowest, ${mm(worst.x, 0)} from the heel: the rest runs down the insole's edge and round the bend.`,
    measured: worst.flat,
    limit,
    unit: 'mm',
    mend: fine
      ? ''
      : wide
        ? say`Widen the lasting margin to ${mm(wanted)}, or thin the insole’s edge.`
        : 'Thin the insole’s edge.',
    remedy: fine || !wide ? undefined : { kind: 'rule', key: edgeRules.lasting.key, value: wanted },
  }
}

/**
 * Whether pliers find enough of the upper's margin to grip, as it is cut: 12 mm will do, heavy leather that is drawn by hand
 * wants 30 (docs/trade.md, "Lasting"). Heavy is what the upper is for most of its way round.
 */
function gripFinding(places: readonly Met[], { book, byHand }: LastingNeeds): Finding {
  const worst = places.reduce((a, b) => (b.reach < a.reach ? b : a))
  const thickness = middleOf(places.map((p) => p.thickness))
  const heavy = byHand && thickness >= book.value(lastingRules.heavyFrom)
  const limit = book.value(heavy ? lastingRules.heavyGrip : edgeRules.leastMargin)
  const fine = worst.reach >= limit
  const wanted = book.value(edgeRules.lasting) + limit - worst.reach
  const wide = wanted <= edgeRules.lasting.max
  return {
    id: 'lasting.grip',
    level: fine ? 'fine' : 'watch',
    where: `Upper, ${worst.side} side`,
    sentence: heavy
      ? say`The upper is ${mm(thickness, 1)} thick and is drawn by hand: hands and pliers want ${mm(limit)} of it to grip, and its margin is ${mm(worst.reach, 1)} where it is narrowest.`
      : say`Pliers want ${mm(limit)} of the upper to grip; its margin is ${mm(worst.reach, 1)} where it is narrowest.`,
    measured: worst.reach,
    limit,
    unit: 'mm',
    mend: fine
      ? ''
      : say`${wide ? say`Widen the lasting margin to ${mm(wanted)}, or glue` : 'Glue'} a strip of leather to the inside of its margin as a handle: it comes off when the glue is hard.`,
    remedy: fine || !wide ? undefined : { kind: 'rule', key: edgeRules.lasting.key, value: wanted },
  }
}
