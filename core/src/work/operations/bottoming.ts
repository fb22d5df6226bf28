import { traitsOf } from '../../model/construction.ts'
import { fixed } from '../effort.ts'
import { has, partsOf, type Facts } from '../facts.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'
import { cup } from './cup.ts'
import { heel } from './heel.ts'
import { lastOut } from './lastOut.ts'
import { drawn } from './lastingTacks.ts'
import { midsole, outsole, turnedOut } from './soles.ts'
import { unit } from './unit.ts'
import { MARGIN_DOWN, welt } from './welt.ts'

const way = (f: Facts) => traitsOf(f.construction)

/** What goes under the lasted shoe. */
export const bottomWork = (f: Facts): Operation[] => [
  ...welt(f),
  ...roughed(f),
  ...filled(f),
  ...(f.work.ways.lastOut === 'before the sole' ? lastOut('out early') : []),
  ...tried(f),
  ...midsole(f),
  ...turnedOut(f),
  ...cup(f),
  ...unit(f),
  ...outsole(f),
  ...heel(f),
]

function roughed(f: Facts): Operation[] {
  if (way(f).outwards) return drawn(f, 'bottom')
  if (!way(f).onMargin) return []
  return [
    operation({
      id: 'rough-margin',
      name: 'Rough the lasting margin',
      group: 'bottom',
      effort: fixed(15, 'To the edge of the sole and no further.'),
      makes: bring(['shoe'], 'roughed', 'a tack would tear the wheel', MARGIN_DOWN),
      cautions: ['dust'],
      tools: ['sander'],
      look: ['Matt all over, no grain left that glue would lift off, none hurt above the edge.'],
    }),
  ]
}

function filled(f: Facts): Operation[] {
  if (!has(f, 'shank', 'filler')) return []
  const parts = partsOf(f, ['shank', 'filler']).map((p) => p.id)
  const shank = has(f, 'shank')
  return [
    operation({
      id: 'shank-filler',
      name: shank ? 'Set the shanks and fill the bottom level' : 'Fill the bottom level',
      group: 'bottom',
      effort: shank
        ? fixed(25, 'Shank from the seat to behind the joint; cork and glue inside the seam.')
        : fixed(12, 'Cork and glue inside the margin, so that nothing is felt through the sole.'),
      wait: {
        ...atLeast(f.book, waitRules.whiteGlueMin),
        max: null,
        why: 'The filler has to set before it is levelled.',
      },
      makes: bring(['shoe'], 'levelled', 'what is filled is what the others leave hollow', {
        'tacks out': 'what it covers is not found again',
        roughed: 'the filler would clog the rough face',
      }),
      needs: want(
        partsOf(f, ['shank']).map((p) => p.id),
        'cut',
        'they have to be cut and bent',
      ),
      cautions: ['dust'],
      tools: ['cork', 'rasp'],
      look: ['A straight edge across the ball touches everywhere; the shank does not rock.'],
      parts,
    }),
  ]
}

function tried(f: Facts): Operation[] {
  if (f.work.ways.soles !== 'cut to the lasted shoe' || !has(f, 'midsole', 'outsole')) return []
  return [
    operation({
      id: 'try-sole',
      name: 'Try the soles on in paper',
      group: 'bottom',
      effort: fixed(12, 'Cut out in paper, laid under both lasted shoes, drawn round and compared with the pattern.'),
      makes: bring(['shoe'], 'tried', 'the bottom must be level before it is drawn round'),
      needs: want(['patterns'], 'printed', 'the pattern is what is tried'),
      tools: ['paper'],
      look: [
        'The room for the seam is there all round; where it is not, trace the lasted shoe and let the pair go by it.',
        'Write down what was changed.',
      ],
    }),
  ]
}
