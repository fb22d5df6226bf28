import type { ShoeFigures } from '../checks/measured.ts'
import { traitsOf, type ConstructionName } from '../model/construction.ts'
import { tackCounts } from '../lasting/tackCounts.ts'
import { tacksToDraw } from '../work/operations/lastingTacks.ts'
import type { FootPlan } from './plan.ts'

/** Points of the design at which the forepart ends on the ridge: the first that a style has. */
const THROATS = ['vampPoint', 'throat']

/** What of a planned shoe is measured while it is made: plain data. */
export function checkFigures(shoe: FootPlan, construction: ConstructionName): ShoeFigures {
  const { upper, lasting, parts, bottom } = shoe
  const finding = upper.findings.find((f) => f.id === 'upper.backGap')
  const hold = (id: string) => lasting.hold.find((b) => b.id === `topLine.${id}`)?.value ?? null
  const point = (ids: readonly string[], name: string) =>
    upper.points.find((p) => ids.includes(p.id))?.figures.find((f) => f.name === name)?.value ?? null
  const figure = (part: string, id: string) =>
    parts.find((p) => p.id === part)?.becauses.find((b) => b.id === id)?.value ?? null
  const [lateral, medial] = [hold('lateral'), hold('medial')]
  const tips = [figure('stiffener', 'front.lateral'), figure('stiffener', 'front.medial')] as const
  const room = figure('midsole', 'room')
  const least = parts.find((p) => p.id === 'midsole')?.findings.find((f) => f.id === 'midsole.room')?.limit
  const { outwards } = traitsOf(construction)
  return {
    backGap: finding ? { planned: finding.measured, limit: finding.limit, mend: finding.mend } : null,
    // What is open behind has no back on the last: a strap there is buckled when the shoe is worn.
    back: upper.open.behind ? null : (hold('back') ?? point(['backTop'], 'up the back')),
    ankle: lateral !== null && medial !== null ? { lateral, medial } : null,
    throat: point(THROATS, 'from the toe'),
    puff: figure('puff', 'length'),
    tips: tips[0] !== null && tips[1] !== null ? { lateral: tips[0], medial: tips[1] } : null,
    room: room !== null && least !== undefined ? { planned: room, least } : null,
    heel: bottom.heel
      ? bottom.heel.lifts * bottom.heel.lift +
        (bottom.heel.pared?.back ?? bottom.heel.topPiece) +
        bottom.heel.wedge.back
      : null,
    spring: bottom.profile.spring,
    open: upper.open,
    tacks: tacksToDraw(tackCounts([lasting], 'upper'), outwards),
  }
}
