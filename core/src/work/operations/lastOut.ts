import { traitsOf } from '../../model/construction.ts'
import { fixed } from '../effort.ts'
import type { Facts } from '../facts.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'

/** What has to rest before the last comes out. */
const REST = 'rest on the last'

/** The days on the last, counted from when the upper came down. */
export function rested(f: Facts): Operation[] {
  const { outwards } = traitsOf(f.construction)
  const wet = f.work.ways.rest === 'wetted and left'
  return [
    operation({
      id: 'settle',
      name: 'Note the day: the shoes stay on their lasts',
      group: 'last',
      effort: fixed(1, 'Note the day.'),
      wait: {
        ...atLeast(f.book, wet ? waitRules.wettedRest : waitRules.settle),
        max: null,
        why: wet ? 'What was wetted dries through on the last.' : 'The leather has to forget that it was flat.',
      },
      makes: bring([REST], 'lasted', ''),
      needs: outwards
        ? want(['shoe'], 'turned out', 'it is counted from the turning out')
        : want(['shoe'], 'lasted', 'it is counted from the pulling over'),
      look: ['Kept from sun and stove.'],
    }),
  ]
}

/** The last out: while the bottom is still open, or when all is done that needs it. */
export const lastOut = (phase: 'out early' | 'out'): Operation[] => [
  operation({
    id: 'last-out',
    name: 'Take the lasts out, feel for tacks',
    group: phase === 'out' ? 'finish' : 'bottom',
    effort: fixed(10, 'Hinge or wedge first, heel up; run a hand round inside.'),
    makes: bring(['shoe'], phase, 'what needs the last under it is done', {
      levelled: 'the bottom is closed while the last holds its shape',
      cupped: 'the last gives the press something to press on',
      'edge dyed': 'the edges are finished on the last',
      unwrapped: 'the edges are finished on the last',
    }),
    needs: want([REST], 'lasted', 'the leather has to have set'),
    cautions: ['tacks'],
    tools: ['lastHook'],
    look: ['No tack, no glue and no fold is felt inside; the back of the top line is not overstretched.'],
  }),
]
