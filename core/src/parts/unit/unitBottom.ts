import { GeometryError, type Path } from '../../geometry/path.ts'
import type { DevelopedBottom } from '../../last/developedBottom.ts'
import type { CupSole } from '../../model/cupSole.ts'
import type { Finding } from '../../trade/because.ts'
import type { Part } from '../../trade/part.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { Sentence } from '../../units/sentence.ts'
import type { BottomLayer, SideProfile } from '../sole/sideProfile.ts'
import { stoodOn } from '../shared/stoodOn.ts'
import { unitRules } from './rules.ts'
import { noSole } from '../shared/noSole.ts'
import { thicknessOfUnit, unitPart } from './unitPart.ts'
import { unitFit, type UnitFit } from './unitFit.ts'

/** The chosen unit laid under the lasted shoe, as a part; a sentence where there is none, or it cannot be laid. */
export function unitOf(
  lasted: Path,
  unit: CupSole | null,
  bottom: DevelopedBottom,
  length: number,
  book: RuleBook,
): { fit: UnitFit | null; part: Part | null; finding: Finding } {
  const none = (sentence: Sentence, mend: string) => ({
    fit: null,
    part: null,
    finding: noSole('bottom.unit', 'edge of the unit', sentence, mend),
  })
  if (unit?.form !== 'unit') {
    return none(
      'No flat unit is chosen: whether its edge reaches round the shoe is not known.',
      'Choose one with the construction; new ones are brought in with a last, under Bought sole.',
    )
  }
  try {
    const fit = unitFit(lasted, unit, book)
    return { fit, part: unitPart(unit, fit, bottom, length, book), finding: fit.finding }
  } catch (error) {
    // A unit of another size is a wrong choice, not a pair that cannot be planned.
    if (!(error instanceof GeometryError)) throw error
    return none(error.message, 'Choose another unit.')
  }
}

/** Where seat and tread are as thick as each other, but for this, a unit is a sheet and bends to what it is pressed on, mm. */
const A_SHEET = 1

/**
 * The shoe stood on its unit. A sheet of one thickness bends to the bottom that it is pressed on; one that was moulded with its
 * heel keeps its flat underside. `under` lays the side section with one more layer under the shoe's own.
 */
export function onUnit(unit: CupSole, under: (layer: BottomLayer) => SideProfile, book: RuleBook): SideProfile {
  const thick = thicknessOfUnit(unit, book)
  const edge = book.value(unitRules.edge)
  const named = { id: 'unit', name: 'Flat unit' }
  const laid = (thickness: number) => under({ ...named, thickness: () => thickness, past: { heel: edge, toe: edge } })
  if (Math.abs(thick.seat - thick.tread) < A_SHEET) return laid((thick.seat + thick.tread) / 2)
  const bare = laid(0)
  return stoodOn({ ...bare, layers: bare.layers.filter((l) => l.id !== named.id) }, thick, named)
}
