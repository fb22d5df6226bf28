import type { Because } from '../trade/because.ts'
import { bottomZone, bottomZones, type BottomZone } from '../trade/bottomZone.ts'
import { mm, say } from '../units/sentence.ts'
import type { Fold, LastedStrip, LastingNeeds, LastingZone } from './needs.ts'
import { lastingRules } from './rules.ts'
import { stripFindings } from './stripFindings.ts'
import { isInside, lastedNames, type LastedId, type Met } from './strip.ts'
import type { TackPlan } from './tackPlan.ts'
import { agreesAt, elasticSpacing, surplusOf, tackFigures, tackSpacing } from './tackSpacing.ts'

const zoneOf = (x: number, length: number): BottomZone => bottomZone(x / length)

function zonesOf(places: readonly Met[], step: number, { tacks }: TackPlan, { length }: LastingNeeds): LastingZone[] {
  const zones = new Map<string, LastingZone>()
  const found = (p: Met): LastingZone => {
    const zone = zoneOf(p.x, length)
    const key = `${p.side} ${zone}`
    let known = zones.get(key)
    if (!known) zones.set(key, (known = { zone, side: p.side, run: 0, surplus: 0, flat: Infinity, tacks: 0 }))
    return known
  }
  for (const p of places) {
    if (p.thickness === 0) continue
    const z = found(p)
    z.run += step
    z.surplus += step * surplusOf(p)
    z.flat = Math.min(z.flat, p.flat)
  }
  for (const { place } of tacks) found(places[place]!).tacks++
  return (['medial', 'lateral'] as const).flatMap((side) =>
    bottomZones.flatMap((zone) => zones.get(`${side} ${zone}`) ?? []),
  )
}

/** A tacked strip with what is to be said of it: zones, reasons, checks. */
export function stripFigures(
  id: LastedId,
  places: readonly Met[],
  step: number,
  plan: TackPlan,
  needs: LastingNeeds,
): LastedStrip {
  const { book, insole } = needs
  const name = lastedNames[id]
  const lower = name.toLowerCase()
  const there = places.filter((p) => p.thickness > 0)
  const bent = there.reduce((a, b) => (b.curvature > a.curvature ? b : a))
  const closest = plan.between.reduce((a, b) => (b.apart < a.apart ? b : a))
  const flat = book.inForce(lastingRules.flat)
  const under = there.map((p) => p.through)
  const [thin, thick] = [Math.min(...under), Math.max(...under)]
  const left = book.value(lastingRules.leftOver)
  const into = Math.min(book.value(lastingRules.into), Math.max(0, insole - left))
  const tackLength = { least: thin + into, most: thick + into }
  const surplus = plan.between.reduce((sum, b) => sum + b.surplus, 0)
  const becauses: Because[] = [
    {
      id: 'tacks',
      quantity: `Tacks for the ${lower}`,
      value: plan.tacks.length,
      unit: 'count',
      sentence: say`As few as hold it: closest, ${mm(closest.apart, 1)} apart, where the feather line bends most; at most ${mm(book.value(lastingRules.farthest))} on straights.`,
      inputs: [{ name: 'Along the feather line', value: step * there.length, unit: 'mm' }],
      origin: book.inForce(lastingRules.farthest).origin,
      rule: lastingRules.farthest.key,
    },
    {
      id: 'surplus',
      quantity: 'Shrinks inside the feather',
      value: surplus,
      unit: 'mm',
      sentence: say`Up to ${mm(flat.value)} inside the feather it must lie flat: a strip is longer than that line by the turn of the feather times the depth. The sharpest bend has a radius of ${mm(1 / Math.max(bent.curvature, 1e-6), 0)}.`,
      inputs: [
        { name: 'Thickness there', value: bent.thickness, unit: 'mm' },
        { name: 'Sharpest radius', value: 1 / Math.max(bent.curvature, 1e-6), unit: 'mm' },
      ],
      origin: flat.origin,
      rule: lastingRules.flat.key,
    },
    {
      id: 'tackLength',
      quantity: 'Tack under its head',
      value: tackLength.most,
      unit: 'mm',
      sentence: say`Through ${mm(thick, 1)} of leather where most lies and ${mm(into, 1)} into the insole of ${mm(insole, 1)}; where only ${mm(thin, 1)} lie, one of ${mm(tackLength.least, 1)} does.`,
      inputs: [
        { name: 'Thickest under the head', value: thick, unit: 'mm' },
        { name: 'Insole', value: insole, unit: 'mm' },
      ],
      origin: book.inForce(lastingRules.into).origin,
      rule: lastingRules.into.key,
    },
  ]
  const figures = tackFigures(book)
  // As many as both kinds of spacing ask for between all tacks that are driven, before they are made whole.
  const asked = there.reduce((sum, p) => sum + step / tackSpacing(p, figures), 0)
  const elastic = there.reduce((sum, p) => sum + step / elasticSpacing(p, figures), 0)
  const highest = plan.between.reduce((a, b) => (b.simulated.rises > a.simulated.rises ? b : a))
  becauses.push({
    id: 'simulated',
    quantity: 'Tacks by a simulated strip',
    value: Math.round((plan.tacks.length * elastic) / asked),
    unit: 'count',
    sentence: say`An elastic strip drawn inwards closes up by itself a little, and folds; folds no higher than the leather are pressed flat. It asks for more tacks on bends wider than ${mm(agreesAt(flat.value), 0)} and fewer on sharper ones. With the tacks of the plan its highest fold, between tacks ${highest.from} and ${highest.to}, stands ${mm(highest.simulated.rises, 1)} high.`,
    inputs: [
      { name: 'Closes up by itself there', value: highest.simulated.taken, unit: 'mm' },
      { name: 'Folds there', value: highest.simulated.tuck, unit: 'mm' },
    ],
    origin: 'measured on the last',
  })
  const folds = plan.between.map((b): Fold => {
    const at = plan.tacks[b.from - 1]!.place
    const to = plan.tacks[b.to - 1]!.place
    const middle = (at + (((to - at + places.length) % places.length) >> 1)) % places.length
    const { side, x } = places[middle]!
    return { side, x, tuck: b.tuck, simulated: b.simulated.tuck }
  })
  return {
    id,
    isInside: isInside(id, needs),
    ...plan,
    folds,
    zones: zonesOf(places, step, plan, needs),
    tackLength,
    becauses,
    findings: stripFindings(id, there, plan, needs),
  }
}
