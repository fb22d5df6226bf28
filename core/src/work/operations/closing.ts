import { feet } from '../../trade/foot.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { cm, mm, say, type Sentence } from '../../units/sentence.ts'
import { along, fixed, workRules } from '../effort.ts'
import { partsOf, piecesOf, sumOfPieces, type Facts, type SeamFacts } from '../facts.ts'
import { foldGlueOf } from '../glues.ts'
import { bring, operation, want, type Makes, type Operation } from '../operation.ts'
import type { Phase } from '../phases.ts'
import {
  laidPiece,
  phaseOfSeam,
  seamGroups,
  seamLook,
  sewingTools,
  sewingUpper,
  threadFor,
  withoutSides,
  type SeamGroup,
  type SewnPhase,
} from './seamWork.ts'

export const linings = ['lining', 'vampLining', 'quarterLining', 'heelGrip'] as const
const EDGE_KINDS: readonly SeamFacts['kind'][] = ['fold', 'bead', 'trimmed', 'bound']

const isTongue = (id: string) => /^tongue\b/.test(id)
/** The seam that holds the tongue; it is sewn last of all. */
const holdsTongue = (s: SeamFacts) => s.seen === 'outside' && s.kind === 'lap' && s.pieces.some(isTongue)
/** Rows along the opening, sewn when lining and outside are joined. */
const alongOpening = (s: SeamFacts) => EDGE_KINDS.includes(s.kind) && !s.zip
const ofOutside = (s: SeamFacts) =>
  s.seen === 'outside' && s.sewnWith !== 'sole' && !EDGE_KINDS.includes(s.kind) && !holdsTongue(s)
const ofLining = (s: SeamFacts) => s.seen === 'foot' && s.sewnWith !== 'sole' && !EDGE_KINDS.includes(s.kind)

const seamsOf = (f: Facts, which: (s: SeamFacts) => boolean) =>
  feet.flatMap((foot) => f.shoes[foot].seams.filter(which))
const idsOf = (seams: readonly SeamFacts[]) => [...new Set(seams.map((s) => s.id))]
const lower = (text: string) => text.charAt(0).toLowerCase() + text.slice(1)

/** From loose pieces to a closed upper. */
export const closingWork = (f: Facts): Operation[] => [
  ...liningSeams(f),
  ...zip(f),
  ...outsideSeams(f),
  ...flatOutside(f),
  ...sideLinings(f),
  ...joined(f),
  ...bound(f),
  ...holes(f),
  ...tongue(f),
]

/** A seam's name without its side: "Quarter over vamp"; of one that closes two edges, "the back seam of the quarter". */
function nameOf({ first }: { first: SeamFacts }): string {
  const name = first.name.replace(/, (lateral|medial)$/, '')
  const [whole, ...where] = name.split(', ')
  const place = where.at(-1)
  if (first.kind !== 'closed' || place === undefined) return lower(name)
  if (place.endsWith('seam')) return `the ${place} of the ${lower(whole!)}`
  return place.includes(' ') ? `the seam of the ${lower(whole!)} ${place}` : `the ${place} seam of the ${lower(whole!)}`
}

function liningSeams(f: Facts): Operation[] {
  return seamGroups(f, ofLining).map((group) => {
    const pieces = [...new Set(group.seams.flatMap((s) => s.pieces))]
    const closing = group.first.kind === 'closed' || group.first.kind === 'butt'
    const phase: Phase = closing ? 'sewn to close' : 'sewn flat'
    return operation({
      id: `sew-lining.${group.id}`,
      key: 'sew-lining',
      formerly: ['close-lining'],
      name: `Sew ${nameOf(group)}`,
      group: 'close',
      effort: sewingUpper(f, group.seams, 0, ''),
      makes: bring(pieces, phase, 'a lap that is not thinned first is felt', {
        'sewn flat': 'laps are sewn while the lining still lies flat',
        cut: 'what is cut is sewn together mark to mark',
      }),
      cautions: ['machine'],
      tools: sewingTools(group.seams, closing),
      stuff: threadFor(f, group.seams),
      look: [
        ...seamLook(group.seams),
        closing
          ? 'Its top end meets exactly; a small offset at the bottom is hidden under the insole.'
          : 'No fold is sewn in.',
      ],
      parts: pieces,
      seams: idsOf(group.seams),
    })
  })
}

function zip(f: Facts): Operation[] {
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
      cautions: ['machine'],
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

function outsideSeams(f: Facts): Operation[] {
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
      cautions: seams.some((s) => s.way === 'hand') ? ['awl'] : ['machine'],
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
function flatOutside(f: Facts): Operation[] {
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
function sideLinings(f: Facts): Operation[] {
  const ids = partsOf(f, ['sideLining']).map((p) => p.id)
  if (ids.length === 0 || f.work.ways.lasting === 'lining first') return []
  return [
    operation({
      id: 'set-side-linings',
      name: 'Stick the side linings in',
      group: 'close',
      effort: fixed(10, 'On the flesh side of the outside, from where the stiffener ends to where the puff begins.'),
      makes: [...bring(['outside'], 'side lined', ''), ...bring(ids, 'side lined', 'their laps are thinned first')],
      needs: want(outsideRecords(f), 'sewn round', 'they lie across the seams of the outside'),
      cautions: foldGlueOf(f).cautions,
      tools: ['brush'],
      look: ['Skived edges towards the foot, no bubble.'],
      parts: ids,
    }),
  ]
}

/** Pieces of the outside, the tongue aside, which is sewn in last. */
const outsideRecords = (f: Facts) =>
  piecesOf(f)
    .filter((p) => !isTongue(p.id))
    .map((p) => recordOfPiece(p.id))

function joined(f: Facts): Operation[] {
  const seams = seamsOf(f, (s) => alongOpening(s) && s.kind !== 'bound')
  const linedWith = partsOf(f, linings).map((p) => p.id)
  const between = partsOf(f, ['collarFoam', 'facingTape', 'cornerPatch', 'topTape', 'backStay', 'bead']).map(
    (p) => p.id,
  )
  const wrapped = partsOf(f, ['binding']).length > 0
  const rows = seams.reduce((sum, s) => sum + s.rows * s.length, 0)
  const trim = along(rows, f.book.value(workRules.cutSpeed), 0, '').minutes
  const effort = sewingUpper(f, seams, 10, 'Lining into the outside, mark to mark.')
  return [
    operation({
      id: 'join-lining',
      name: wrapped
        ? 'Join lining and outside at the opening'
        : 'Join lining and outside at the top line, trim the lining',
      group: 'close',
      effort: wrapped
        ? effort
        : {
            minutes: effort.minutes + trim,
            sentence: say`${effort.sentence} The lining stands proud and is trimmed along ${cm(rows)} at ${mm(f.book.value(workRules.cutSpeed))} a minute.`,
          },
      makes: bring(['upper'], 'joined', ''),
      needs: [
        ...want(outsideRecords(f), 'sewn round', 'outside and lining are stitched apart, then joined'),
        ...want(['outside'], 'side lined', 'side linings lie between outside and lining'),
        ...want(linedWith, 'sewn round', 'outside and lining are stitched apart, then joined'),
        ...want(between, 'stayed behind', 'it lies between outside and lining'),
      ],
      cautions: ['machine', 'knife'],
      tools: [...sewingTools(seams, true), ...(wrapped ? [] : (['shears'] as const))],
      stuff: threadFor(f, seams),
      look: [
        'The row keeps its distance to the edge all round.',
        ...(wrapped ? [] : (['Lining trimmed flush, the thread not nicked.'] as const)),
      ],
      parts: [...linedWith, ...partsOf(f, ['collarFoam']).map((p) => p.id)],
      seams: idsOf(seams),
    }),
  ]
}

function bound(f: Facts): Operation[] {
  const strips = partsOf(f, ['binding']).map((p) => p.id)
  if (strips.length === 0) return []
  const seams = seamsOf(f, (s) => s.kind === 'bound')
  return [
    operation({
      id: 'bind-edge',
      name: 'Bind the edge of the opening',
      group: 'close',
      effort: sewingUpper(
        f,
        seams,
        15,
        'Stitched on outside, rolled over upper and lining, turned in and stitched down.',
      ),
      makes: bring(['upper'], 'bound', 'it wraps upper and lining together'),
      needs: want(strips, 'skived', 'only a thin strip wraps closely'),
      cautions: ['machine', ...foldGlueOf(f).cautions],
      tools: ['brush', 'bone', ...sewingTools(seams, true)],
      stuff: threadFor(f, seams),
      look: ['Of one width outside and in, no wrinkle in the hollow curves.'],
      parts: strips,
      seams: idsOf(seams),
    }),
  ]
}

function holes(f: Facts): Operation[] {
  const eyelets = sumOfPieces(f, feet, (p) => p.eyelets)
  const hooks = sumOfPieces(f, feet, (p) => p.hooks)
  const count = eyelets + hooks
  if (count === 0) return []
  const set = f.lacing === 'none' ? 0 : count
  const rate = f.book.value(workRules.holesPerMinute)
  const across = Math.max(...piecesOf(f).map((p) => p.eyelet))
  const laced = piecesOf(f)
    .filter((p) => p.eyelets + p.hooks > 0)
    .map((p) => recordOfPiece(p.id))
  return [
    operation({
      id: 'eyelets',
      name:
        f.lacing === 'none'
          ? 'Punch the lace holes'
          : f.lacing === 'hidden'
            ? 'Punch the facings and set the eyelets inside'
            : hooks > 0
              ? 'Punch the facings, set eyelets and hooks'
              : 'Punch the facings and set the eyelets',
      group: 'close',
      effort: {
        minutes: 4 + (count + set) / rate,
        sentence: say`${count} holes of ${mm(across, 1)}${set > 0 ? ` and ${set} to set` : ''} at ${rate} a minute, and 4 minutes to get ready. Through all layers together, on scrap leather; the upper pairs first, then in turn on both sides.`,
      },
      makes: bring(['upper'], 'holed', 'all layers are punched together'),
      needs: want(
        partsOf(f, ['facingTape']).map((p) => p.id),
        'stayed',
        'the tape must lie under the holes',
      ),
      cautions: ['hammer', ...(set > 0 ? (['machine'] as const) : [])],
      tools: ['drivePunch', ...(set > 0 ? (['eyeletTool'] as const) : [])],
      stuff: [
        ...(set > 0 && eyelets > 0
          ? [{ name: 'Eyelets', amount: eyelets, unit: 'pieces' as const, sentence: 'Both shoes.' }]
          : []),
        ...(set > 0 && hooks > 0
          ? [{ name: 'Hooks', amount: hooks, unit: 'pieces' as const, sentence: 'Both shoes.' }]
          : []),
      ],
      look: ['Every eyelet holds when it is pulled at, none is sharp inside.'],
      parts: laced,
    }),
  ]
}

function tongue(f: Facts): Operation[] {
  const pieces = piecesOf(f).filter((p) => isTongue(p.id))
  if (pieces.length === 0) return []
  const records = pieces.map((p) => recordOfPiece(p.id))
  const inside = partsOf(f, ['tongueLining', 'tongueFoam']).map((p) => p.id)
  const seams = seamsOf(f, holdsTongue)
  const guards = sumOfPieces(f, feet, (p) => p.guards)
  const made: Makes[] = [
    ...bring(records, 'stayed', 'its edges are finished before it is lined', { cut: 'it has to be cut' }),
    ...bring(inside, 'stayed', 'it is cut wider than the tongue, and trimmed to it'),
  ]
  return [
    ...(inside.length > 0 || guards > 0
      ? [
          operation({
            id: 'line-tongue',
            name: guards > 0 ? 'Line the tongues and cut the lace guards' : 'Line the tongues',
            group: 'close',
            effort: fixed(
              inside.length > 0 ? 12 : 4,
              'Glued over the forepart of the last, so that it takes its curve; trimmed to the tongue.',
            ),
            makes: made,
            cautions: foldGlueOf(f).cautions,
            tools: ['brush', 'shears'],
            look: ['Bent as on the foot, the lining does not wrinkle.'],
            parts: [...records, ...inside],
          }),
        ]
      : []),
    operation({
      id: 'sew-tongue',
      name: 'Stitch the tongue in',
      group: 'close',
      effort: sewingUpper(f, seams, 2, 'Its middle on the middle of the throat.'),
      makes: bring(['upper'], 'tongued', 'outside and lining are stitched apart, then joined', {
        holed: 'with the tongue in the way the facings cannot be laid on the block and punched',
        bound: 'the edge of the opening is finished first',
      }),
      needs: want(records, 'stayed', 'the tongue has to be finished'),
      cautions: seams.some((s) => s.way === 'hand') ? ['awl'] : ['machine'],
      tools: sewingTools(seams, true),
      stuff: threadFor(f, seams),
      look: ['It lies in the middle and does not wander when the facings are drawn together.'],
      parts: records,
      seams: idsOf(seams),
    }),
  ]
}
