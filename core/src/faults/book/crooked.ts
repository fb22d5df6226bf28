import { mm, say } from '../../units/sentence.ts'
import { stuffOf, type FaultCase } from '../case.ts'
import { ankles, byLook, byPlan, byReading, given, leftOut, mendOf } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { choose } from '../remedies.ts'

const lowCut = (c: FaultCase) => c.findings.has('upper.throat')

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
        given((stuffOf(c, 'upper')?.stretch?.loose ?? 0) > 20, [
          2,
          say`${stuffOf(c, 'upper')?.name ?? 'The leather'} stretches by more than a fifth across.`,
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

export const crookedFaults: readonly Fault[] = [throat, twist]
