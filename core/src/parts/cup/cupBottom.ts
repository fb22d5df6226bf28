import { cupFit, type CupFit } from './cupFit.ts'
import type { CupSole } from '../../model/cupSole.ts'
import type { Finding } from '../../trade/because.ts'
import { noSole } from '../shared/noSole.ts'
import { GeometryError, type Path } from '../../geometry/path.ts'
import type { RuleBook } from '../../trade/rules.ts'
import type { Sentence } from '../../units/sentence.ts'

/** The chosen cup laid round the lasted shoe; a sentence where there is none to lay, or it cannot be laid. */
export function cupOf(lasted: Path, sole: CupSole | null, book: RuleBook): { fit: CupFit | null; finding: Finding } {
  if (sole?.form !== 'cup') {
    return noFit(
      'No cup sole is chosen: what the shoe is cemented into decides whether it fits.',
      'Choose one with the construction; new ones are brought in with a last, under Bought sole.',
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

const noFit = (sentence: Sentence, mend: Sentence) => ({
  fit: null,
  finding: noSole('bottom.cup', 'cup sole', sentence, mend),
})
