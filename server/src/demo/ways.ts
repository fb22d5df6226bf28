import { OwnStep, Ways, type HowToFields, type WaySetFields } from '@gentle-awl/core'
import { demoId } from './demoId.ts'

const PASTE =
  'Four spoons of rye flour in half a litre of cold water, stirred on a low flame until it strings; a pinch of alum.'

/** How the demo workshop works, under the names that it gives to that. */
export const demoWays: (WaySetFields & { id: string })[] = [
  {
    id: demoId(7, 1),
    name: 'House way',
    note: 'For everything that is not asked otherwise.',
    ways: Ways.parse({}),
    recipe: PASTE,
    own: [],
  },
  {
    id: demoId(7, 2),
    name: 'Winter boots, lining first',
    note: 'For the ferry crews: shells seen and thinned before the upper comes down.',
    ways: Ways.parse({
      lasting: 'lining first',
      rest: 'drafted and left',
      puff: 'formed on the last',
      wrap: 'wrapped',
    }),
    recipe: PASTE,
    own: [
      OwnStep.parse({
        id: 'own.grease-seams',
        name: 'Grease the seams',
        group: 'finish',
        minutes: 8,
        after: ['clean-upper'],
        before: ['final-check'],
        note: 'Tallow and wax, warm, into every row.',
      }),
    ],
  },
]

export const demoHowTos: (HowToFields & { id: string })[] = [
  {
    id: demoId(8, 1),
    name: 'Our waxed end',
    text: 'Five strands of linen, each frayed to a point a hand’s width long, rolled on the knee with black wax. Two bristles to an end, twisted in and pulled through twice. It is made the day before and left to set.',
    steps: ['sew-welt', 'sew-outsole'],
  },
]
