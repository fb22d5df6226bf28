import { mm, say } from '../../units/sentence.ts'
import type { FaultCase } from '../case.ts'
import { byLook, byPlan, byReading, given, leftOut, mendOf, worstByPlan } from '../evidence.ts'
import type { Evidence, Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

const upperStuff = (c: FaultCase) => c.materials.find((m) => m.id === c.decisions.materials.upper)
const lowCut = (c: FaultCase) => c.findings.has('upper.throat')

/** How far the two ankles are from what is planned between them: one side was pulled further down. */
function ankles(c: FaultCase): Evidence | null {
  const read = (side: string) => [c.measured(`ankle.${side}`), c.planned(`ankle.${side}`)] as const
  const [[lateral, atLateral], [medial, atMedial]] = [read('lateral'), read('medial')]
  if (lateral === null || medial === null || atLateral === null || atMedial === null) return null
  const off = Math.abs(medial - atMedial - (lateral - atLateral))
  return {
    factor: Math.min(16, Math.max(1 / 6, 4 ** ((off - 1.5) / 1.5))),
    sentence: say`The ankles are ${mm(off, 1)} from what is planned between them: one side came further down.`,
  }
}

const throat: Fault = {
  id: 'crookedThroat',
  name: 'The throat looks crooked',
  sign: 'Seen from above, the opening points to one side.',
  causes: [
    {
      id: 'centreOnFlat',
      name: 'Laid centre on centre on a flat shoe',
      usual: 2,
      evidence: (c) => [
        given(
          !lowCut(c) || c.decisions.upper.throat === 'mirrored',
          [0.25, lowCut(c) ? 'The throat is mirrored to both sides.' : 'This style has no such throat.'],
          [
            4,
            'A low throat is drawn as both sides are, centre on centre: the higher medial side makes it look crooked.',
          ],
        ),
      ],
      helps: [
        ['pattern', 'Mirror the lateral throat before anything is cut.'],
        [
          'lasted',
          say`Draw the tacks from joint to joint, and place the throat ${mm(4)} to the lateral side: it looks straight then.`,
        ],
        ['finished', 'The top line can be trimmed and bound anew where it is bound; else it stays.'],
      ],
      prevents: (c) => ({
        sentence: 'On flat heels the lateral throat is mirrored, and the difference is added to the medial margin.',
        remedy: choose(!lowCut(c) || c.decisions.upper.throat === 'mirrored', 'throat mirrored', {
          upper: { throat: 'mirrored' },
        }),
      }),
    },
    {
      id: 'pulledAside',
      name: 'The toe was pulled to one side',
      usual: 3,
      evidence: (c) => {
        const beside = c.measured('throatMiddle')
        return [
          beside === null
            ? null
            : {
                factor: Math.min(16, Math.max(1 / 6, 4 ** ((beside - 1) / 0.8))),
                sentence: say`The throat lay ${mm(beside, 1)} beside the middle when it was measured.`,
              },
          ankles(c),
        ]
      },
      helps: [
        ['lasted', 'Draw the tacks from joint to joint, pull the other side first, both sides in turn.'],
        ['finished', 'Damp the vamp over the last and work it over by hand; little is won.'],
      ],
      prevents: () => ({
        sentence: 'Toe centre first, then its sides in turn; the notch of the throat on the middle line of the last.',
      }),
    },
    {
      id: 'noMarks',
      name: 'The centre marks were lost',
      usual: 1,
      evidence: (c) => [leftOut(c, 'check-base')],
      helps: [
        ['closing', 'Fold each piece and notch its middle anew.'],
        ['finished', 'Nothing to be done here any more.'],
      ],
      prevents: () => ({ sentence: 'Every centre line has a notch at both ends, and the medial side its own.' }),
    },
    {
      id: 'looseGrain',
      name: 'The two sides were cut in directions that stretch unlike',
      usual: 1,
      evidence: (c) => [
        given((upperStuff(c)?.stretch?.loose ?? 0) > 20, [
          2,
          say`${upperStuff(c)?.name ?? 'The leather'} stretches by more than a fifth across.`,
        ]),
      ],
      helps: [
        ['lasted', 'Let the looser side back until both are even.'],
        ['finished', 'Nothing to be done here any more.'],
      ],
      prevents: () => ({ sentence: 'Vamps side by side, the tight direction from toe to heel on both.' }),
    },
  ],
}

const twist: Fault = {
  id: 'twist',
  name: 'The shoe is twisted',
  sign: 'From behind it leans; on the table the opening looks to one side.',
  causes: [
    {
      id: 'oneSide',
      name: 'One side was fully lasted before the other',
      usual: 3,
      evidence: (c) => [ankles(c), byLook(c, 'look.straight', 'The look from behind when the back was lasted')],
      helps: [
        ['lasted', 'Draw the tacks back to waist and joints, damp it, pull both sides in turn.'],
        ['soled', 'The sole holds it: only taking it off and lasting anew turns it back.'],
        ['finished', 'Damp it, back on the last for some days, weighted against the twist: it gets less.'],
      ],
      prevents: () => ({
        sentence: 'Toe, joints, waist and seat as anchors first, then between them, both sides in turn.',
      }),
    },
    {
      id: 'stiffenerAside',
      name: 'The stiffener lies further round on one side',
      usual: 1.5,
      evidence: (c) => [
        byReading(c, 'tip.lateral', 'Lateral tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
        byReading(c, 'tip.medial', 'Medial tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
      ],
      helps: [
        ['lasted', 'While the paste is damp, lift the upper and bring its middle onto the back seam.'],
        ['finished', 'Dry it stays.'],
      ],
      prevents: () => ({ sentence: 'Its middle is marked and laid on the back seam.' }),
    },
    {
      id: 'crookedBack',
      name: 'The back seam is not in the middle of the heel',
      usual: 1.5,
      evidence: (c) => [leftOut(c, 'check-base'), byPlan(c, 'upper.joins', 'Edges of a seam differ', 0.5)],
      helps: [
        ['lasted', 'Draw the tacks of the seat, set the seam on the line of the last, pull both sides in turn.'],
        ['finished', 'It stays.'],
      ],
      prevents: () => ({ sentence: 'A line down the back of the last, and the seam on it before the first tack.' }),
    },
    {
      id: 'mirroredOnHeel',
      among: lowCut,
      name: 'A mirrored throat on a heel',
      usual: 1,
      evidence: (c) => [
        given(
          c.decisions.upper.throat === 'mirrored' && c.findings.get('upper.throat')?.level === 'stop',
          [8, 'The throat is mirrored, but the heel is high.'],
          [0.3, 'No mirrored throat on a high heel.'],
        ),
      ],
      helps: [['finished', 'It stays in the pattern.']],
      prevents: (c) => ({ sentence: 'Mirrored on flat heels only.', remedy: mendOf(c, 'upper.throat') }),
    },
  ],
}

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
        const stuff = upperStuff(c)
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
          'Stick a strip of leather to its flesh side as a handle, or lash it over with thread; it comes off when the glue is hard.',
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

export const topFaults: readonly Fault[] = [throat, twist, gapes, short, seamOff]
