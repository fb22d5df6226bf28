import { traitsOf } from '../../model/construction.ts'
import { mm, say } from '../../units/sentence.ts'
import type { FaultCase } from '../case.ts'
import { byLook, byPlan, byReading, cutShort, given, leftOut, mendOf, tooLong } from '../evidence.ts'
import type { Evidence, Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

const SOLE_GLUE = ['cement-midsole', 'cement-outsole', 'cement-cup', 'turn-out']
const traits = (c: FaultCase) => traitsOf(c.decisions.construction)
const midsoleStuff = (c: FaultCase) => c.materials.find((m) => m.id === c.decisions.materials.midsole)
const hasPart = (c: FaultCase, id: string) => c.shoe.parts.some((p) => p.id.split('.')[0] === id)

const glueThatWaits = (c: FaultCase) =>
  choose(c.decisions.work.ways.cement === 'heat-set glue', 'heat-set glue', {
    work: { ways: { cement: 'heat-set glue' } },
  })

const gapes: Fault = {
  id: 'soleGapes',
  name: 'The sole stands off the upper',
  sign: 'A gap along the feather edge; paper goes in.',
  causes: [
    {
      id: 'glueLate',
      name: 'The cement had waited too long',
      usual: 2.5,
      evidence: (c) => [tooLong(c, SOLE_GLUE)],
      helps: [
        [
          'lasted',
          'Warm both faces until a knuckle sticks, then press; what is too old is rubbed off and coated anew.',
        ],
        [
          'finished',
          'Open it as far as it gives, warm both faces, press; sewn through, it holds for good. Heat as the label of the glue and the leather allow.',
        ],
      ],
      prevents: (c) => ({ sentence: 'One sole after the other, or a glue that heat wakes.', remedy: glueThatWaits(c) }),
    },
    {
      id: 'glueEarly',
      name: 'The faces met too soon',
      usual: 2,
      evidence: (c) => [cutShort(c, [...SOLE_GLUE, 'prepare-cup'])],
      helps: [
        ['lasted', 'Pull it open, let it dry, coat it thinly once more.'],
        ['finished', 'Open it, clean both faces, coat them anew and let them dry to the knuckle.'],
      ],
      prevents: () => ({ sentence: 'The solvent has to leave before the faces meet: a knuckle tells.' }),
    },
    {
      id: 'notRough',
      name: 'The face was not roughened',
      usual: 2,
      evidence: (c) => [leftOut(c, 'rough-margin'), leftOut(c, 'prepare-cup')],
      helps: [
        ['lasted', 'Rough the margin up to the line, brush it clean, cement anew.'],
        ['finished', 'Open it, rough both faces as far as they are reached, cement, press.'],
      ],
      prevents: () => ({
        sentence: 'Rough up to the edge that will be covered, and no further; no wax, no grease, no fingers on it.',
      }),
    },
    {
      id: 'shortRoom',
      name: 'The sole is too small there',
      usual: 1.5,
      evidence: (c) => [
        ...(['toe', 'medial', 'lateral', 'seat'] as const).map((place): Evidence | null => {
          const [is, least] = [c.measured(`room.${place}`), c.findings.get('midsole.room')?.limit ?? null]
          if (is === null || least === null || is >= least) return null
          return {
            factor: Math.min(16, 4 ** ((least - is) / 1.5)),
            sentence: say`The midsole stands out ${mm(is, 1)} ${place === 'toe' || place === 'seat' ? 'at the' : 'at the joint,'} ${place}; ${mm(least, 1)} are the least.`,
          }
        }),
        byPlan(c, 'midsole.room', 'Room of the midsole', 2, 'under'),
        given(
          c.decisions.work.ways.soles === 'cut ahead',
          [1.6, 'Soles were cut ahead, not to the lasted shoe.'],
          [0.6, 'Soles were cut to the lasted shoe.'],
        ),
      ],
      helps: [
        ['lasted', 'Trace the lasted shoe and cut it anew.'],
        ['finished', 'A rand laid in the gap, stuck and sewn, covers it.'],
      ],
      prevents: (c) => ({
        sentence: 'Cut to the lasted shoe, tried on in paper.',
        remedy: choose(c.decisions.work.ways.soles === 'cut to the lasted shoe', 'cut to the lasted shoe', {
          work: { ways: { soles: 'cut to the lasted shoe' } },
        }),
      }),
    },
    {
      id: 'glueAlone',
      name: 'Glue alone holds it',
      usual: 1,
      evidence: (c) => [
        given(
          !traits(c).sewn || (traits(c).inCup && c.decisions.work.ways.cup === 'glued alone'),
          [2, 'No seam holds this sole.'],
          [0.4, 'The sole is sewn as well.'],
        ),
      ],
      helps: [['finished', 'Sewn through by hand all round it holds.']],
      prevents: (c) => ({
        sentence: 'Glued and sewn.',
        remedy: traits(c).inCup
          ? choose(c.decisions.work.ways.cup === 'glued and sewn', 'glued and sewn', {
              work: { ways: { cup: 'glued and sewn' } },
            })
          : undefined,
      }),
    },
  ],
}

const squeaks: Fault = {
  id: 'squeaks',
  name: 'It squeaks',
  sign: 'At each step, mostly when it is warm or dry.',
  causes: [
    {
      id: 'unglued',
      name: 'Layers of the sole are not glued all over',
      usual: 3,
      evidence: (c) => [tooLong(c, SOLE_GLUE), cutShort(c, SOLE_GLUE), leftOut(c, 'rough-margin')],
      helps: [
        ['soled', 'Open the edge where it gives, cement in, press.'],
        ['finished', 'Talc or wax through the stitch holes quietens it for a while; glued anew it is quiet.'],
      ],
      prevents: (c) => ({ sentence: 'Glued and sewn: layers that rub speak.', remedy: glueThatWaits(c) }),
    },
    {
      id: 'looseShank',
      name: 'The shank is loose',
      usual: 2,
      among: (c) => hasPart(c, 'shank'),
      evidence: (c) => [leftOut(c, 'shank-filler')],
      helps: [
        ['lasted', 'Tack and glue it, a strip of leather over both ends.'],
        ['finished', 'The sole has to come off at the waist for it.'],
      ],
      prevents: () => ({ sentence: 'Glued into a bed of filler, its ends under leather.' }),
    },
    {
      id: 'dryFiller',
      name: 'The filler is dry or does not fill',
      usual: 1.5,
      among: (c) => hasPart(c, 'filler'),
      evidence: (c) => [cutShort(c, ['shank-filler'])],
      helps: [
        ['lasted', 'Fill what is hollow, level it when it is hard.'],
        ['finished', 'Nothing reaches it any more.'],
      ],
      prevents: () => ({ sentence: 'Cork well wetted with glue, pressed in to the level of welt and rand.' }),
    },
    {
      id: 'sockRubs',
      name: 'The sock liner is glued at the toe only',
      usual: 1,
      evidence: (c) => [
        given(c.decisions.sock.padding === 'none', [1, 'No padding under it.'], [1.3, 'A padding under it can rub.']),
      ],
      helps: [['finished', 'Lift it and glue it all over, no glue on the lining.']],
      prevents: () => ({ sentence: 'Glued all over.' }),
    },
  ],
}

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
        const coats = midsoleStuff(c)?.coats ?? null
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
  among: (c) => c.planned('heel') !== null || traits(c).inCup,
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
  among: (c) => traits(c).outwards,
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

export const bottomFaults: readonly Fault[] = [gapes, squeaks, dye, rocks, turnedOut]
