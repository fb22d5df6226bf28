import { hiddenSide } from '../../layers/pieceSkives.ts'
import { feet } from '../../trade/foot.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { say } from '../../units/sentence.ts'
import { fixed, workRules } from '../effort.ts'
import { kindOf, piecesOf, sumOfPieces, type Facts } from '../facts.ts'
import { foldGlueOf } from '../glues.ts'
import { bring, operation, type Operation } from '../operation.ts'

/**
 * Loops by which a shoe is drawn on: folded, and sewn in at the sides of a shaft, or on the strip over the back, while
 * that lies flat.
 */
export function pullLoops(f: Facts): Operation[] {
  const loops = piecesOf(f).filter((p) => kindOf(p.id) === 'pullLoop')
  if (loops.length === 0) return []
  const behind = loops.every((p) => p.side === 'whole')
  const on = piecesOf(f).filter((p) => kindOf(p.id) === (behind ? 'backStrip' : 'shaft'))
  const count = feet.reduce((n, foot) => n + f.shoes[foot].pieces.filter((p) => kindOf(p.id) === 'pullLoop').length, 0)
  return [
    operation({
      id: 'set-loops',
      name: 'Sew the pull loops in',
      group: 'close',
      effort: fixed(
        4 * count,
        behind
          ? `Folded in the middle, both ends one on the other on the ${hiddenSide(f.materials.upper)} of the back strip, its fold above the top; two rows and a box.`
          : 'Folded in the middle, both ends one on the other inside the top of the shaft, half-way between front and back; two rows and a box.',
      ),
      makes: bring(
        [...loops, ...on].map((p) => recordOfPiece(p.id)),
        'sewn flat',
        'the loops go in while what carries them lies flat',
        {
          cut: 'it has to be cut',
          turned: 'the top line is turned in first: the loop stands behind it',
          coloured: 'edges are coloured before they are joined',
        },
      ),
      cautions: ['machine', ...foldGlueOf(f).cautions],
      tools: ['brush', 'machine'],
      look: [
        'Pull at it as a heavy man would: nothing gives, nothing is drawn crooked.',
        'All of a pair stand equally high.',
      ],
      parts: loops.map((p) => recordOfPiece(p.id)),
    }),
  ]
}

/** The buckle of a heel strap, held by its loop on the instep strap while that lies flat. */
export function buckles(f: Facts): Operation[] {
  const loops = piecesOf(f).filter((p) => kindOf(p.id) === 'buckleLoop')
  if (loops.length === 0) return []
  const strap = piecesOf(f).filter((p) => kindOf(p.id) === 'instepStrap')
  return [
    operation({
      id: 'set-buckles',
      name: 'Sew the buckles on',
      group: 'close',
      effort: fixed(
        12,
        'The loop drawn round the bar of the buckle, its ends one on the other on the lateral side of the instep strap, level with where the heel strap comes; a box of stitches.',
      ),
      makes: bring(
        [...loops, ...strap].map((p) => recordOfPiece(p.id)),
        'sewn flat',
        'the buckle goes on while the strap lies flat',
        {
          cut: 'it has to be cut',
          coloured: 'edges are coloured before they are joined',
          turned: 'edges are turned in before they are joined',
        },
      ),
      cautions: ['machine', ...foldGlueOf(f).cautions],
      tools: ['brush', 'machine'],
      stuff: [
        {
          name: 'Buckles',
          amount: 2,
          unit: 'pieces',
          sentence: 'One a shoe; its bar as long as the heel strap is wide.',
        },
      ],
      look: [
        'Right and left mirrored: the buckle is on the outer side of either foot.',
        'The tongue of the buckle moves freely.',
      ],
      parts: loops.map((p) => recordOfPiece(p.id)),
    }),
  ]
}

/** The holes of the heel strap, through strap and lining together. */
export function buckleHoles(f: Facts): Operation[] {
  const count = sumOfPieces(f, feet, (p) => p.buckleHoles)
  if (count === 0) return []
  const straps = piecesOf(f).filter((p) => p.buckleHoles > 0)
  const rate = f.book.value(workRules.holesPerMinute)
  return [
    operation({
      id: 'punch-strap',
      name: 'Punch the holes of the heel straps',
      group: 'close',
      effort: {
        minutes: 2 + count / rate,
        sentence: say`${count} holes at ${rate} a minute, and 2 minutes to get ready. Through strap and lining together, on scrap leather.`,
      },
      makes: bring(['upper'], 'holed', 'strap and lining are punched together'),
      cautions: ['hammer'],
      tools: ['drivePunch'],
      look: ['In the middle of the strap, the first hole alike on both.'],
      parts: straps.map((p) => recordOfPiece(p.id)),
    }),
  ]
}
