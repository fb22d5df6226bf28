import { mm, say } from '../../units/sentence.ts'
import type { FaultCase } from '../case.ts'
import { byLook, byPlan, cutShort, given, leftOut, mendOf, worstByPlan } from '../evidence.ts'
import type { Fault } from '../fault.ts'
import { choose, moveRule } from '../remedies.ts'

const padding = (c: FaultCase) =>
  c.foot === 'left' ? (c.decisions.left?.padding ?? c.decisions.sock.padding) : c.decisions.sock.padding
const GIRTHS = ['padding.girth.joint', 'padding.girth.waist', 'padding.girth.instep']

const tight: Fault = {
  id: 'tightSock',
  name: 'Tighter since the new sock',
  sign: 'It fitted before the sock liner or the padding went in.',
  causes: [
    {
      id: 'fullPadding',
      name: 'The padding takes girth where the foot has none to give',
      usual: 3,
      evidence: (c) => [
        given(
          padding(c) === 'full',
          [4, 'A full padding is planned.'],
          padding(c) === 'none'
            ? [0.25, 'No padding is planned.']
            : [1, say`A ${padding(c) === 'half' ? 'half padding' : 'heel pad'} is planned.`],
        ),
        worstByPlan(c, GIRTHS, 'Inside girth lost', 1.2),
      ],
      helps: [
        [
          'finished',
          say`Take it out and cut it off at the instep line, its front edge skived over ${mm(12)} or more, on a line that is marked.`,
        ],
      ],
      prevents: (c) => ({
        sentence: 'Half a padding leaves the joint its room.',
        remedy:
          worst(c) ??
          choose(padding(c) === 'half' || padding(c) === 'none', 'half padding', { sock: { padding: 'half' } }),
      }),
    },
    {
      id: 'thickSock',
      name: 'The sock liner itself is thick',
      usual: 1.5,
      evidence: (c) => {
        const sock = c.shoe.parts.find((p) => p.id === 'sock')
        return [
          sock
            ? given(
                sock.thickness > 1.2,
                [3, say`The sock liner is ${mm(sock.thickness, 1)}.`],
                [0.6, say`The sock liner is ${mm(sock.thickness, 1)}.`],
              )
            : null,
        ]
      },
      helps: [['finished', 'A half sock, or a thinner leather.']],
      prevents: (c) => ({
        sentence: 'A half sock leaves the joint its room.',
        remedy: choose(c.decisions.sock.extent !== 'full', 'a half sock', { sock: { extent: 'half' } }),
      }),
    },
    {
      id: 'largeSock',
      name: 'It is too large and stands up at the walls',
      usual: 1.5,
      evidence: () => [],
      helps: [['finished', 'Trim it all round by the thickness of the lining.']],
      prevents: () => ({ sentence: 'Cut from the insole’s outline, less the lining at the walls.' }),
    },
    {
      id: 'damp',
      name: 'The shoe is damp or the foot is warm',
      usual: 1,
      evidence: () => [],
      helps: [['finished', 'Dry it for a day with paper in the toe, try it on in the morning.']],
      prevents: () => ({ sentence: 'Tried on when it has dried through.' }),
    },
  ],
}
const worst = (c: FaultCase) => GIRTHS.map((id) => mendOf(c, id)).find((r) => r !== undefined)

const felt: Fault = {
  id: 'feltStep',
  name: 'A step is felt under the foot',
  sign: 'With the hand, or after an hour of walking.',
  causes: [
    {
      id: 'paddingEdge',
      name: 'The front edge of the padding is not skived to nothing',
      usual: 3,
      evidence: (c) => [
        given(
          padding(c) === 'none' || padding(c) === 'full',
          [0.2, padding(c) === 'full' ? 'A full padding has no edge under the foot.' : 'No padding is planned.'],
          [2, 'The padding ends under the foot.'],
        ),
        leftOut(c, 'skive-padding'),
        given(c.rule('sock.frontSkive') < 12, [
          Math.min(6, 2 ** ((12 - c.rule('sock.frontSkive')) / 3)),
          say`Its edge is skived over ${mm(c.rule('sock.frontSkive'))}.`,
        ]),
      ],
      helps: [['finished', say`Lift the sock liner, skive the edge over ${mm(12)} to nothing, glue it down again.`]],
      prevents: (c) => ({ sentence: 'A long skive.', remedy: moveRule(c, 'sock.frontSkive', 3) }),
    },
    {
      id: 'hollowFiller',
      name: 'The filler is hollow or stands proud',
      usual: 2,
      evidence: (c) => [
        given(
          c.shoe.parts.some((p) => p.id === 'filler'),
          [1, 'Cork fills the bottom.'],
          [0.2, 'There is no filler.'],
        ),
        leftOut(c, 'shank-filler'),
        cutShort(c, ['shank-filler']),
      ],
      helps: [
        ['lasted', 'Rasp it level when it is hard.'],
        ['finished', 'A thin leather under the sock liner evens it out.'],
      ],
      prevents: () => ({ sentence: 'Levelled with the rasp when it is hard, not before.' }),
    },
    {
      id: 'tackLeft',
      name: 'A tack or a peg stands through',
      usual: 2,
      evidence: (c) => {
        const [measured, planned] = [c.measured('tacks'), c.planned('tacks')]
        return [
          measured !== null && planned !== null
            ? given(
                measured < planned,
                [12, say`${planned - measured} of ${planned} tacks were not counted back.`],
                [0.3, 'All tacks were counted back.'],
              )
            : null,
          byLook(c, 'look.inside', 'The hand in the shoe'),
        ]
      },
      helps: [
        [
          'finished',
          'Nobody wears it until it is found: a magnet and a thumb over the insole, pegs rasped flush, the tack drawn.',
        ],
      ],
      prevents: () => ({ sentence: 'Count them out of the shoe; a magnet finds the rest.' }),
    },
    {
      id: 'thickLining',
      name: 'The lining piles up under the insole’s edge',
      usual: 1,
      evidence: (c) => [
        given(
          c.decisions.lining.trim === 'long',
          [2, 'The lining is left long underneath.'],
          [0.7, 'The lining is trimmed short.'],
        ),
      ],
      helps: [
        ['lasted', 'Skive what piles up.'],
        ['finished', 'A thin leather under the sock liner evens it out.'],
      ],
      prevents: (c) => ({
        sentence: 'Trimmed short.',
        remedy: choose(c.decisions.lining.trim === 'short', 'trimmed short', { lining: { trim: 'short' } }),
      }),
    },
  ],
}

const thread: Fault = {
  id: 'threadOut',
  name: 'The thread ran out',
  sign: 'Or the needle came off it, in the middle of a seam by hand.',
  among: (c) => c.plan.steps.some((s) => s.stuff.some((x) => x.name.startsWith('Thread'))),
  causes: [
    {
      id: 'shortThread',
      name: 'It was cut short',
      usual: 3,
      evidence: (c) => [
        byPlan(c, 'seams.thread', 'Longest thread', 500),
        given(c.rule('seam.threadMore') < 1.1, [3, 'The spare of the thread is set below a tenth.']),
      ],
      helps: [
        [
          'finished',
          'Wax a new one, go back three stitches, sew over them; the end knots lie at the bottom edge, away from the foot.',
        ],
      ],
      prevents: (c) => ({
        sentence: 'Twice the stitches times pitch and thickness, a tenth more, and the ends for two needles.',
        remedy: moveRule(c, 'seam.threadMore', 0.05),
      }),
    },
    {
      id: 'closePitch',
      name: 'The stitches came out closer than planned',
      usual: 2,
      evidence: () => [],
      helps: [['finished', 'Count what is left; join a new thread in good time, where it is not seen.']],
      prevents: () => ({ sentence: 'Holes are marked with the wheel or the template before the first stitch.' }),
    },
    {
      id: 'needleOff',
      name: 'The thread was not pierced and laid back at the needle',
      usual: 2,
      evidence: () => [],
      helps: [['finished', 'Taper the end, pierce it twice, lay it back and roll it in wax.']],
      prevents: () => ({ sentence: 'Tapered, pierced, waxed; the bead of wax goes through the hole.' }),
    },
  ],
}

const eyelets: Fault = {
  id: 'eyeletsTear',
  name: 'Eyelets tear out or stretch',
  sign: 'The holes grow long, the facing puckers.',
  among: (c) => c.findings.has('lacing.edge'),
  causes: [
    {
      id: 'noFacingTape',
      name: 'No tape under the lacing',
      usual: 3,
      evidence: (c) => [
        given(
          c.shoe.parts.some((p) => p.id.startsWith('facingTape')),
          [0.4, 'A tape lies under the lacing.'],
          [5, 'Nothing lies under the lacing.'],
        ),
        leftOut(c, 'tape-facings'),
      ],
      helps: [
        ['closing', 'Tape between outside and lining before the eyelets go in.'],
        ['finished', 'Open the facing’s row, slide a tape in, sew it, set new eyelets a size larger.'],
      ],
      prevents: () => ({ sentence: 'Taped before the eyelets.' }),
    },
    {
      id: 'nearEdge',
      name: 'Too near to the edge',
      usual: 2,
      evidence: (c) => [byPlan(c, 'lacing.edge', 'Leather between eyelet and edge', 1.5, 'under')],
      helps: [
        ['closing', 'A new row further in, the old holes under a stay.'],
        ['finished', 'A stay over the row, sewn round.'],
      ],
      prevents: (c) => ({
        sentence: 'Further from the edge.',
        remedy: mendOf(c, 'lacing.edge') ?? moveRule(c, 'lacing.fromEdge', 1),
      }),
    },
    {
      id: 'wideGap',
      name: 'The facings stand too wide apart, and it is laced with force',
      usual: 1.5,
      evidence: (c) => [byPlan(c, 'upper.facingGap', 'Gap between the facings', 4)],
      helps: [['finished', 'A thinner sock, or the last less built up next time.']],
      prevents: (c) => ({
        sentence: 'The facings meet their planned gap on the foot.',
        remedy: mendOf(c, 'upper.facingGap'),
      }),
    },
  ],
}

export const insideFaults: readonly Fault[] = [tight, felt, thread, eyelets]
