import type { Path } from '../geometry/path.ts'
import type { Finding } from '../trade/because.ts'
import type { DrawnLine } from '../model/drawnLine.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import { heldAgainst, placeName, type HeldAgainst } from './heldAgainst.ts'
import { mm, say } from '../units/sentence.ts'

export const tracedRules = {
  off: {
    key: 'bottom.tracedOff',
    name: 'Traced shoe may differ from the predicted one by',
    value: 2,
    min: 0.5,
    max: 5,
    unit: 'mm',
    why: 'A pencil held by hand is good to about a millimetre; more is a layer that is thicker or thinner than was planned.',
  },
} satisfies Record<string, Rule>

/** The lasted shoe as traced, held against what was predicted. */
export interface TracedShoe extends HeldAgainst {
  finding: Finding
}

/** The lasted shoe as traced against the outline that was predicted. Throws GeometryError as `heldAgainst` does. */
export function tracedShoe(predicted: Path, line: DrawnLine, book: RuleBook): TracedShoe {
  const held = heldAgainst(predicted, line, 'The tracing of the lasted shoe')
  const { fullest, leanest } = held
  const worst = fullest.by >= -leanest.by ? fullest : leanest
  const limit = book.value(tracedRules.off)
  const fine = Math.abs(worst.by) <= limit
  const length = Math.max(...predicted.map((p) => p[0]))
  const where = placeName(worst.predicted, length)
  return {
    ...held,
    finding: {
      id: 'bottom.traced',
      level: fine ? 'fine' : Math.abs(worst.by) <= 2 * limit ? 'watch' : 'stop',
      where,
      sentence: fine
        ? say`The shoe as traced lies within ${mm(Math.abs(worst.by), 1)} of the predicted outline.`
        : say`${where}: the shoe as traced is ${mm(Math.abs(worst.by), 1)} ${worst.by > 0 ? 'fuller' : 'leaner'} than predicted.`,
      measured: worst.by,
      limit,
      unit: 'mm',
      mend: fine
        ? ''
        : worst.by > 0
          ? 'Trim the margin there, or cut the midsole by the traced line.'
          : 'Measure the leathers again, or cut the midsole by the traced line.',
      remedy: fine
        ? undefined
        : { kind: 'choice', name: 'bottom parts by the traced line', decisions: { lasted: { use: 'traced' } } },
    },
  }
}

/** What is to be said of the difference once the bottom parts go by the traced line: it does no harm any more. */
export const goneBy = (finding: Finding): Finding => ({
  ...finding,
  level: 'fine',
  sentence: say`${finding.sentence} The bottom parts go by the traced line.`,
  mend: '',
  remedy: undefined,
})
