import { traitsOf } from '../../model/construction.ts'
import { mm, say } from '../../units/sentence.ts'
import type { FaultCase } from '../case.ts'
import { byPlan, cutShort, given, leftOut, tooLong } from '../evidence.ts'
import type { Evidence, Fault } from '../fault.ts'
import { choose } from '../remedies.ts'

const SOLE_GLUE = ['cement-midsole', 'cement-outsole', 'cement-cup', 'turn-out']
const traits = (c: FaultCase) => traitsOf(c.decisions.construction)
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

export const soleFaults: readonly Fault[] = [gapes, squeaks]
