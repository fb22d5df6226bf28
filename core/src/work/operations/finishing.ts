import { pathLength, signedArea } from '../../geometry/path.ts'
import { feet } from '../../trade/foot.ts'
import { say } from '../../units/sentence.ts'
import { isBoard } from '../../model/material.ts'
import { coats, coatsOf } from '../coats.ts'
import { along, fixed, workRules } from '../effort.ts'
import { has, partsOf, sumOfParts, sumOfPieces, type Facts } from '../facts.ts'
import { cementOf, grams, stuffRules } from '../glues.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import { waitRules } from '../waits.ts'
import { cupWall } from './cup.ts'
import { screwedHeel } from './heel.ts'
import { covered } from './insole.ts'
import { lastOut } from './lastOut.ts'
import { unitEdge } from './unit.ts'

/** From the built bottom to the box. */
export const finishingWork = (f: Facts): Operation[] => [
  ...edgesOfSoles(f),
  ...unitEdge(f),
  ...unwrapped(f),
  ...(f.work.ways.lastOut === 'after the sole' ? lastOut('out') : []),
  ...screwedHeel(f),
  ...cupWall(f),
  ...padding(f),
  ...sock(f),
  ...boxed(f),
]

function edgesOfSoles(f: Facts): Operation[] {
  if (!has(f, 'outsole')) return []
  const rim = sumOfParts(f, feet, ['outsole'], (p) => pathLength(p.outline, true))
  const n = coatsOf(f.materials.outsole)
  const leather = f.materials.outsole === null || f.materials.outsole.kind === 'sole leather'
  return [
    operation({
      id: 'trim-sole',
      name: has(f, 'topPiece') ? 'Trim and sand the edges of soles and heels' : 'Trim and sand the edges of the soles',
      group: 'finish',
      effort: along(rim, f.book.value(workRules.edgeSpeed) / 2, 20, 'Back to the room that stays, even on both feet:'),
      makes: bring(['shoe'], 'edge trimmed', 'sole and heel are trimmed as one'),
      cautions: ['dust', 'knife'],
      tools: ['knife', 'sander', 'rasp'],
      look: ['Seen from below, left is right in a mirror; the stitches are not touched.'],
    }),
    ...(leather
      ? [
          operation({
            id: 'dye-sole',
            name: 'Dye and wax the sole edges',
            group: 'finish',
            effort: along(
              (n + 1) * rim,
              f.book.value(workRules.edgeSpeed) * 2,
              5,
              `Dye, ${coats(f.materials.outsole)}, then wax with the hot iron:`,
            ),
            wait: {
              min: n * f.book.value(waitRules.dyeCoat),
              max: null,
              why: 'Each coat dry before the next.',
            },
            makes: bring(['shoe'], 'edge dyed', 'sanding would take the colour off'),
            cautions: ['dye', 'heat'],
            tools: ['dyeBrush', 'edgeIron'],
            stuff: [
              {
                name: 'Edge dye',
                amount: Math.ceil((rim / 1000) * n * f.book.value(stuffRules.dye)),
                unit: 'ml',
                sentence: say`${coats(f.materials.outsole)} on both shoes.`,
              },
            ],
            look: ['One colour from toe to heel, none on the upper.'],
          }),
        ]
      : []),
  ]
}

function unwrapped(f: Facts): Operation[] {
  if (f.work.ways.wrap !== 'wrapped') return []
  return [
    operation({
      id: 'unwrap-upper',
      name: 'Unwrap the uppers',
      group: 'finish',
      effort: fixed(4, 'Cut with blunt scissors, never with a knife on the shoe.'),
      makes: bring(['shoe'], 'unwrapped', 'the wrapping comes off when nothing more can soil the upper'),
      tools: ['shears'],
      look: ['No glue crept under it; no print of its edge.'],
    }),
  ]
}

function padding(f: Facts): Operation[] {
  const pads = partsOf(f, ['padding']).map((p) => p.id)
  const socks = partsOf(f, ['sock']).map((p) => p.id)
  if (pads.length === 0) return []
  const glue = cementOf(f)
  const area = sumOfParts(f, feet, ['padding'], (p) => Math.abs(signedArea(p.outline)))
  return [
    operation({
      id: 'glue-padding',
      name:
        socks.length > 0
          ? 'Glue the padding to the sock liners and trim it'
          : 'Glue the padding to the insoles and trim it',
      group: socks.length > 0 || !isBoard(f.materials.insole) ? 'finish' : 'last',
      effort: fixed(
        12,
        socks.length > 0
          ? 'On the flesh side, up to the marked line; trimmed to the leather.'
          : 'On the face that the foot stands on, under the cover; trimmed to the edge.',
      ),
      wait: glue.open ?? glue.sets,
      makes: [
        ...bring(pads, 'pasted', 'it is skived before it is glued', { cut: 'it must be cut' }),
        ...bring(socks, 'pasted', 'it is glued to the sock'),
      ],
      cautions: [...glue.cautions, 'knife'],
      tools: ['brush', 'knife'],
      stuff: [grams(f.book, stuffRules.cement, area, 2, glue.name)],
      look: ['No step at its front edge under the thumb.'],
      parts: [...pads, ...socks],
    }),
  ]
}

function sock(f: Facts): Operation[] {
  const socks = partsOf(f, ['sock']).map((p) => p.id)
  const pads = partsOf(f, ['padding']).map((p) => p.id)
  if (socks.length === 0) return isBoard(f.materials.insole) ? [] : covered(f)
  const glue = cementOf(f)
  const area = sumOfParts(f, feet, ['sock'], (p) => Math.abs(signedArea(p.outline)))
  return [
    operation({
      id: 'fit-sock',
      name: 'Fit and glue the sock liners',
      group: 'finish',
      effort: fixed(12, 'Glued at the toe or all over; the lining kept clean.'),
      makes: bring(['shoe'], 'socked', 'the last must be out', {
        'heel screwed': 'it covers the heads of the screws',
        'wall sewn': 'it covers the stitches, and lay in the needle’s way',
      }),
      needs: [
        ...want(pads, 'pasted', 'the padding is on the sock'),
        ...want(socks, 'pasted', 'its front edge must not be felt'),
      ],
      cautions: glue.cautions,
      tools: ['brush'],
      stuff: area > 0 ? [grams(f.book, stuffRules.cement, area, 2, glue.name)] : [],
      look: ['Flat, with no glue on the lining; nothing is felt by the hand.'],
      parts: [...socks, ...pads],
    }),
  ]
}

function boxed(f: Facts): Operation[] {
  const laces = sumOfPieces(f, feet, (p) => p.eyelets + p.hooks)
  return [
    operation({
      id: 'clean-upper',
      name: 'Clean, wax and buff the uppers',
      group: 'finish',
      effort: fixed(15, 'Marks and glue off, a thin wax, left a while, buffed with a soft cloth.'),
      makes: bring(['shoe'], 'cleaned', 'nothing more may soil it', { out: 'the last is out, the shoe is whole' }),
      tools: ['cloth'],
      look: ['No mark of silver pen or glue; one shine on both.'],
    }),
    ...(laces > 0
      ? [
          operation({
            id: 'lace',
            name: 'Draw the laces in',
            group: 'finish',
            effort: fixed(5, 'Gently, without tearing at the eyelets; both shoes the same way.'),
            makes: bring(['shoe'], 'laced', 'wax in the eyelets comes off on the laces'),
            stuff: [{ name: 'Laces', amount: 2, unit: 'pieces', sentence: 'One for each shoe.' }],
            look: ['Facings are even from top to bottom, ends of one length.'],
          }),
        ]
      : []),
    operation({
      id: 'final-check',
      name: 'Compare left and right, paper in the toe, box',
      group: 'finish',
      effort: fixed(
        15,
        'Puff, back height, ankle heights and heels side by side; written down with the plan’s figures.',
      ),
      makes: bring(['shoe'], 'compared', 'the shoe must be whole'),
      tools: ['rule'],
      look: [
        'Back edge of the puff, back height, ankle heights, throat, rim of the sole, heel height, shape of the toe: left and right within a millimetre.',
      ],
    }),
  ]
}
