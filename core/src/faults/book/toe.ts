import { isSheet } from '../../model/material.ts'
import { mm, mmTo, say } from '../../units/sentence.ts'
import { stuffOf, type FaultCase } from '../case.ts'
import { bySize, byLook, byPlan, byReading, cutShort, given, leftOut, mendOf, thickness, tooLong } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

const upperThickness = (c: FaultCase) => stuffOf(c, 'upper')?.thickness ?? 0
const hasPuff = (c: FaultCase) => c.shoe.parts.some((p) => p.id === 'puff')
const puffLength = (c: FaultCase) => c.measured('puffBack') ?? c.planned('puffBack') ?? 0

const line: Fault = {
  id: 'puffLine',
  name: 'A line at the puff',
  sign: 'The back edge of the puff is seen through the vamp, or felt with the thumb.',
  among: hasPuff,
  causes: [
    {
      id: 'shortSkive',
      name: 'Its back edge is skived too short',
      usual: 3,
      evidence: (c) => [
        byPlan(c, 'layers.step.puff', 'Step at the puff’s edge, rise by run', 0.12),
        given(
          c.rule('puff.backSkive') < 12,
          [
            Math.min(8, 4 ** ((12 - c.rule('puff.backSkive')) / 4)),
            say`The back edge is skived over ${mm(c.rule('puff.backSkive'))}.`,
          ],
          [0.7, say`The back edge is skived over ${mm(c.rule('puff.backSkive'))}.`],
        ),
      ],
      helps: [
        ['closing', 'Skive it longer, straight to nothing, before it is soaked.'],
        ['lasting', 'When it has dried on the last, shave and sand its edge until the thumb finds nothing.'],
        ['lasted', 'Lift the vamp as far as the throat, shave the edge, pull it down again.'],
        [
          'finished',
          'Damp the vamp, lay leather on it and hammer along the line; wax and a darker cream hide what is left.',
        ],
      ],
      prevents: (c) => ({ sentence: 'A longer skive to nothing.', remedy: moveRule(c, 'puff.backSkive', 5) }),
    },
    {
      id: 'syntheticPuff',
      name: 'A puff of sheet leaves a line unless its edge is thinned',
      usual: 1.5,
      evidence: (c) => {
        const stuff = stuffOf(c, 'puff')
        return [
          stuff
            ? given(isSheet(stuff), [5, say`${stuff.name} is sheet.`], [0.3, say`${stuff.name} is leather.`])
            : null,
        ]
      },
      helps: [
        [
          'lasting',
          'Thin its edge with a hot knife or sand it before the vamp comes down; dipped edges run out to nothing.',
        ],
        ['finished', 'Warm it through the vamp (test on a rest first) and rub the edge down with the bone.'],
      ],
      prevents: () => ({
        sentence: 'A leather puff, or a sheet whose edge is skived or dipped.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'puff' } },
      }),
    },
    {
      id: 'notShaved',
      name: 'Its edge was not shaved when it had dried',
      usual: 2,
      evidence: (c) => [leftOut(c, 'shave-puff'), byLook(c, 'look.puff', 'The look for a line when it was shaved')],
      helps: [
        ['lasted', 'Lift the vamp as far as the throat, shave the edge, pull it down again.'],
        ['finished', 'Damp and hammer along the line.'],
      ],
      prevents: () => ({ sentence: 'Wet leather swells at its edge: it is shaved once more when it is dry.' }),
    },
    {
      id: 'wetPuff',
      name: 'The upper came down over a wet puff',
      usual: 1.5,
      evidence: (c) => [cutShort(c, ['set-puff', 'form-puff'])],
      helps: [
        ['lasted', 'Leave it on the last until it is dry through; then damp the vamp only and hammer the line.'],
        ['finished', 'Damp and hammer along the line.'],
      ],
      prevents: () => ({ sentence: 'A night between puff and upper: wet, it is pressed into steps.' }),
    },
    {
      id: 'thinVamp',
      name: 'The vamp is thin',
      usual: 1,
      evidence: (c) => [
        given(
          upperThickness(c) < 1.1,
          [3, say`The upper leather is ${mm(upperThickness(c), 1)}.`],
          [0.6, say`The upper leather is ${mm(upperThickness(c), 1)}.`],
        ),
      ],
      helps: [['finished', 'Thin leather shows all that lies under it; a cream with wax evens it out.']],
      prevents: () => ({
        sentence: 'A backer under thin leather, or a thinner puff.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'puff' } },
      }),
    },
  ],
}

const crease: Fault = {
  id: 'crease',
  name: 'A crease on the big toe',
  sign: 'Where the shoe bends something presses, and the vamp creases over the toes.',
  causes: [
    {
      id: 'longPuff',
      name: 'The puff is too long',
      usual: 3,
      evidence: (c) => [
        byPlan(c, 'puff.crease', 'Puff clear of the crease line', 5, 'under'),
        byReading(c, 'puffBack', 'Back edge of the puff', 'over', { tolerance: 1.5, scale: 2 }),
      ],
      helps: [
        ['closing', 'Cut it shorter and skive its back edge anew.'],
        ['lasting', 'Pare it back to its line while it is on the last, shave the edge.'],
        [
          'lasted',
          'Lift the vamp as far as the throat, pare the puff back to its line, shave the edge, pull it down again.',
        ],
        [
          'finished',
          'Damp the place from inside and work it soft with the bone; the edge itself stays. Whoever wears it should not suffer it: a toe that is pressed sore is a matter for a clinician.',
        ],
      ],
      prevents: (c) => ({
        sentence: 'Shorter: err on the short side.',
        remedy:
          mendOf(c, 'puff.crease') ??
          (hasPuff(c)
            ? { kind: 'hand', decision: 'puff.length', value: Math.max(15, Math.round(puffLength(c) - 4)) }
            : undefined),
      }),
    },
    {
      id: 'lacingInBend',
      name: 'The lacing ends where the shoe bends',
      usual: 1.5,
      among: (c) => c.findings.has('upper.facingGap'),
      evidence: (c) => [byPlan(c, 'upper.vampLength', 'End of the lacing behind the crease line', 4, 'under')],
      helps: [
        ['closing', 'Nothing but new quarters moves it.'],
        ['finished', 'Leave the first pair of eyelets unlaced.'],
      ],
      prevents: (c) => ({
        sentence: 'The lacing ends behind the crease line.',
        remedy: mendOf(c, 'upper.vampLength') ?? { kind: 'open', control: { room: 'upper', point: 'vampPoint' } },
      }),
    },
    {
      id: 'shortLast',
      name: 'The last is too short for the foot',
      usual: 1.5,
      evidence: (c) => [bySize(c, 'short')],
      helps: [['finished', 'It cannot be made longer; stretching gives width only.']],
      prevents: () => ({
        sentence: 'Compare the last with the foot.',
        remedy: { kind: 'open', control: { room: 'decisions', at: 'last' } },
      }),
    },
    {
      id: 'slackVamp',
      name: 'The vamp was not pulled down over the toe',
      usual: 1,
      evidence: (c) => [byReading(c, 'throat', 'Throat from the toe', 'over', { tolerance: 2, scale: 2 })],
      helps: [
        ['lasted', 'Draw the tacks of the toe, pull until the throat is on its line.'],
        ['finished', 'Damp the vamp on the last and let it shrink dry, slowly.'],
      ],
      prevents: () => ({ sentence: 'The throat is measured from the toe before the glue is hard.' }),
    },
  ],
}

const soft: Fault = {
  id: 'softToe',
  name: 'The toe box gives way',
  sign: 'Pressed with the thumb it stays in, or the toe has lost its shape.',
  among: hasPuff,
  causes: [
    {
      id: 'shortPuff',
      name: 'The puff is too short',
      usual: 2,
      evidence: (c) => [
        byPlan(c, 'puff.short', 'Length of the puff', 3, 'under'),
        byReading(c, 'puffBack', 'Back edge of the puff', 'under', { tolerance: 1.5, scale: 2 }),
      ],
      helps: [
        ['lasting', 'Set a longer one.'],
        ['finished', 'A stiffening liquid from inside, if its label allows it for leather; shape it over the last.'],
      ],
      prevents: (c) => ({
        sentence: 'By the tape over the toe box.',
        remedy: mendOf(c, 'puff.short') ?? {
          kind: 'hand',
          decision: 'puff.length',
          value: Math.min(130, Math.round(puffLength(c) + 4)),
        },
      }),
    },
    {
      id: 'thinPuff',
      name: 'The puff is too thin or too soft',
      usual: 2.5,
      evidence: (c) => [thickness(c, 'puff', 'under', 1.9, 0.3)],
      helps: [
        ['lasting', 'Paste a second thin one over it, skived to nothing.'],
        ['finished', 'A stiffening liquid from inside, if its label allows it for leather.'],
      ],
      prevents: () => ({
        sentence: say`Belly of ${mmTo(1.9, 2.5)}, or a firmer sheet.`,
        remedy: { kind: 'open', control: { room: 'decisions', at: 'puff' } },
      }),
    },
    {
      id: 'pasteMissing',
      name: 'The paste did not set through',
      usual: 2,
      evidence: (c) => [cutShort(c, ['set-puff', 'form-puff']), tooLong(c, ['set-puff'])],
      helps: [
        ['lasted', 'Leave it on the last, warm and dry, for some days more.'],
        ['finished', 'Paste from inside with a brush where the lining can be lifted; back on the last to dry.'],
      ],
      prevents: () => ({ sentence: 'Paste on both faces until they are slippery, and a night on the last.' }),
    },
  ],
}

const liningOff: Fault = {
  id: 'liningOff',
  name: 'The lining pulls off at the toe',
  sign: 'Inside the toe it drums, hangs down, or tears away.',
  causes: [
    {
      id: 'tightLining',
      name: 'It was lasted too tight over the toe',
      usual: 3,
      evidence: (c) => [
        given(c.decisions.work.ways.lasting === 'lining first', [1.3, 'The lining was lasted first, all round.']),
        byPlan(c, 'lasting.tuck.lining', 'Tuck between two tacks of the lining', 0.6),
      ],
      helps: [
        ['lasting', 'Draw its tacks at the toe and let it back until the thumb finds it slack.'],
        ['finished', 'Paste under it with a thin brush from the opening, press it on with a bag of sand overnight.'],
      ],
      prevents: () => ({ sentence: 'Slack under the thumb over the toe; the puff fills it.' }),
    },
    {
      id: 'liningGlue',
      name: 'Its cement had dried, or was joined too soon',
      usual: 2,
      evidence: (c) => [
        tooLong(c, ['cement-lining']),
        cutShort(c, ['cement-lining', 'last-lining', 'last-lining-toe']),
      ],
      helps: [
        ['lasting', 'Lift the margin, cement both faces anew.'],
        ['finished', 'Cement where it is reached, and press.'],
      ],
      prevents: (c) => ({
        sentence: 'A glue that heat wakes forgives a late hand.',
        remedy: choose(c.decisions.work.ways.cement === 'heat-set glue', 'heat-set glue', {
          work: { ways: { cement: 'heat-set glue' } },
        }),
      }),
    },
    {
      id: 'shortTrim',
      name: 'It was trimmed too short to hold',
      usual: 1.5,
      evidence: (c) => [
        given(
          c.decisions.lining.trim !== 'long',
          [1.5, 'The lining is trimmed near the feather line: little holds it.'],
          [0.4, 'The lining is left long underneath.'],
        ),
      ],
      helps: [
        ['lasting', 'A strip of lining leather glued over the edge and the insole holds it.'],
        ['finished', 'Cement where it is reached, and press.'],
      ],
      prevents: (c) => ({
        sentence: 'Left long, and skived where it piles up.',
        remedy: choose(c.decisions.lining.trim === 'long', 'left long', { lining: { trim: 'long' } }),
      }),
    },
  ],
}

export const toeFaults: readonly Fault[] = [line, crease, soft, liningOff]
