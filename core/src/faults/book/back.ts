import { mm, mmTo, say } from '../../units/sentence.ts'
import { bySize, byPlan, byReading, cutShort, given, leftOut, mendOf, thickness, tooLong } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { choose } from '../remedies.ts'

/** A shell that is set wet: its steps of soaking and wrapping. */
const DAMP = ['soak-stiffener', 'wrap-stiffener']

const bump: Fault = {
  id: 'bump',
  name: 'A bump on the back line',
  sign: 'Seen from the side, the back stands out over the heel more than the last does.',
  causes: [
    {
      id: 'overCorrected',
      name: 'The back line was taken in too much',
      usual: 3,
      evidence: (c) => [
        given(
          c.decisions.upper.backTaper === 0,
          [1 / 6, 'The back line is not taken in at all.'],
          [
            Math.min(16, 4 ** ((c.decisions.upper.backTaper - 2.5) / 0.7)),
            say`It is taken in by ${mm(c.decisions.upper.backTaper)} a side; from ${mmTo(3, 4)} on it makes a bump.`,
          ],
        ),
      ],
      helps: [
        ['closing', 'Open the back seam and sew it less deep below mid-height.'],
        [
          'finished',
          'Damp the back over the last and hammer the bump down with the round face; leather that is too short there gives a little.',
        ],
      ],
      prevents: (c) => ({
        sentence: 'Take in less, and draw the middle of the back line rounder instead.',
        remedy: choose(c.decisions.upper.backTaper <= 2, say`Take in ${mm(2)} a side`, { upper: { backTaper: 2 } }),
      }),
    },
    {
      id: 'seamNotFlat',
      name: 'The back seam was not hammered flat',
      usual: 2,
      evidence: (c) => [leftOut(c, 'hammer-back')],
      helps: [
        ['lasting', 'Take it off the last, damp the seam, hammer it over an iron from inside, both margins laid open.'],
        [
          'finished',
          'Damp it and rub it down over the last with the bone, then with a warm hammer face through paper.',
        ],
      ],
      prevents: () => ({
        sentence: 'The seam is laid open and hammered before the lining comes in: afterwards nothing reaches it.',
      }),
    },
    {
      id: 'thickStay',
      name: 'The stay over the seam is too thick or not skived',
      usual: 1.5,
      evidence: (c) => [
        byPlan(c, 'layers.step.backStay', 'Step at the stay over the back seam', 0.15),
        thickness(c, 'backStay', 'over', 0.6, 0.3),
      ],
      helps: [
        ['closing', 'Lift the stay and skive its long edges to nothing.'],
        ['finished', 'Hammered damp it shows less.'],
      ],
      prevents: (c) => ({
        sentence: 'A thin stay, its edges skived to nothing.',
        remedy: mendOf(c, 'layers.step.backStay'),
      }),
    },
    {
      id: 'stiffLump',
      name: 'The stiffener was not damp through, and lies in a lump',
      usual: 1.5,
      evidence: (c) => [cutShort(c, DAMP), tooLong(c, DAMP)],
      helps: [
        ['lasted', 'Damp the heel from outside for a while, hammer it to the last over the insole’s edge.'],
        ['finished', 'A damp cloth on the heel over night, then a block and the hammer.'],
      ],
      prevents: () => ({ sentence: 'Soaked until no more bubbles rise, then kept wrapped until it bends like cloth.' }),
    },
  ],
}

const slips: Fault = {
  id: 'slips',
  name: 'The heel slips',
  sign: 'At each step the heel comes out of the shoe.',
  causes: [
    {
      id: 'noGrip',
      name: 'The back does not come in at the top',
      usual: 3,
      evidence: (c) => [byPlan(c, 'upper.backGrip', 'The top of the back comes in', 1, 'under')],
      helps: [
        ['pattern', 'Raise the top of the back, or let it come in further, before anything is cut.'],
        [
          'finished',
          'A grip of suede or a thin pad inside the heel, skived all round; in a pair of laced shoes a tongue pad holds the foot back.',
        ],
      ],
      prevents: (c) => ({
        sentence:
          'The top of the back comes in from the fullest point: raise it to where the last does, or build the last up.',
        remedy: mendOf(c, 'upper.backGrip') ?? { kind: 'open', control: { room: 'upper', point: 'backTop' } },
      }),
    },
    {
      id: 'lowTop',
      name: 'The back is lower than planned',
      usual: 1.5,
      evidence: (c) => [byReading(c, 'backHeight', 'Height at the back', 'under', { tolerance: 1.5, scale: 1.5 })],
      helps: [
        ['lasted', 'Bring the back up to its height before the sole covers the margin.'],
        ['finished', 'A grip of suede inside the heel.'],
      ],
      prevents: () => ({ sentence: 'Measure the height at the back before the paste sets, left and right.' }),
    },
    {
      id: 'stiffenerLow',
      name: 'The stiffener sits too low or too far round',
      usual: 1.5,
      evidence: (c) => [
        byReading(c, 'tip.medial', 'Medial tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
        byReading(c, 'tip.lateral', 'Lateral tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
      ],
      helps: [
        ['lasted', say`While the paste is damp lift the upper and set it ${mm(3)} below the top line.`],
        ['finished', 'It cannot be moved any more; a grip inside helps.'],
      ],
      prevents: () => ({ sentence: 'A loose stitch through the top holds it while it is lasted.' }),
    },
    {
      id: 'longLast',
      name: 'The last is too long for the foot',
      usual: 1.5,
      evidence: (c) => [bySize(c, 'long')],
      helps: [
        ['finished', 'A sock liner or a half padding takes up a few millimetres of girth, and holds the heel back.'],
      ],
      prevents: () => ({
        sentence: 'Compare the last with the foot.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'last' } },
      }),
    },
    {
      id: 'smoothLining',
      name: 'The lining at the heel is smooth',
      usual: 1,
      evidence: (c) => [
        given(
          c.decisions.lining.back === 'heel grip',
          [0.6, 'A heel grip is planned: its flesh side holds the sock.'],
          [2, 'No heel grip: the grain of the lining lies against the heel.'],
        ),
      ],
      helps: [['finished', 'Roughen the lining at the heel lightly, or stick a grip of suede over it.']],
      prevents: (c) => ({
        sentence: 'A heel grip with its flesh side to the foot.',
        remedy: choose(c.decisions.lining.back === 'heel grip', 'a heel grip', { lining: { back: 'heel grip' } }),
      }),
    },
  ],
}

const slid: Fault = {
  id: 'slid',
  name: 'The stiffener slid down',
  sign: 'Its top edge is felt far below the top line, or higher on one side.',
  causes: [
    {
      id: 'notHeld',
      name: 'Nothing held it while it was lasted',
      usual: 3,
      evidence: (c) => [
        byReading(c, 'tip.medial', 'Medial tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
        byReading(c, 'tip.lateral', 'Lateral tip of the stiffener', 'either', { tolerance: 3, scale: 3 }),
      ],
      helps: [
        [
          'lasted',
          say`Draw the tacks of the seat, open lining and upper while the paste is damp, push it up to ${mm(3)} below the top line, hold it with a stitch.`,
        ],
        [
          'finished',
          'Set and dry it stays; a thin second one can be slipped in from above where the top line is opened.',
        ],
      ],
      prevents: () => ({
        sentence:
          'A loose stitch through upper, stiffener and lining at the top of the back; it comes out when the shoe has dried.',
      }),
    },
    {
      id: 'tooWet',
      name: 'It was wet, not damp',
      usual: 2,
      evidence: (c) => [tooLong(c, ['soak-stiffener']), cutShort(c, ['wrap-stiffener'])],
      helps: [
        ['lasted', 'Let it dry a little on the last, push it up, hammer it round.'],
        ['finished', 'It is dry now.'],
      ],
      prevents: () => ({
        sentence: 'After soaking it mellows in a cloth: between wet and dry it takes hold and takes shape.',
      }),
    },
    {
      id: 'pasteDry',
      name: 'The paste had dried before it was lasted',
      usual: 1.5,
      evidence: (c) => [tooLong(c, ['paste-stiffener'])],
      helps: [
        ['lasted', 'Open it, paste both faces anew, slide it into place.'],
        ['finished', 'Paste gives to damp: from inside with a damp cloth, pressed up and left to dry.'],
      ],
      prevents: () => ({ sentence: 'One shoe after the other: pasted, and lasted at once.' }),
    },
  ],
}

export const backFaults: readonly Fault[] = [bump, slips, slid]
