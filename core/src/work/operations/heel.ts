import { pathLength } from '../../geometry/path.ts'
import type { Ways } from '../../model/work.ts'
import { feet } from '../../trade/foot.ts'
import { partsOf, sumOfParts, type Facts } from '../facts.ts'
import { fasteningRules } from '../fastening.ts'
import { cementOf } from '../glues.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import type { ToolId } from '../tools.ts'

const heldBy: Record<Exclude<Ways['heel'], 'screws'>, { name: string; tools: ToolId[]; said: string }> = {
  nails: { name: 'Nails', tools: ['hammer'], said: 'nails, their points clinched or cut' },
  pegs: { name: 'Pegs', tools: ['pegAwl', 'hammer'], said: 'pegs, driven dry into glued holes' },
}
/** Screws in a heel: the middle, and the corners of the seat. */
const SCREWS = 5

/** Wedge, lifts and top piece, fixed as the maker fixes them. */
export function heel(f: Facts): Operation[] {
  const stack = partsOf(f, ['heelWedge', 'wedge', 'heelLift', 'lift', 'topPiece'])
  if (stack.length === 0) return []
  const way = f.work.ways.heel
  // Screws go in from inside, when the last is out: until then glue holds.
  const held = way === 'screws' ? null : heldBy[way]
  const layers = sumOfParts(f, feet, ['heelWedge', 'heelLift', 'topPiece', 'wedge', 'lift'], () => 1)
  const rim = Math.max(...stack.map((p) => pathLength(p.outline, true)))
  const [spacing, rate] = [f.book.value(fasteningRules.spacing), f.book.value(fasteningRules.perMinute)]
  const each = Math.max(5, Math.round((0.7 * rim) / (2 * spacing)))
  const count = held ? Math.round(each * layers) : 0
  return [
    operation({
      id: 'build-heel',
      name: held ? `Build and fix the heels with ${way}` : 'Build and glue the heels',
      group: 'bottom',
      effort: {
        minutes: 8 + 3 * layers + count / rate,
        sentence: `${layers} layers on both shoes at 3 minutes to glue and level${held ? `, ${count} ${held.said}, at ${rate} a minute` : ''}, and 8 minutes to set them up. Left against right on a level board.`,
      },
      wait: cementOf(f).sets,
      makes: bring(['shoe'], 'heeled', 'the heel stands on the outsole', {
        'sole sewn': 'the seam ends under the heel',
      }),
      needs: want(
        stack.map((p) => p.id),
        'skived',
        'the heel stands level only on what is pared to its height',
      ),
      cautions: ['hammer', ...cementOf(f).cautions],
      tools: [...(held?.tools ?? []), 'rasp', 'brush'],
      stuff: held
        ? [{ name: held.name, amount: count, unit: 'pieces', sentence: 'None comes through to the foot.' }]
        : [],
      look: ['Both stand on a level board without rocking; heel heights alike within half a millimetre.'],
      parts: stack.map((p) => p.id),
    }),
  ]
}

/** Screws go in from inside: whoever fixes heels with them does so when the last is out. */
export function screwedHeel(f: Facts): Operation[] {
  if (f.work.ways.heel !== 'screws' || partsOf(f, ['heelLift', 'lift', 'topPiece']).length === 0) return []
  const rate = f.book.value(fasteningRules.perMinute)
  return [
    operation({
      id: 'screw-heel',
      name: 'Screw the heels on from inside',
      group: 'finish',
      effort: {
        minutes: 4 + (2 * SCREWS) / rate,
        sentence: `${2 * SCREWS} screws at ${rate} a minute, holes drilled first, and 4 minutes to set them up.`,
      },
      makes: bring(['shoe'], 'heel screwed', 'the heel is finished before it is drawn tight', {
        out: 'they go in from inside: the last must be out',
      }),
      cautions: ['awl'],
      tools: ['screwdriver'],
      stuff: [
        {
          name: 'Screws',
          amount: 2 * SCREWS,
          unit: 'pieces',
          sentence: 'So long that they stop short of the top piece.',
        },
      ],
      look: ['Heads lie below the insole, no point comes near the top piece.'],
    }),
  ]
}
