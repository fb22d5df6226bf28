import { traitsOf } from '../../model/construction.ts'
import { isBoard } from '../../model/material.ts'
import { partsOf, partsOn, sumOfParts, stitchLine, type Facts } from '../facts.ts'
import { pathLength, signedArea } from '../../geometry/path.ts'
import { feet } from '../../trade/foot.ts'
import { mm, say } from '../../units/sentence.ts'
import { along, fixed, workRules } from '../effort.ts'
import { cementOf, grams, stuffRules } from '../glues.ts'
import { bring, eachFoot, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'

/** Tacks that hold an insole to its last: toe, joint and seat. */
export const INSOLE_TACKS = 3

const INSOLE = 'insole'

/** The insole, from the cut piece to the one that is lasted over. */
export function insoleWork(f: Facts): Operation[] {
  const sock = partsOf(f, ['sock']).map((p) => p.id)
  const patterned = want(sock, 'cut', 'the sock pattern is taken before the insole is fixed')
  const tacks = {
    name: 'Tacks',
    amount: 2 * INSOLE_TACKS,
    unit: 'pieces' as const,
    sentence: 'Heads standing out, to be drawn again.',
  }
  const ways = isBoard(f.materials.insole)
    ? [
        ...covered(f),
        operation({
          id: 'fix-insole',
          name: 'Tack the insole boards to the lasts',
          group: 'last',
          effort: fixed(8, `${INSOLE_TACKS} tacks each, heads standing out.`),
          makes: bring([INSOLE], 'fixed', 'it goes on the last as it will be worn', {
            cut: 'they must be cut',
            covered: 'the cover is turned round the edge before the last lies on it',
          }),
          needs: patterned,
          cautions: ['tacks'],
          tools: ['hammer'],
          stuff: [tacks],
          look: ['Edge to edge with the last all round.'],
          parts: [INSOLE],
        }),
      ]
    : [
        operation({
          id: 'soak-insole',
          name: 'Soak the insoles',
          group: 'last',
          effort: fixed(3, 'Into lukewarm water, weighted down.'),
          wait: {
            ...atLeast(f.book, waitRules.soakMin),
            max: f.book.value(waitRules.soakMax),
            why: 'Wet through, but not waterlogged.',
            late: 'Let it dry back in the air until it is only damp.',
          },
          makes: bring([INSOLE], 'wetted', 'soaking a whole shoulder would waste it'),
          cautions: ['water'],
          tools: ['basin'],
          look: ['No more bubbles rise.'],
          parts: [INSOLE],
        }),
        operation({
          id: 'block-insole',
          name: 'Block the wet insoles on the lasts',
          group: 'last',
          effort: fixed(20, 'Tack, bind, and let them dry to the shape of the bottom.'),
          wait: { ...atLeast(f.book, waitRules.overnight), max: null, why: 'Dry before it is trimmed.' },
          makes: bring([INSOLE], 'blocked', 'dry leather will not bed down'),
          needs: patterned,
          cautions: ['tacks', 'hammer'],
          tools: ['hammer', 'widePliers'],
          stuff: [tacks],
          look: ['It lies in the hollow of the waist.'],
          parts: [INSOLE],
        }),
        operation({
          id: 'trim-insole',
          name: 'Trim the insoles to the feather line',
          group: 'last',
          effort: along(
            sumOfParts(f, feet, [INSOLE], (p) => pathLength(p.outline, true)),
            f.book.value(workRules.cutSpeed),
            4,
            'Exactly to the sharp edge of the last:',
          ),
          makes: bring([INSOLE], 'trimmed', 'blocked and dry, it keeps its size'),
          cautions: ['knife'],
          tools: ['knife', 'rasp'],
          look: ['Square to the edge of the last, left and right alike.'],
          parts: [INSOLE],
        }),
      ]
  return [...ways, ...holdfast(f)]
}

function holdfast(f: Facts): Operation[] {
  if (!traitsOf(f.construction).welted) return []
  return eachFoot((foot) => {
    const { stitches, length } = stitchLine(f, [foot], INSOLE, 'holdfast')
    const [holes, speed] = [f.book.value(workRules.holesPerMinute), f.book.value(workRules.edgeSpeed)]
    return {
      id: 'carve-holdfast',
      name: 'Carve holdfast and channel, pierce the holes',
      group: 'last',
      effort: {
        minutes: 5 + (2 * length) / (speed / 3) + (stitches + 1) / holes,
        sentence: say`Channel and holdfast along ${mm(length, 0)} each at ${mm(speed / 3, 0)} a minute, ${stitches + 1} holes at ${holes} a minute, and 5 minutes to mark them.`,
      },
      makes: bring([INSOLE], 'carved', 'the holdfast is measured from the finished edge', {
        fixed: 'the insole must sit on the last',
      }),
      cautions: ['knife', 'awl'],
      tools: ['knife', 'awl'],
      look: ['The holdfast is of one height, and no hole breaks out of it.'],
      parts: [INSOLE],
    }
  })
}

/** Foam and cover of the insole: round a board before it goes on the last, into the shoe where the insole is leather. */
export function covered(f: Facts): Operation[] {
  const board = isBoard(f.materials.insole)
  const ids = partsOf(f, ['insoleCover', 'insoleFoam']).map((p) => p.id)
  if (ids.length === 0) return []
  const glue = cementOf(f)
  const area = sumOfParts(f, feet, ['insoleCover'], (p) => Math.abs(signedArea(p.outline)))
  return [
    operation({
      id: 'cover-insole',
      name: partsOn(f, 'right', ['insoleFoam']).length > 0 ? 'Lay foam and cover on the insoles' : 'Cover the insoles',
      group: board ? 'last' : 'finish',
      effort: fixed(
        25,
        board
          ? 'Foam to the edge, the cover drawn over it and turned round underneath.'
          : 'Through the opening, the toe first; the cover trimmed to the insole, not turned round it.',
      ),
      wait: glue.sets,
      makes: [
        ...(board ? bring([INSOLE], 'covered', 'they must be cut') : bring(['shoe'], 'socked', 'the last must be out')),
        ...bring(ids, 'covered', 'what is turned round the edge is thinned first', { cut: 'they must be cut' }),
      ],
      needs: want(
        partsOf(f, ['padding']).map((p) => p.id),
        'pasted',
        'the padding lies under the cover',
      ),
      cautions: glue.cautions,
      tools: ['brush', 'bone'],
      stuff: [grams(f.book, stuffRules.cement, area, 2, glue.name)],
      look: ['No wrinkle at the toe, the edge as sharp as the board was.'],
      parts: ids,
    }),
  ]
}
