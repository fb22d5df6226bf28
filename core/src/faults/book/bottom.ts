import { traitsOf } from '../../model/construction.ts'
import { say } from '../../units/sentence.ts'
import { stuffOf } from '../case.ts'
import { byLook, byPlan, byReading, cutShort, given, leftOut, mendOf, tooLong } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { moveRule } from '../remedies.ts'

const dye: Fault = {
  id: 'poorDye',
  name: 'Poor dye',
  sign: 'Blotches, bare leather at the edge, colour that comes off.',
  causes: [
    {
      id: 'fewCoats',
      name: 'Too few coats',
      usual: 3,
      evidence: (c) => {
        const coats = stuffOf(c, 'midsole')?.coats ?? null
        return [
          coats === null
            ? null
            : given(
                coats < 3,
                [3, say`${coats} ${coats === 1 ? 'coat is' : 'coats are'} planned.`],
                [0.5, say`${coats} coats are planned.`],
              ),
        ]
      },
      helps: [
        ['lasted', 'Another thin coat, and another when it is dry.'],
        ['finished', 'Sand the edge lightly, two more thin coats, then wax; the upper covered with tape.'],
      ],
      prevents: () => ({
        sentence: 'Leather that drinks takes three or four coats.',
        remedy: { kind: 'open', control: { room: 'stores' } },
      }),
    },
    {
      id: 'coatsTooSoon',
      name: 'A coat came onto a wet one',
      usual: 2,
      evidence: (c) => [cutShort(c, ['dye-midsole', 'dye-sole', 'dye-edges-upper'])],
      helps: [['finished', 'Let it dry through, sand it even, begin anew with thin coats.']],
      prevents: () => ({ sentence: 'Dry to the touch between two coats: a wet coat lifts the one below it.' }),
    },
    {
      id: 'glueOnEdge',
      name: 'There was glue on the edge',
      usual: 2,
      evidence: (c) => {
        const dyed = c.stepsOf('dye-midsole')[0]
        const glued = c.stepsOf('cement-midsole')[0]
        if (!dyed || !glued || !c.isDone(glued)) return []
        return [
          given(
            c.isDone(dyed),
            [0.6, 'The rim was dyed before it was glued.'],
            [5, 'It was glued before its rim was dyed.'],
          ),
        ]
      },
      helps: [['finished', 'Rub the glue off with crepe, sand, dye anew.']],
      prevents: () => ({ sentence: 'The visible rim is dyed before anything is glued; glue stays inside the line.' }),
    },
    {
      id: 'hardEdge',
      name: 'The edge was burnished before it was dyed',
      usual: 1,
      evidence: (c) => [leftOut(c, 'trim-sole')],
      helps: [['finished', 'Sand it open, dye, then burnish.']],
      prevents: () => ({ sentence: 'Sand, damp, dye; wax and iron last.' }),
    },
  ],
}

const rocks: Fault = {
  id: 'rocks',
  name: 'The shoe rocks',
  sign: 'On a flat plate it tips from side to side or from heel to toe.',
  among: (c) => c.planned('heel') !== null || traitsOf(c.decisions.construction).bought !== null,
  causes: [
    {
      id: 'heelHeight',
      name: 'The heel is not as high as the last asks',
      usual: 2.5,
      evidence: (c) => [
        byReading(c, 'heel', 'Height of the heel', 'either', { tolerance: 0.5, scale: 1 }),
        byPlan(c, 'bottom.heel', 'The heel stands off the ground', 0.7),
      ],
      helps: [['finished', 'Take the top piece off, lay in or sand off what is missing, level it on the plate.']],
      prevents: (c) => ({
        sentence: 'Height of the last less the bottom at the seat, plus the bottom at the tread.',
        remedy: mendOf(c, 'bottom.heel'),
      }),
    },
    {
      id: 'notLevel',
      name: 'Lifts were not sanded level',
      usual: 2,
      evidence: (c) => [byLook(c, 'look.level', 'The look on the plate'), leftOut(c, 'trim-sole')],
      helps: [['finished', 'Rub it on sanding paper laid on the plate until a sheet of paper goes in nowhere.']],
      prevents: () => ({ sentence: 'Each lift is levelled before the next.' }),
    },
    {
      id: 'crowdedSeat',
      name: 'The margin piles up under the seat',
      usual: 1.5,
      evidence: (c) => [
        byPlan(c, 'layers.seat', 'The margin has to shrink at the seat', 0.12),
        leftOut(c, 'trim-margin'),
      ],
      helps: [
        ['lasted', 'Cut the crowding out before anything is laid on it.'],
        ['finished', 'The heel is levelled on top of it.'],
      ],
      prevents: () => ({ sentence: 'Wedges out of the tucks at the seat, hammered flat.' }),
    },
    {
      id: 'twistedSole',
      name: 'The shoe is twisted',
      usual: 1,
      evidence: (c) => [byLook(c, 'look.straight', 'The look from behind when the back was lasted')],
      helps: [['finished', 'See what helps a twisted shoe.']],
      prevents: () => ({ sentence: 'Both sides in turn when it is lasted.' }),
    },
  ],
}

const turnedOut: Fault = {
  id: 'bulkyTurn',
  name: 'A bulky turned-out edge',
  sign: 'The edge that is turned outwards stands up, wrinkles, or will not lie on the midsole.',
  among: (c) => traitsOf(c.decisions.construction).outwards,
  causes: [
    {
      id: 'unskived',
      name: 'Its layers are not thinned where they are turned',
      usual: 3,
      evidence: (c) => [byPlan(c, 'layers.turnOut', 'Stack that is turned out', 1), leftOut(c, 'skive-upper')],
      helps: [
        ['closing', 'Skive both layers along the common span.'],
        ['lasted', 'Lift it, skive what lies inside, cement anew.'],
        ['finished', 'Hammered damp along the seam it lies down a little.'],
      ],
      prevents: (c) => ({
        sentence: 'Both layers thinned over the span that is turned.',
        remedy: mendOf(c, 'layers.turnOut') ?? moveRule(c, 'skive.turnedShare', -0.1),
      }),
    },
    {
      id: 'narrowTurn',
      name: 'Too narrow to be held down',
      usual: 1.5,
      evidence: (c) => [
        byPlan(c, 'midsole.turnedOut', 'Turned-out leather outside the seam', 2, 'under'),
        byPlan(c, 'midsole.sewDown', 'Seam from the wall', 2, 'under'),
      ],
      helps: [
        ['lasted', 'Wet it, draw it out with the pliers, tack it till it is dry.'],
        ['finished', 'The seam holds what it holds.'],
      ],
      prevents: (c) => ({
        sentence: 'A wider turn.',
        remedy: mendOf(c, 'midsole.turnedOut') ?? moveRule(c, 'upper.turnedOut', 2),
      }),
    },
    {
      id: 'dryTurn',
      name: 'Turned out dry',
      usual: 1.5,
      evidence: (c) => [
        tooLong(c, ['turn-out']),
        given(
          c.decisions.work.ways.rest === 'pulled at once',
          [1.2, 'The upper was not damped or left on the last.'],
          [0.6, 'The upper was left on the last, or damped.'],
        ),
      ],
      helps: [
        ['lasted', 'Damp the edge, work it outwards with the bone, tack it till it is dry.'],
        ['finished', 'Damp and hammer along the seam.'],
      ],
      prevents: () => ({ sentence: 'Damp edges turn without wrinkles; snips only inside the seam.' }),
    },
  ],
}

export const bottomFaults: readonly Fault[] = [dye, rocks, turnedOut]
