import { pathLength, signedArea } from '../../geometry/path.ts'
import { traitsOf } from '../../model/construction.ts'
import type { Ways } from '../../model/work.ts'
import { SOLE_SEAM } from '../../parts/sole/soleParts.ts'
import { feet, type Foot } from '../../trade/foot.ts'
import { mm, say } from '../../units/sentence.ts'
import { coats, coatsOf } from '../coats.ts'
import { along, fixed, sewing, workRules } from '../effort.ts'
import { has, partsOf, partsOn, stitchLine, sumOfParts, type Facts } from '../facts.ts'
import { cementOf, grams, stuffRules } from '../glues.ts'
import { bring, eachFoot, operation, want, type Makes, type Operation } from '../operation.ts'
import { fasteningRules } from '../fastening.ts'
import type { Phase } from '../phases.ts'
import type { Stuff } from '../step.ts'
import type { ToolId } from '../tools.ts'
import { waitRules } from '../waits.ts'
import { drawn, shellsDry } from './lasting.ts'
import { lastOut } from './lastOut.ts'
import { threadFor } from './seamWork.ts'

const way = (f: Facts) => traitsOf(f.construction)

/** What goes under the lasted shoe. */
export const bottomWork = (f: Facts): Operation[] => [
  ...welt(f),
  ...roughed(f),
  ...filled(f),
  ...(f.work.ways.lastOut === 'before the sole' ? lastOut('out early') : []),
  ...tried(f),
  ...midsole(f),
  ...turnedOut(f),
  ...cup(f),
  ...outsole(f),
  ...heel(f),
]

/** Whatever the shoe had done to it last: these are true of it, whichever came before. */
const MARGIN_DOWN: Makes['whyAfter'] = {
  'margin trimmed': 'the margin is down and trimmed',
  wrapped: 'the upper is safe from dust, wax and glue',
  smoothed: 'stiffener, puff and lining are fixed under the insole',
}

function welt(f: Facts): Operation[] {
  if (!way(f).welted) return []
  return [
    ...eachFoot(() => ({
      id: 'soak-welt',
      name: 'Soak the welt',
      group: 'bottom' as const,
      effort: fixed(2, 'A wet welt bends round the toe without cracking.'),
      wait: {
        min: f.book.value(waitRules.soakMin),
        max: f.book.value(waitRules.soakMax),
        why: 'Wet through.',
        late: 'Let it dry back in the air until it is only damp.',
      },
      makes: bring(['welt'], 'wetted', 'they must be cut'),
      needs: want(['shoe'], 'margin trimmed', 'it does not stay wet for long: the upper must be down'),
      cautions: ['water'] as const,
      tools: ['basin'] as const,
      look: ['It bends round a finger.'],
      parts: ['welt'],
    })),
    ...eachFoot((foot) => {
      const line = stitchLine(f, [foot], 'insole', 'holdfast')
      return {
        id: 'sew-welt',
        name: 'Sew welt, upper and lining to the holdfast',
        group: 'bottom' as const,
        effort: sewing(f, line),
        makes: bring(['shoe'], 'welted', 'tacks come out as the seam goes on', MARGIN_DOWN),
        needs: want(['welt'], 'wetted', 'the welt is sewn damp'),
        cautions: ['awl', 'tacks'] as const,
        tools: ['needles', 'awl', 'puller'] as const,
        stuff: [
          {
            name: `Thread, ${f.threads.sole}`,
            amount: Math.ceil((4 * line.length) / 100) / 10,
            unit: 'm' as const,
            sentence: 'About four times the row, in thick work.',
          },
        ],
        look: ['Every stitch drawn down, the welt close to the upper all round.'],
        parts: ['insole', 'welt'],
        seams: ['insole.holdfast'],
      }
    }),
    ...eachFoot((foot) => {
      const length = sumOfParts(f, [foot], ['rand'], (p) => pathLength(p.outline, true)) / 2
      const pegs = Math.round(length / f.book.value(fasteningRules.spacing))
      const each = f.book.value(fasteningRules.perMinute)
      return {
        id: 'peg-rand',
        name: 'Peg the rand at the seat',
        group: 'bottom' as const,
        effort: {
          minutes: 6 + pegs / each,
          sentence: say`A horseshoe that levels the seat behind the welt: ${pegs} pegs, one every ${mm(f.book.value(fasteningRules.spacing))}, at ${each} a minute, and 6 minutes to fit it.`,
        },
        makes: bring(['shoe'], 'randed', 'it meets the ends of the welt'),
        needs: want(['rand'], 'cut', 'they must be cut'),
        cautions: ['hammer'] as const,
        tools: ['pegAwl', 'hammer'] as const,
        stuff: [{ name: 'Pegs', amount: pegs, unit: 'pieces' as const, sentence: 'Split evenly over the seat.' }],
        look: ['Level with the welt, no peg through the insole.'],
        parts: ['rand'],
      }
    }),
    ...drawn(f, 'bottom'),
  ]
}

function roughed(f: Facts): Operation[] {
  if (way(f).outwards) return drawn(f, 'bottom')
  if (!way(f).onMargin) return []
  return [
    operation({
      id: 'rough-margin',
      name: 'Rough the lasting margin',
      group: 'bottom',
      effort: fixed(15, 'To the edge of the sole and no further.'),
      makes: bring(['shoe'], 'roughed', 'a tack would tear the wheel', MARGIN_DOWN),
      cautions: ['dust'],
      tools: ['sander'],
      look: ['Matt all over, no grain left that glue would lift off, none hurt above the edge.'],
    }),
  ]
}

function filled(f: Facts): Operation[] {
  if (!has(f, 'shank', 'filler')) return []
  const parts = partsOf(f, ['shank', 'filler']).map((p) => p.id)
  const shank = has(f, 'shank')
  return [
    operation({
      id: 'shank-filler',
      name: shank ? 'Set the shanks and fill the bottom level' : 'Fill the bottom level',
      group: 'bottom',
      effort: shank
        ? fixed(25, 'Shank from the seat to behind the joint; cork and glue inside the seam.')
        : fixed(12, 'Cork and glue inside the margin, so that nothing is felt through the sole.'),
      wait: {
        min: f.book.value(waitRules.whiteGlueMin),
        max: null,
        why: 'The filler has to set before it is levelled.',
      },
      makes: bring(['shoe'], 'levelled', 'what is filled is what the others leave hollow', {
        'tacks out': 'what it covers is not found again',
        roughed: 'the filler would clog the rough face',
      }),
      needs: want(
        partsOf(f, ['shank']).map((p) => p.id),
        'cut',
        'they have to be cut and bent',
      ),
      cautions: ['dust'],
      tools: ['cork', 'rasp'],
      look: ['A straight edge across the ball touches everywhere; the shank does not rock.'],
      parts,
    }),
  ]
}

function tried(f: Facts): Operation[] {
  if (f.work.ways.soles !== 'cut to the lasted shoe' || !has(f, 'midsole', 'outsole')) return []
  return [
    operation({
      id: 'try-sole',
      name: 'Try the soles on in paper',
      group: 'bottom',
      effort: fixed(12, 'Cut out in paper, laid under both lasted shoes, drawn round and compared with the pattern.'),
      makes: bring(['shoe'], 'tried', 'the bottom must be level before it is drawn round'),
      needs: want(['patterns'], 'printed', 'the pattern is what is tried'),
      tools: ['paper'],
      look: [
        'The room for the seam is there all round; where it is not, trace the lasted shoe and let the pair go by it.',
        'Write down what was changed.',
      ],
    }),
  ]
}

/** Thread of one foot's seam through the sole. */
const threadOf = (f: Facts, foot: Foot, id: string): Stuff[] =>
  threadFor(
    f,
    f.shoes[foot].seams.filter((s) => s.id === id),
  )

const open = (f: Facts) => cementOf(f)
/** Glue for faces of so much area, on one foot. */
const glueFor = (f: Facts, foot: Foot, kind: string): Stuff =>
  grams(
    f.book,
    stuffRules.cement,
    sumOfParts(f, [foot], [kind], (p) => Math.abs(signedArea(p.outline))),
    2,
    open(f).name,
  )
const glueMinutes = (f: Facts, foot: Foot, kind: string) => {
  const area = sumOfParts(f, [foot], [kind], (p) => Math.abs(signedArea(p.outline))) / 10_000
  const rate = f.book.value(workRules.gluedArea)
  return {
    minutes: 3 + (2 * area) / rate,
    sentence: `${(2 * area).toFixed(1)} dm² on both faces at ${rate} a minute, and 3 minutes for the edges. Unglued layers squeak.`,
  }
}
const pressedWith = (f: Facts): ToolId[] => [
  'press',
  'hammer',
  ...(f.work.ways.cement === 'heat-set glue' ? (['warm'] as const) : []),
]

function midsole(f: Facts): Operation[] {
  if (!has(f, 'midsole')) return []
  const glue = open(f)
  const n = coatsOf(f.materials.midsole)
  const rim = sumOfParts(f, feet, ['midsole'], (p) => pathLength(p.outline, true))
  return [
    operation({
      id: 'dye-midsole',
      name: `Dye the top rim of the midsoles, ${coats(f.materials.midsole)}`,
      group: 'bottom',
      effort: along(
        n * rim,
        f.book.value(workRules.edgeSpeed) * 2,
        3,
        'Only the rim that will show; sides are sanded later:',
      ),
      wait: {
        min: n * f.book.value(waitRules.dyeCoat),
        max: null,
        why: 'Each coat dry before the next.',
      },
      makes: bring(['midsole'], 'coloured', 'the rim must be cut'),
      cautions: ['dye'],
      tools: ['dyeBrush'],
      stuff: [
        {
          name: 'Edge dye',
          amount: Math.ceil((rim / 1000) * n * f.book.value(stuffRules.dye)),
          unit: 'ml',
          sentence: say`${coats(f.materials.midsole)} on the rim of both.`,
        },
      ],
      look: ['No bare leather on the rim that will show: it cannot be reached later.'],
      parts: ['midsole'],
    }),
    ...eachFoot((foot) => ({
      id: 'cement-midsole',
      name: 'Cement midsole and bottom',
      group: 'bottom' as const,
      effort: glueMinutes(f, foot, 'midsole'),
      wait: glue.open,
      makes: bring(['shoe'], 'midsole cemented', 'the bottom must be level'),
      needs: want(['midsole'], 'coloured', 'the top rim is dyed before gluing'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      stuff: [glueFor(f, foot, 'midsole')],
      look: ['An even coat to the edge, no puddles.'],
      parts: ['midsole'],
    })),
    ...eachFoot(() => ({
      id: 'press-midsole',
      name: 'Lay on, press and hammer the midsole',
      group: 'bottom' as const,
      effort: fixed(8, 'From the waist outwards; nails only to hold, and out again.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'midsoled', 'it has to be done while the glue is open'),
      cautions: ['hammer', 'tacks', ...(glue.cautions.includes('heat') ? (['heat'] as const) : [])] as const,
      tools: pressedWith(f),
      look: ['Nails that held it are out again, and counted.', 'The same room all round, left and right.'],
      parts: ['midsole'],
    })),
  ]
}

function turnedOut(f: Facts): Operation[] {
  if (!way(f).sewnDown) return []
  const glue = open(f)
  return [
    ...eachFoot(() => ({
      id: 'turn-out',
      name: 'Turn the upper outwards and cement it to the midsole',
      group: 'bottom' as const,
      effort: fixed(
        23,
        'Wet the edge, work it over with the hammer’s face from toe and heel to the sides; no fold may run into the wall.',
      ),
      wait: glue.sets ?? glue.open,
      makes: bring(['shoe'], 'turned out', 'the midsole is what it is turned on'),
      needs: shellsDry(f),
      cautions: ['hammer', ...glue.cautions] as const,
      tools: ['hammer', 'brush', 'bone'] as const,
      look: ['The angle is sharp all round, nothing stands off.'],
      parts: ['midsole'],
    })),
    ...eachFoot((foot) => ({
      id: 'sew-down',
      name: 'Punch upper and midsole together and sew them down',
      group: 'bottom' as const,
      effort: sewing(f, stitchLine(f, [foot], 'midsole', 'stitch-down seam')),
      makes: bring(['shoe'], 'sewn down', 'both layers are cemented before they are punched'),
      cautions: ['awl'] as const,
      tools: ['drivePunch', 'needles', 'awl'] as const,
      stuff: threadOf(f, foot, 'midsole.stitch-down seam'),
      look: ['The same number of stitches left and right, every one drawn down.'],
      parts: ['midsole'],
      seams: ['midsole.stitch-down seam'],
    })),
  ]
}

function cup(f: Facts): Operation[] {
  if (!way(f).inCup) return []
  const glue = open(f)
  const early = f.work.ways.lastOut === 'before the sole'
  return [
    operation({
      id: 'prepare-cup',
      name: 'Roughen and prime the inside of the cups',
      group: 'bottom',
      effort: fixed(
        20,
        'Try the shoe in first and mark the wall’s edge on the upper; prime as the maker of the cup says.',
      ),
      wait: { min: f.book.value(waitRules.contactMin), max: null, why: 'The primer has to dry.' },
      makes: bring(['cup'], 'cut', ''),
      needs: want(['shoe'], 'margin trimmed', 'the lasted shoe is tried in its cup'),
      cautions: ['dust', 'cement'],
      tools: ['sander', 'brush'],
      look: ['It goes in without force and without a gap.'],
    }),
    ...eachFoot(() => ({
      id: 'cement-cup',
      name: 'Cement shoe and cup',
      group: 'bottom' as const,
      effort: fixed(8, 'Bottom and wall up to the mark, and the inside of the cup.'),
      wait: glue.open,
      makes: bring(['shoe'], 'cup cemented', 'the bottom must be level', {
        roughed: 'glue does not take on smooth leather',
      }),
      needs: want(['cup'], 'cut', 'glue does not take on a smooth, unprimed wall'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      look: ['Up to the mark and no higher.'],
    })),
    ...eachFoot(() => ({
      id: 'press-cup',
      name: 'Set the shoe into its cup and press',
      group: 'bottom' as const,
      effort: fixed(8, 'Toe first, then heel, then the sides; wall and bottom under pressure.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'cupped', 'it has to be done while the glue is open'),
      cautions: glue.cautions.includes('heat') ? (['heat'] as const) : [],
      tools: early ? (['hammer'] as const) : (['press'] as const),
      look: ['No gap along the wall, toe and heel at one height on both.'],
    })),
  ]
}

function outsole(f: Facts): Operation[] {
  if (!has(f, 'outsole')) return []
  const glue = open(f)
  const after: Partial<Record<Phase, string>> = {
    midsoled: 'midsole nails are out before closing',
    'sewn down': 'its stitches lie between midsole and outsole',
  }
  return [
    ...eachFoot((foot) => ({
      id: 'cement-outsole',
      name: 'Cement outsole and midsole',
      group: 'bottom' as const,
      effort: glueMinutes(f, foot, 'outsole'),
      wait: glue.open,
      makes: bring(['shoe'], 'sole cemented', 'what lies under it is finished', after),
      needs: want(['outsole'], 'cut', 'they must be cut'),
      cautions: glue.cautions,
      tools: ['brush'] as const,
      stuff: [glueFor(f, foot, 'outsole')],
      look: ['An even coat to the edge, no puddles.'],
      parts: ['outsole', 'midsole'].filter((id) => has(f, id)),
    })),
    ...eachFoot(() => ({
      id: 'press-outsole',
      name: 'Lay on and press the outsole',
      group: 'bottom' as const,
      effort: fixed(8, 'From the waist outwards.'),
      wait: glue.sets,
      makes: bring(['shoe'], 'soled', 'it has to be done while the glue is open'),
      cautions: ['hammer', ...(glue.cautions.includes('heat') ? (['heat'] as const) : [])] as const,
      tools: pressedWith(f),
      look: ['No hollow sound when it is tapped.'],
      parts: ['outsole'],
    })),
    ...(way(f).welted
      ? eachFoot((foot) => ({
          id: 'sew-outsole',
          name: 'Sew outsole and midsole to the welt',
          group: 'bottom' as const,
          effort: sewing(f, stitchLine(f, [foot], 'outsole', SOLE_SEAM)),
          makes: bring(['shoe'], 'sole sewn', 'it is glued first, then stitched'),
          cautions: ['awl'] as const,
          tools: ['needles', 'awl'] as const,
          stuff: threadOf(f, foot, `outsole.${SOLE_SEAM}`),
          look: ['One length of stitch on the welt all round, none above another.'],
          parts: partsOn(f, foot, ['outsole', 'midsole', 'welt']).map((p) => p.id),
          seams: [`outsole.${SOLE_SEAM}`],
        }))
      : []),
  ]
}

const heldBy: Record<Ways['heel'], { name: string; tools: ToolId[]; said: string }> = {
  nails: { name: 'Nails', tools: ['hammer'], said: 'nails, their points clinched or cut' },
  pegs: { name: 'Pegs', tools: ['pegAwl', 'hammer'], said: 'pegs, driven dry into glued holes' },
  screws: { name: 'Screws', tools: ['screwdriver'], said: 'screws from inside, holes drilled first' },
}

function heel(f: Facts): Operation[] {
  const stack = partsOf(f, ['heelWedge', 'wedge', 'heelLift', 'lift', 'topPiece'])
  if (stack.length === 0) return []
  const held = heldBy[f.work.ways.heel]
  const layers = sumOfParts(f, feet, ['heelWedge', 'heelLift', 'topPiece', 'wedge', 'lift'], () => 1)
  const rim = Math.max(...stack.map((p) => pathLength(p.outline, true)))
  const [spacing, rate] = [f.book.value(fasteningRules.spacing), f.book.value(fasteningRules.perMinute)]
  const each = Math.max(5, Math.round((0.7 * rim) / (2 * spacing)))
  const count = Math.round(f.work.ways.heel === 'screws' ? 2 * 5 : each * layers)
  return [
    operation({
      id: 'build-heel',
      name: `Build and fix the heels with ${f.work.ways.heel}`,
      group: 'bottom',
      effort: {
        minutes: 8 + 3 * layers + count / rate,
        sentence: `${layers} layers on both shoes at 3 minutes to glue and level, ${count} ${held.said}, at ${rate} a minute, and 8 minutes to set them up. Left against right on a level board.`,
      },
      wait: open(f).sets,
      makes: bring(['shoe'], 'heeled', 'the heel stands on the outsole', {
        'sole sewn': 'the seam ends under the heel',
      }),
      needs: want(
        stack.map((p) => p.id),
        'skived',
        'the heel stands level only on what is pared to its height',
      ),
      cautions: ['hammer', ...open(f).cautions],
      tools: [...held.tools, 'rasp', 'brush'],
      stuff: [{ name: held.name, amount: count, unit: 'pieces', sentence: 'None comes through to the foot.' }],
      look: ['Both stand on a level board without rocking; heel heights alike within half a millimetre.'],
      parts: stack.map((p) => p.id),
    }),
  ]
}
