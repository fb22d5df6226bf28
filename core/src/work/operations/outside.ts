import { hiddenSide } from '../../layers/pieceSkives.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { cm, say, type Sentence } from '../../units/sentence.ts'
import { fixed } from '../effort.ts'
import { partsOf, type Facts, type SeamFacts } from '../facts.ts'
import { foldGlueOf } from '../glues.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import type { Phase } from '../phases.ts'
import {
  laidPiece,
  phaseOfSeam,
  seamGroups,
  seamLook,
  sewingCautions,
  sewingTools,
  sewingUpper,
  threadFor,
  withoutSides,
  type SeamGroup,
  type SewnPhase,
} from './seamWork.ts'
import { idsOf, lower, nameOf, ofOutside, outsideRecords, seamsOf } from './seamsByUse.ts'

/** A zip, basted to its tape and sewn in while the shaft lies flat. */
export function zip(f: Facts): Operation[] {
  const seams = seamsOf(f, (s) => s.zip)
  if (seams.length === 0) return []
  const records = [...new Set(seams.flatMap((s) => s.pieces))].map(recordOfPiece)
  const length = seams.reduce((sum, s) => sum + s.length, 0) / seams.length
  return [
    operation({
      id: 'set-zip',
      name: 'Set the zip in',
      group: 'close',
      effort: sewingUpper(
        f,
        seams,
        15,
        'The edges turned in along the zip and basted to its tape, closed, so that both sides meet.',
      ),
      makes: bring(records, 'sewn flat', 'the zip goes in while the shaft lies flat', {
        ...whyReady,
        turned: 'top line and zip make one corner: both are turned in before it is basted',
      }),
      cautions: sewingCautions(seams),
      tools: ['bone', 'brush', ...sewingTools(seams, false)],
      stuff: [
        { name: 'Zip', amount: 2, unit: 'pieces', sentence: say`${cm(length)} of opening each.` },
        ...threadFor(f, seams),
      ],
      look: ['It runs from end to end, no leather in its teeth, both ends of the opening level.'],
      parts: records,
      seams: idsOf(seams),
    }),
  ]
}

const whySewn: Record<SewnPhase, Partial<Record<Phase, Sentence>>> = {
  'sewn flat': {},
  'sewn to close': { 'sewn flat': 'what can be sewn flat comes first' },
  'sewn across': {
    'sewn to close': 'it lies over this seam',
    hammered: 'it lies over this seam, which has to be flat',
    'stayed behind': 'it lies over this seam, which has to be flat and held',
  },
  'sewn round': {
    'sewn flat': 'it makes a ring of the upper: what can be sewn flat comes first',
    'sewn across': 'it makes a ring of the upper: what can be sewn flat comes first',
    'sewn to close': 'it makes a ring of the upper: what can be sewn flat comes first',
    hammered: 'it makes a ring of the upper, in which this could not be hammered on the iron',
    'stayed behind': 'it makes a ring of the upper, in which this could not be reached',
  },
}
const whyReady: Partial<Record<Phase, Sentence>> = {
  cut: 'the pieces have to be cut',
  skived: 'a lap that is not thinned is seen as a step',
  marked: 'the holes are in the pieces before they are joined',
  coloured: 'edges are coloured before they are joined',
  turned: 'edges are turned in before they are joined',
  edged: 'the bead lies behind the edge while that is flat',
  stayed: 'tape and patches are laid while the piece is flat',
}

/** Seams of the outside, by what they do to what lies flat. */
export function outsideSeams(f: Facts): Operation[] {
  const all = seamsOf(f, ofOutside)
  return seamGroups(f, ofOutside).map((group) => {
    const { first, seams } = group
    const phase = phaseOfSeam(group, all)
    const records = [...new Set([...seams.flatMap((s) => s.pieces), ...beneath(f, group, phase)])].map(recordOfPiece)
    const laid = f.shoes.right.pieces.find((p) => withoutSides(p.id) === withoutSides(laidPiece(first)))
    const closed = phase === 'sewn round'
    return operation({
      id: `sew.${group.id}`,
      key: 'sew',
      formerly: ['close-outside'],
      name:
        first.kind === 'laidOn'
          ? `Sew the ${lower((laid?.name ?? first.name).replace(/, (lateral|medial)$/, ''))} on`
          : `Sew ${nameOf(group)}`,
      group: 'close',
      effort: sewingUpper(f, seams, first.kind === 'lap' || first.kind === 'laidOn' ? 3 : 0, stuckFirst(f, seams)),
      makes: bring(records, phase, 'the pieces have to be ready', { ...whyReady, ...whySewn[phase] }),
      cautions: sewingCautions(seams),
      tools: sewingTools(seams, closed),
      stuff: threadFor(f, seams),
      look: seamLook(seams),
      parts: records,
      seams: idsOf(seams),
    })
  })
}

/** What a piece is laid on where its rows do not say: pieces that it is sewn to elsewhere, or that meet in the seam it covers. */
function beneath(f: Facts, { seams, first }: SeamGroup, phase: Phase): string[] {
  if (first.kind !== 'laidOn') return []
  const laid = new Set(seams.flatMap((s) => s.pieces))
  const all = seamsOf(f, (s) => s.seen === 'outside')
  return phase === 'sewn across'
    ? all.filter((s) => ofOutside(s) && s.kind === 'closed').flatMap((s) => s.pieces)
    : all.filter((s) => s.pieces.some((p) => laid.has(p))).flatMap((s) => s.pieces)
}

/** Laps are stuck before they are sewn; holes that go through both are made then. */
function stuckFirst(f: Facts, seams: readonly SeamFacts[]): string {
  const lapped = seams.some((s) => s.kind === 'lap' || s.kind === 'laidOn')
  if (!lapped) return ''
  const hand = seams.some((s) => s.way === 'hand')
  const ahead = f.work.ways.holes === 'punched ahead'
  return `Stuck mark to mark with a thin coat${hand ? (ahead ? ', then punched through both together' : ', then pierced as it is sewn') : ''}.`
}

/** Closed seams hammered flat, and the stay behind them. */
export function flatOutside(f: Facts): Operation[] {
  const closed = seamsOf(f, (s) => ofOutside(s) && s.kind === 'closed')
  if (closed.length === 0) return []
  const records = [...new Set(closed.flatMap((s) => s.pieces))].map(recordOfPiece)
  const ids = new Set(closed.map((s) => s.id))
  const stay = partsOf(f, ['backStay']).map((p) => p.id)
  const behind = [...new Set(closed.filter((s) => s.id === 'back').flatMap((s) => s.pieces))].map(recordOfPiece)
  return [
    operation({
      id: 'hammer-back',
      name: ids.size === 1 && ids.has('back') ? 'Hammer the back seam flat' : 'Hammer the closed seams flat',
      group: 'close',
      effort: fixed(3 + 2 * ids.size, 'Opened on the iron, from the inside.'),
      makes: bring(records, 'hammered', 'the seam must be closed'),
      cautions: ['hammer'],
      tools: ['hammer', 'iron'],
      look: ['No ridge under the thumb, outside or in.'],
      parts: records,
    }),
    ...(stay.length > 0
      ? [
          operation({
            id: 'stay-back',
            name: 'Lay the stay behind the back seam',
            group: 'close',
            effort: fixed(5, 'Over the opened seam, from the top line down.'),
            makes: [
              ...bring(behind, 'stayed behind', 'it holds the seam open: the seam is hammered first'),
              ...bring(stay, 'stayed behind', 'it is laid as it was cut'),
            ],
            cautions: foldGlueOf(f).cautions,
            tools: ['brush'],
            look: ['Its top stays clear of the fold of the top line.'],
            parts: stay,
          }),
        ]
      : []),
  ]
}

/** Stuck to the outside while that can be laid open, where upper and lining are lasted together. */
export function sideLinings(f: Facts): Operation[] {
  const ids = partsOf(f, ['sideLining']).map((p) => p.id)
  if (ids.length === 0 || f.work.ways.lasting === 'lining first') return []
  return [
    operation({
      id: 'set-side-linings',
      name: 'Stick the side linings in',
      group: 'close',
      effort: fixed(
        10,
        `On the ${hiddenSide(f.materials.upper)} of the outside, from where the stiffener ends to where the puff begins.`,
      ),
      makes: [...bring(['outside'], 'side lined', ''), ...bring(ids, 'side lined', 'their laps are thinned first')],
      needs: want(outsideRecords(f), 'sewn round', 'they lie across the seams of the outside'),
      cautions: foldGlueOf(f).cautions,
      tools: ['brush'],
      look: ['Skived edges towards the foot, no bubble.'],
      parts: ids,
    }),
  ]
}
