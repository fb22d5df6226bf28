import { pathLength } from '../../geometry/path.ts'
import { traitsOf } from '../../model/construction.ts'
import { mm, say } from '../../units/sentence.ts'
import { fixed, sewing } from '../effort.ts'
import { stitchLine, sumOfParts, type Facts } from '../facts.ts'
import { fasteningRules } from '../fastening.ts'
import { bring, eachFoot, want, type Makes, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'
import { drawn } from './lastingTacks.ts'

const way = (f: Facts) => traitsOf(f.construction)

/** Whatever the shoe had done to it last: these are true of it, whichever came before. */
export const MARGIN_DOWN: Makes['whyAfter'] = {
  'margin trimmed': 'the margin is down and trimmed',
  wrapped: 'the upper is safe from dust, wax and glue',
  smoothed: 'stiffener, puff and lining are fixed under the insole',
}

/** Welt and rand, soaked, sewn to the holdfast and pegged at the seat. */
export function welt(f: Facts): Operation[] {
  if (!way(f).welted) return []
  return [
    ...eachFoot(() => ({
      id: 'soak-welt',
      name: 'Soak the welt',
      group: 'bottom' as const,
      effort: fixed(2, 'A wet welt bends round the toe without cracking.'),
      wait: {
        ...atLeast(f.book, waitRules.soakMin),
        max: f.book.value(waitRules.soakMax),
        why: 'Wet through.',
        late: 'Let it dry back in the air until it is only damp.',
      },
      makes: bring(['welt'], 'wetted', 'they must be cut'),
      needs: want(['shoe'], 'margin trimmed', 'it does not stay wet for long: the upper must be down'),
      cautions: ['water'] as const,
      tools: ['basin'] as const,
      look: ['It bends round a finger.'],
      parts: ['welt'],
    })),
    ...eachFoot((foot) => {
      const line = stitchLine(f, [foot], 'insole', 'holdfast')
      return {
        id: 'sew-welt',
        name: 'Sew welt, upper and lining to the holdfast',
        group: 'bottom' as const,
        effort: sewing(f, line),
        makes: bring(['shoe'], 'welted', 'tacks come out as the seam goes on', MARGIN_DOWN),
        needs: want(['welt'], 'wetted', 'the welt is sewn damp'),
        cautions: ['awl', 'tacks'] as const,
        tools: ['needles', 'awl', 'puller'] as const,
        stuff: [
          {
            name: `Thread, ${f.threads.sole}`,
            amount: Math.ceil((4 * line.length) / 100) / 10,
            unit: 'm' as const,
            sentence: 'About four times the row, in thick work.',
          },
        ],
        look: ['Every stitch drawn down, the welt close to the upper all round.'],
        parts: ['insole', 'welt'],
        seams: ['insole.holdfast'],
      }
    }),
    ...eachFoot((foot) => {
      const length = sumOfParts(f, [foot], ['rand'], (p) => pathLength(p.outline, true)) / 2
      const pegs = Math.round(length / f.book.value(fasteningRules.spacing))
      const each = f.book.value(fasteningRules.perMinute)
      return {
        id: 'peg-rand',
        name: 'Peg the rand at the seat',
        group: 'bottom' as const,
        effort: {
          minutes: 6 + pegs / each,
          sentence: say`A horseshoe that levels the seat behind the welt: ${pegs} pegs, one every ${mm(f.book.value(fasteningRules.spacing))}, at ${each} a minute, and 6 minutes to fit it.`,
        },
        makes: bring(['shoe'], 'randed', 'it meets the ends of the welt'),
        needs: want(['rand'], 'cut', 'they must be cut'),
        cautions: ['hammer'] as const,
        tools: ['pegAwl', 'hammer'] as const,
        stuff: [{ name: 'Pegs', amount: pegs, unit: 'pieces' as const, sentence: 'Split evenly over the seat.' }],
        look: ['Level with the welt, no peg through the insole.'],
        parts: ['rand'],
      }
    }),
    ...drawn(f, 'bottom'),
  ]
}
