import { traitsOf } from '../../model/construction.ts'
import { lastingRules } from '../../lasting/rules.ts'
import type { Foot } from '../../trade/foot.ts'
import { mm, say, type Sentence } from '../../units/sentence.ts'
import { fixed, tacked } from '../effort.ts'
import { partsOf, type Facts, type ShoeFacts } from '../facts.ts'
import { cementHard, cementOf } from '../glues.ts'
import { bring, eachFoot, operation, want, type Needs, type Operation } from '../operation.ts'
import type { ToolId } from '../tools.ts'
import { atLeast, waitRules } from '../waits.ts'
import { lastLining, sideLiningsOver } from './lastLining.ts'
import { allTacks, drawn, shellsBared, tacksFor } from './lastingTacks.ts'
import { setPuff, setStiffener } from './shells.ts'

const under = (f: Facts) => !traitsOf(f.construction).outwards
const first = (f: Facts) => f.work.ways.lasting === 'lining first'

const TWIST: Sentence =
  'Both sides in turn: seen from behind the shoe stands straight, seen from above the throat lies in the middle.'
const pulled = (f: Facts): ToolId[] => [
  ...(f.work.ways.pull === 'by machine' ? (['lastingMachine'] as const) : []),
  'widePliers',
  'narrowPliers',
  'hammer',
]
const pullCautions = (f: Facts) =>
  f.work.ways.pull === 'by machine' ? (['tacks', 'hammer', 'press'] as const) : (['tacks', 'hammer'] as const)

/** Lining, stiffener, puff and upper over the last. */
export const lastingWork = (f: Facts): Operation[] => [
  ...(first(f) ? [] : readied(f)),
  ...(first(f)
    ? [...lastLining(f, [...onInsole, ...finished]), ...setStiffener(f), ...sideLiningsOver(f)]
    : [...setStiffener(f), ...back(f), ...lastLining(f, [])]),
  ...setPuff(f),
  ...shellsBared(f),
  ...(first(f) ? readied(f) : []),
  ...upper(f),
  ...wrapped(f),
]

const onInsole: Needs[] = want(['insole'], 'carved', 'the insole must sit on the last, finished')
const finished: Needs[] = want(['upper'], 'damp', 'the upper must be finished')

/** What is done to the upper just before it is pulled, so that it gives. */
function readied(f: Facts): Operation[] {
  return [
    ...(f.work.ways.rest === 'wetted and left'
      ? [
          operation({
            id: 'wet-upper',
            name: 'Damp the uppers',
            group: 'last' as const,
            effort: fixed(4, 'The outside evenly with a cloth or a spray, the lining not at all.'),
            wait: {
              ...atLeast(f.book, waitRules.sprayMin),
              max: f.book.value(waitRules.soakMax),
              why: 'Damp through, no drops on the grain.',
              late: 'Damp them once more.',
            },
            makes: first(f)
              ? bring(['shoe'], 'drafted over', 'damp leather is pulled at once: shells and puff have set before')
              : bring(['upper'], 'damp', 'a finished upper is damped as a whole: a wet patch leaves its edge'),
            needs: first(f) ? shellsDry(f) : [],
            cautions: ['water'] as const,
            tools: ['spray'] as const,
            look: ['Of one colour all over: edges of water leave marks.'],
          }),
        ]
      : []),
    ...draft(f, first(f) ? 'drafted over' : 'drafted'),
  ]
}

/** Where an upper is tacked while it rests, and how many tacks that takes in a pair. */
function draftedAt({ open }: ShoeFacts): { places: string; tacks: number } {
  if (open.toes) return { places: 'Both ends of the front and the instep strap', tacks: 8 }
  if (open.behind) return { places: 'Toe, joints and the rear ends', tacks: 10 }
  return { places: 'Toe, joints, waist and seat', tacks: 12 }
}

function draft(f: Facts, phase: 'drafted' | 'drafted over'): Operation[] {
  if (f.work.ways.rest !== 'drafted and left') return []
  const { places, tacks } = draftedAt(f.shoes.right)
  return [
    operation({
      id: 'draft-upper',
      name: 'Draft the uppers loosely and leave them',
      group: 'last',
      effort: fixed(16, `${places}, a tack each, drawn only until it touches.`),
      wait: {
        ...atLeast(f.book, waitRules.draft),
        max: null,
        why: 'The leather gets used to the shape; the last pull takes out what it has given.',
      },
      makes: bring(['shoe'], phase, 'the puff has set and is smooth'),
      needs: [...onInsole, ...finished],
      cautions: ['tacks'],
      tools: ['widePliers', 'hammer'],
      stuff: tacksFor(tacks),
      look: ['Heights left and right alike, no crease anywhere.'],
    }),
  ]
}

/** Upper, stiffener and lining drawn down at the back as one; of an upper that is turned outwards, the lining. */
function back(f: Facts): Operation[] {
  const id = under(f) ? 'upper' : 'lining'
  const behind = !f.shoes.right.open.behind
  return eachFoot((foot) => {
    const count = f.shoes[foot].tacks[id].back
    return {
      id: 'last-back',
      name: draftName(f),
      group: 'last',
      effort: tacked(f, count, 8, behind ? BEHIND : FORWARD),
      makes: bring(['shoe'], 'back lasted', 'what the upper has given is drawn out from the back'),
      needs: [...onInsole, ...finished, ...want(['stiffener'], 'pasted', 'it has to be done before the paste sets')],
      cautions: pullCautions(f),
      tools: ['widePliers', 'hammer'],
      stuff: tacksFor(count),
      look: behind
        ? [TWIST, 'Back height left and right, from the feather to the top line, as the lasting plan has it.']
        : ['Its edges lie on their marks, right and left alike.'],
    }
  })
}

const BEHIND = 'Anchor toe, joints and waist, then the seat; both sides in turn or the shoe twists.'
const FORWARD = 'Laid to its marks on the feather, the rearmost tacks first; both sides in turn or it lies askew.'

function draftName(f: Facts): string {
  const { open } = f.shoes.right
  if (open.toes) return 'Lay the straps on the last and tack the rear ones'
  if (open.behind) return 'Draft the upper on the last and tack its rear edge'
  return under(f)
    ? 'Draft the upper on the last and last the back'
    : 'Draft the upper on the last and last the lining at the back'
}

/** What was pasted over the lasted lining dries before the upper covers it. */
export const shellsDry = (f: Facts): Needs[] =>
  first(f)
    ? [
        ...want(['stiffener'], 'pasted', 'the shell is dry before the upper comes over it'),
        ...want(
          partsOf(f, ['sideLining']).map((p) => p.id),
          'pasted',
          'side linings are dry before the upper comes over them',
        ),
      ]
    : []

/** The upper drawn down and its margin trimmed; one that is turned outwards comes to that on its midsole. */
function upper(f: Facts): Operation[] {
  if (!under(f)) return []
  const glue = cementOf(f)
  const whole = first(f)
  const count = (foot: Foot) => (whole ? allTacks(f.shoes[foot].tacks.upper) : f.shoes[foot].tacks.upper.front)
  const welted = traitsOf(f.construction).welted
  const heel = !f.shoes.right.open.behind
  return [
    ...eachFoot(() => ({
      id: 'cement-margin',
      name: 'Cement margin and insole',
      group: 'last' as const,
      effort: fixed(
        5,
        `${glue.name} on both, up to ${welted ? 'the holdfast' : 'where the margin will end'}; the lining kept clean.`,
      ),
      wait: glue.open,
      makes: bring(['shoe'], 'margin cemented', 'the puff has set and is smooth', {
        'lining trimmed': 'the lining is down and trimmed',
        'drafted over': 'the leather has given what it gives',
      }),
      needs: shellsDry(f),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      look: ['None on the grain.'],
    })),
    ...eachFoot((foot) => ({
      id: whole ? 'last-upper' : 'last-toe',
      name: pullName(f),
      group: 'last' as const,
      effort: tacked(
        f,
        count(foot),
        whole ? 20 : 14,
        'A few tacks at a time: pull, turn, press into the glue, tack again; hammer the feather edge sharp.',
      ),
      wait: cementHard(f),
      makes: bring(['shoe'], 'lasted', 'it has to be done while the glue is open'),
      cautions: [...pullCautions(f), ...glue.cautions],
      tools: pulled(f),
      stuff: tacksFor(count(foot)),
      look: [
        ...(f.shoes.right.open.behind ? [] : [TWIST]),
        'The edge is sharp, the first millimetres inside it lie flat, no tuck runs up into the wall.',
      ],
    })),
    ...eachFoot(() => ({
      id: 'trim-margin',
      name: heel ? 'Cut the crowding at the heel out, trim the margin' : 'Trim the margin',
      group: 'last' as const,
      effort: fixed(
        heel ? 8 : 5,
        welted
          ? say`${heel ? 'Wedges out of the tucks at the seat first, then the' : 'The'} margin to the wall of the holdfast.`
          : say`${heel ? 'Wedges out of the tucks at the seat first, then the' : 'The'} margin to ${mm(f.book.value(lastingRules.marginLeft))}.`,
      ),
      makes: bring(['shoe'], 'margin trimmed', 'it is trimmed when the glue is hard'),
      cautions: ['knife'] as const,
      tools: ['knife'] as const,
      look: [
        heel
          ? 'Nothing stands higher than its neighbour: at the seat it would lift the heel.'
          : 'Nothing stands higher than its neighbour.',
      ],
    })),
    ...(welted ? [] : drawn(f)),
  ]
}

function pullName(f: Facts): string {
  if (f.shoes.right.open.toes) return 'Pull the straps down'
  if (first(f)) return f.shoes.right.open.behind ? 'Pull the upper down' : 'Pull the upper down, back and toe'
  return 'Pull the upper down over the toe'
}

function wrapped(f: Facts): Operation[] {
  if (f.work.ways.wrap !== 'wrapped') return []
  return [
    operation({
      id: 'wrap-upper',
      name: 'Wrap the uppers',
      group: 'last',
      effort: fixed(6, 'In thin film or paper up to the feather, held above the edge of the sole.'),
      makes: bring(['shoe'], 'wrapped', 'the margin is done before the upper is wrapped'),
      look: ['Nothing of the upper is bare that the bench could touch.'],
    }),
  ]
}
