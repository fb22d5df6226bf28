import { traitsOf } from '../../model/construction.ts'
import { lastingRules } from '../../lasting/rules.ts'
import { liningRules } from '../../parts/linings/liningRules.ts'
import type { Foot } from '../../trade/foot.ts'
import { mm, say, type Sentence } from '../../units/sentence.ts'
import { fixed, tacked, workRules } from '../effort.ts'
import { has, partsOf, type Facts } from '../facts.ts'
import { cementOf, foldGlueOf, pasteOf } from '../glues.ts'
import { bring, eachFoot, operation, want, type Needs, type Operation } from '../operation.ts'
import type { Stuff, Wait } from '../step.ts'
import type { ToolId } from '../tools.ts'
import { atLeast, waitRules } from '../waits.ts'
import { INSOLE_TACKS } from './insole.ts'
import { setPuff, setStiffener } from './shells.ts'

const under = (f: Facts) => !traitsOf(f.construction).outwards
const first = (f: Facts) => f.work.ways.lasting === 'lining first'
const total = ({ back, front }: { back: number; front: number }) => back + front

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
const tacksFor = (amount: number): Stuff[] =>
  amount > 0
    ? [{ name: 'Tacks', amount, unit: 'pieces', sentence: 'As the lasting plan has them; drawn again and counted.' }]
    : []

/** Lining, stiffener, puff and upper over the last. */
export const lastingWork = (f: Facts): Operation[] => [
  ...(first(f) ? [] : readied(f)),
  ...(first(f)
    ? [...lining(f), ...setStiffener(f), ...sideLinings(f)]
    : [...setStiffener(f), ...back(f), ...lining(f)]),
  ...setPuff(f),
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

function draft(f: Facts, phase: 'drafted' | 'drafted over'): Operation[] {
  if (f.work.ways.rest !== 'drafted and left') return []
  return [
    operation({
      id: 'draft-upper',
      name: 'Draft the uppers loosely and leave them',
      group: 'last',
      effort: fixed(16, 'Toe, joints, waist and seat, a tack each, drawn only until it touches.'),
      wait: {
        ...atLeast(f.book, waitRules.draft),
        max: null,
        why: 'The leather gets used to the shape; the last pull takes out what it has given.',
      },
      makes: bring(['shoe'], phase, 'the puff has set and is smooth'),
      needs: [...onInsole, ...finished],
      cautions: ['tacks'],
      tools: ['widePliers', 'hammer'],
      stuff: tacksFor(12),
      look: ['Heights left and right alike, no crease anywhere.'],
    }),
  ]
}

/** Upper, stiffener and lining drawn down at the back as one; of an upper that is turned outwards, the lining. */
function back(f: Facts): Operation[] {
  const id = under(f) ? 'upper' : 'lining'
  return eachFoot((foot) => {
    const count = f.shoes[foot].tacks[id].back
    return {
      id: 'last-back',
      name: under(f)
        ? 'Draft the upper on the last and last the back'
        : 'Draft the upper on the last and last the lining at the back',
      group: 'last',
      effort: tacked(
        f,
        count,
        8,
        'Anchor toe, joints and waist, then the seat; both sides in turn or the shoe twists.',
      ),
      makes: bring(['shoe'], 'back lasted', 'what the upper has given is drawn out from the back'),
      needs: [...onInsole, ...finished, ...want(['stiffener'], 'pasted', 'it has to be done before the paste sets')],
      cautions: pullCautions(f),
      tools: ['widePliers', 'hammer'],
      stuff: tacksFor(count),
      look: [TWIST, 'Back height left and right, from the feather to the top line, as the lasting plan has it.'],
    }
  })
}

/** A margin is neither trimmed nor are its tacks drawn while the glue gives. */
const hard = (f: Facts): Wait =>
  cementOf(f).sets ?? {
    ...atLeast(f.book, waitRules.whiteGlueMin),
    max: null,
    why: 'The glue is hard before anything is trimmed or drawn.',
  }

const trimSaid: Record<Facts['trim'], (f: Facts) => Sentence> = {
  short: ({ book }) =>
    say`To ${mm(book.value(liningRules.trimShort))} inside the feather line: little to fill, little to hold.`,
  long: ({ book }) =>
    say`To ${mm(book.value(liningRules.trimLong))} inside the feather line: it holds longer, and is skived where it piles up.`,
  feather: () => 'To the feather line itself: nothing lies under the insole, glue alone holds it.',
}

function lining(f: Facts): Operation[] {
  if (f.shoes.right.tacks.lining.front + f.shoes.right.tacks.lining.back === 0 && !hasLining(f)) return []
  const glue = cementOf(f)
  const count = (foot: Foot) =>
    first(f) || !under(f) ? total(f.shoes[foot].tacks.lining) : f.shoes[foot].tacks.lining.front
  return [
    ...eachFoot(() => ({
      id: 'cement-lining',
      name: 'Cement margin of the lining and insole',
      group: 'last' as const,
      effort: fixed(4, `${glue.name}, on both, no further in than the lining will lie.`),
      wait: glue.open,
      makes: bring(['shoe'], 'lining cemented', 'the back holds the lining while the toe is pulled'),
      needs: first(f) ? [...onInsole, ...finished] : [],
      cautions: glue.cautions,
      tools: ['brush'] as const,
      look: ['No glue on the face of the lining.'],
    })),
    ...eachFoot((foot) => ({
      id: first(f) ? 'last-lining' : 'last-lining-toe',
      name: first(f) ? 'Last the lining all round' : 'Last the lining over the toe',
      group: 'last' as const,
      effort: tacked(
        { ...f, work: { ...f.work, ways: { ...f.work.ways, pull: 'by hand' } } },
        count(foot),
        first(f) ? 10 : 4,
        first(f)
          ? 'The outside turned up out of the way; slack enough not to drum, without folds.'
          : 'Slack enough not to drum, without folds.',
      ),
      wait: hard(f),
      makes: bring(['shoe'], 'lining lasted', 'it has to be done while the glue is open'),
      cautions: ['tacks', ...glue.cautions] as const,
      tools: ['narrowPliers', 'hammer'] as const,
      stuff: tacksFor(count(foot)),
      look: ['Slack under the thumb over the toe, flat under the insole.'],
    })),
    ...eachFoot((foot) => ({
      id: 'trim-lining',
      name: 'Draw the lining’s tacks and trim it',
      group: 'last' as const,
      effort: {
        minutes: 5 + count(foot) / f.book.value(workRules.drawTack),
        sentence: say`${count(foot)} tacks at ${f.book.value(workRules.drawTack)} a minute, and 5 minutes with the knife. ${trimSaid[f.trim](f)}`,
      },
      makes: bring(['shoe'], 'lining trimmed', 'it is trimmed when the glue is hard: before, it slides'),
      cautions: ['knife', 'tacks'] as const,
      tools: ['puller', 'knife'] as const,
      look: [`${count(foot)} tacks counted back.`, 'No step is felt at the cut.'],
    })),
  ]
}
const hasLining = (f: Facts) => has(f, 'lining', 'vampLining', 'quarterLining')

/** Pasted over the lasted lining, where that comes first. */
function sideLinings(f: Facts): Operation[] {
  const ids = partsOf(f, ['sideLining']).map((p) => p.id)
  if (ids.length === 0) return []
  const paste = pasteOf(f)
  return eachFoot(() => ({
    id: 'set-side-linings',
    name: 'Paste the side linings on',
    group: 'last',
    effort: fixed(8, 'Over the lasted lining, from the stiffener to where the puff begins.'),
    wait: paste.dries,
    makes: bring(ids, 'pasted', 'their laps are thinned first'),
    needs: want(['shoe'], 'lining trimmed', 'they lie on the lasted lining'),
    cautions: foldGlueOf(f).cautions,
    tools: ['brush'],
    look: ['No edge is felt towards stiffener and puff.'],
    parts: ids,
  }))
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
  const count = (foot: Foot) => (whole ? total(f.shoes[foot].tacks.upper) : f.shoes[foot].tacks.upper.front)
  const welted = traitsOf(f.construction).welted
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
      name: whole ? 'Pull the upper down, back and toe' : 'Pull the upper down over the toe',
      group: 'last' as const,
      effort: tacked(
        f,
        count(foot),
        whole ? 20 : 14,
        'A few tacks at a time: pull, turn, press into the glue, tack again; hammer the feather edge sharp.',
      ),
      wait: hard(f),
      makes: bring(['shoe'], 'lasted', 'it has to be done while the glue is open'),
      cautions: [...pullCautions(f), ...glue.cautions],
      tools: pulled(f),
      stuff: tacksFor(count(foot)),
      look: [TWIST, 'The edge is sharp, the first millimetres inside it lie flat, no tuck runs up into the wall.'],
    })),
    ...eachFoot(() => ({
      id: 'trim-margin',
      name: 'Cut the crowding at the heel out, trim the margin',
      group: 'last' as const,
      effort: fixed(
        8,
        welted
          ? 'Wedges out of the tucks at the seat first, then the margin to the wall of the holdfast.'
          : say`Wedges out of the tucks at the seat first, then the margin to ${mm(f.book.value(lastingRules.marginLeft))}.`,
      ),
      makes: bring(['shoe'], 'margin trimmed', 'it is trimmed when the glue is hard'),
      cautions: ['knife'] as const,
      tools: ['knife'] as const,
      look: ['Nothing stands higher than its neighbour: at the seat it would lift the heel.'],
    })),
    ...(welted ? [] : drawn(f)),
  ]
}

/** Tacks that come out from under one shoe: the upper's, where it is turned under, and the insole's. */
export const tacksToDraw = (upper: { back: number; front: number }, outwards: boolean): number =>
  (outwards ? 0 : total(upper)) + INSOLE_TACKS

/** Tacks out before they are covered, and counted. */
export function drawn(f: Facts, group: Operation['group'] = 'last'): Operation[] {
  return eachFoot((foot) => {
    const count = tacksToDraw(f.shoes[foot].tacks.upper, !under(f))
    const lasted = count - INSOLE_TACKS
    const rate = f.book.value(workRules.drawTack)
    return {
      id: 'draw-tacks',
      name: under(f) ? 'Draw all tacks and count them' : 'Draw the insole’s tacks and count them',
      group,
      effort: {
        minutes: 2 + count / rate,
        sentence: `${lasted > 0 ? `${lasted} of the upper and ` : ''}${INSOLE_TACKS} of the insole at ${rate} a minute.`,
      },
      makes: bring(['shoe'], 'tacks out', 'what is covered is not found again: a tack left in wounds the foot'),
      cautions: ['tacks'],
      tools: ['puller'],
      look: [`${count} tacks counted back; a magnet over the insole finds the rest.`],
    }
  })
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
