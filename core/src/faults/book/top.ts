import { mm, say } from '../../units/sentence.ts'
import { stuffOf } from '../case.ts'
import { ankles, byPlan, byReading, given, leftOut, mendOf, worstByPlan } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

const gapes: Fault = {
  id: 'topGapes',
  name: 'The top line gapes or stretches',
  sign: 'It stands off the foot, or grows longer with wear.',
  causes: [
    {
      id: 'noTape',
      name: 'No tape along the top line',
      usual: 3,
      evidence: (c) => [
        given(
          c.shoe.parts.some((p) => ['topTape', 'bead', 'binding', 'collarFoam'].includes(p.id.split('.')[0]!)),
          [0.4, 'Tape, bead or binding holds the top line.'],
          [6, 'Nothing holds the top line.'],
        ),
        leftOut(c, 'fold-tape'),
        leftOut(c, 'tape-top'),
      ],
      helps: [
        ['closing', say`Lay a tape of ${mm(4)} between outside and lining, drawn a little at the heel.`],
        ['finished', 'Open the top row at the back, draw a tape in, sew it again.'],
      ],
      prevents: (c) => ({
        sentence: 'A folded or bound edge with a tape in it.',
        remedy: choose(c.decisions.upper.topFinish === 'folded', 'folded, with a tape', {
          upper: { topFinish: 'folded' },
        }),
      }),
    },
    {
      id: 'highAnkle',
      name: 'Lasted too high at the sides',
      usual: 2,
      evidence: (c) => [
        byReading(c, 'ankle.lateral', 'Lateral top line', 'over', { tolerance: 1.5, scale: 1.5 }),
        byReading(c, 'ankle.medial', 'Medial top line', 'over', { tolerance: 1.5, scale: 1.5 }),
      ],
      helps: [
        ['lasted', 'Draw the tacks at the waist and pull the sides down.'],
        ['finished', 'Damp the top line on the last and let it dry slowly.'],
      ],
      prevents: () => ({ sentence: 'Measure both ankles before the glue is hard.' }),
    },
    {
      id: 'stretchyLeather',
      name: 'The leather stretches along the top line',
      usual: 1.5,
      evidence: (c) => {
        const stuff = stuffOf(c, 'upper')
        return [
          stuff?.stretch
            ? given(
                stuff.stretch.loose > 18,
                [3, say`${stuff.name} gives ${stuff.stretch.loose} % across.`],
                [0.5, say`${stuff.name} gives ${stuff.stretch.loose} % across.`],
              )
            : null,
        ]
      },
      helps: [
        ['closing', 'A tape that does not give, along the whole edge.'],
        ['finished', 'A tape drawn in at the back.'],
      ],
      prevents: () => ({
        sentence: 'A firmer leather, or a backer.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'upper' } },
      }),
    },
    {
      id: 'flatWall',
      name: 'The pattern is longer there than the last',
      usual: 1.5,
      evidence: (c) => [
        worstByPlan(c, ['upper.strain.lateral', 'upper.strain.medial'], 'Leather asked to stretch or crowd', 0.02),
      ],
      helps: [
        ['closing', 'Take a little out at the back seam, towards the top.'],
        ['finished', 'A grip inside the heel.'],
      ],
      prevents: () => ({
        sentence: 'Laid on the last in paper it shows: where the paper gapes, the leather does.',
        remedy: { kind: 'open', control: { room: 'upper', point: 'backTop' } },
      }),
    },
  ],
}

const short: Fault = {
  id: 'shortMargin',
  name: 'The margin is too short to grip',
  sign: 'The pliers slip off, or the upper does not reach far enough under.',
  causes: [
    {
      id: 'plannedShort',
      name: 'It was planned short there',
      usual: 2.5,
      evidence: (c) => [
        worstByPlan(c, ['upper.margin.lateral', 'upper.margin.medial'], 'Margin where it is narrowest', 2, 'under'),
      ],
      helps: [
        ['pattern', 'Add to the margin before anything is cut.'],
        [
          'lasted',
          'Stick a strip of leather to the inside of the margin as a handle, or lash it over with thread; it comes off when the glue is hard.',
        ],
        ['finished', 'It has held.'],
      ],
      prevents: (c) => ({
        sentence: 'More margin.',
        remedy:
          mendOf(c, 'upper.margin.medial') ??
          mendOf(c, 'upper.margin.lateral') ??
          moveRule(c, 'upper.lastingMargin', 3),
      }),
    },
    {
      id: 'pulledToOther',
      name: 'The other side was pulled too far',
      usual: 2.5,
      evidence: (c) => [
        ankles(c),
        byReading(c, 'throatMiddle', 'Throat beside the middle', 'over', { tolerance: 1, scale: 0.8 }),
      ],
      helps: [
        ['lasted', 'Draw its tacks and let it back.'],
        ['finished', 'It stays.'],
      ],
      prevents: () => ({ sentence: 'Both sides in turn, the same pull.' }),
    },
    {
      id: 'thickShell',
      name: 'What lies inside is thicker than planned',
      usual: 1.5,
      evidence: (c) => [
        byPlan(c, 'layers.bulk', 'Wall at its thickest', 1),
        byPlan(c, 'pair.spread', 'Spread of the thickness', 0.3),
      ],
      helps: [
        ['lasted', 'Thin the stiffener’s turned edge; hammer it down.'],
        ['finished', 'It stays.'],
      ],
      prevents: () => ({
        sentence: 'Measure the leathers with the gauge, and let the plan take what it says.',
        remedy: { kind: 'open', control: { room: 'stores' } },
      }),
    },
    {
      id: 'highBack',
      name: 'The upper sits too high',
      usual: 1.5,
      evidence: (c) => [byReading(c, 'backHeight', 'Height at the back', 'over', { tolerance: 1.5, scale: 1.5 })],
      helps: [
        ['lasted', 'Draw the tacks at the seat and pull down.'],
        ['finished', 'It stays.'],
      ],
      prevents: () => ({ sentence: 'Hold the height of the back with a tack, measured.' }),
    },
  ],
}

const seamOff: Fault = {
  id: 'seamOff',
  name: 'A seam stands off the last',
  sign: 'It bridges a hollow, or stands up as a ridge.',
  causes: [
    {
      id: 'notHammered',
      name: 'It was not hammered flat',
      usual: 2.5,
      evidence: (c) => [leftOut(c, 'hammer-back')],
      helps: [
        ['closing', 'Damp it and hammer it over an iron.'],
        ['lasted', 'Warm and damp it on the last, then the hammer’s round face through leather.'],
        ['finished', 'Damp, bone, and a block of its shape.'],
      ],
      prevents: () => ({ sentence: 'Every seam is hammered before the lining comes in.' }),
    },
    {
      id: 'thickLap',
      name: 'Its laps are not thinned',
      usual: 2,
      evidence: (c) => [byPlan(c, 'edges.ridge', 'Edge under the lap, rise by run', 0.12), leftOut(c, 'skive-upper')],
      helps: [
        ['closing', 'Open it and skive the edge that lies under.'],
        ['finished', 'Hammered damp it shows less.'],
      ],
      prevents: (c) => ({
        sentence: 'The edge that lies under is skived beyond the lap.',
        remedy: mendOf(c, 'edges.ridge') ?? moveRule(c, 'skive.lapBeyond', 1),
      }),
    },
    {
      id: 'hollow',
      name: 'It runs over a hollow that the pattern does not follow',
      usual: 2,
      evidence: (c) => [
        worstByPlan(c, ['upper.strain.lateral', 'upper.strain.medial'], 'Leather asked to stretch or crowd', 0.02),
      ],
      helps: [
        ['lasted', 'Damp it, lay a strip of leather in the hollow and tie it down overnight.'],
        ['finished', 'Damp, and a block in the hollow until it is dry.'],
      ],
      prevents: () => ({
        sentence: 'Lay the seam where the last is straight, or cut the piece in two there.',
        remedy: { kind: 'open', control: { room: 'upper', point: 'seamShoulder' } },
      }),
    },
    {
      id: 'lowWarm',
      name: 'It was never wetted or left on the last',
      usual: 1.5,
      evidence: (c) => [
        given(
          c.decisions.work.ways.rest === 'pulled at once',
          [1.6, 'The upper was pulled at once.'],
          [0.4, 'The upper was left on the last, or damped.'],
        ),
      ],
      helps: [
        ['lasted', 'Damp it and leave it on the last for some days.'],
        ['finished', 'Damp, and back on the last.'],
      ],
      prevents: (c) => ({
        sentence: 'Wetted and left on the last, leather learns its hollows.',
        remedy: choose(c.decisions.work.ways.rest === 'wetted and left', 'wetted and left', {
          work: { ways: { rest: 'wetted and left' } },
        }),
      }),
    },
  ],
}

export const topFaults: readonly Fault[] = [gapes, short, seamOff]
