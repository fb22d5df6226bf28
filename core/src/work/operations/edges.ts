import { pathLength } from '../../geometry/path.ts'
import { hiddenSide } from '../../layers/pieceSkives.ts'
import { feet } from '../../trade/foot.ts'
import type { EdgeRole } from '../../model/edgeRoles.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import { cm, mm, say } from '../../units/sentence.ts'
import { coats, coatsOf } from '../coats.ts'
import { along, fixed, workRules } from '../effort.ts'
import { partsOf, piecesOf, sumOfParts, sumOfPieces, type Facts, type PieceFacts } from '../facts.ts'
import { foldGlueOf, stuffRules } from '../glues.ts'
import { bring, operation, want, type Operation } from '../operation.ts'
import { atLeast, waitRules } from '../waits.ts'
import { linings } from './seamsByUse.ts'

const lengthOf = (roles: readonly EdgeRole[]) => (p: PieceFacts) =>
  p.edges.reduce((sum, e) => sum + (roles.includes(e.role) ? e.length : 0), 0)
const recordsWith = (f: Facts, of: (p: PieceFacts) => number) =>
  piecesOf(f)
    .filter((p) => of(p) > 0)
    .map((p) => recordOfPiece(p.id))

/** Edges that stay in sight as they were cut. */
const SEEN: readonly EdgeRole[] = ['raw', 'lap over']

/** What is done to edges and faces of the upper's pieces before they are sewn. */
export const edgeWork = (f: Facts): Operation[] => [
  ...decoration(f),
  ...holesAhead(f),
  ...dyed(f),
  ...folded(f),
  ...beaded(f),
  ...taped(f),
]

function decoration(f: Facts): Operation[] {
  const gimped = sumOfPieces(f, feet, (p) => p.gimped)
  const holes = sumOfPieces(f, feet, (p) => p.decorative)
  const marked = (of: (p: PieceFacts) => number) => recordsWith(f, of)
  const rate = f.book.value(workRules.holesPerMinute)
  return [
    ...(gimped > 0
      ? [
          operation({
            id: 'gimp-edges',
            name: 'Gimp the edges',
            group: 'close',
            effort: along(gimped, f.book.value(workRules.edgeSpeed), 5, 'Tooth by tooth along the marked edge:'),
            makes: bring(
              marked((p) => p.gimped),
              'marked',
              'the teeth are cut in the edge as it will be joined',
            ),
            tools: ['gimper'],
            cautions: ['hammer'],
            look: ['A whole tooth at either end, and the same number on both shoes.'],
            parts: marked((p) => p.gimped),
          }),
        ]
      : []),
    ...(holes > 0
      ? [
          operation({
            id: 'punch-decoration',
            name: 'Punch the decoration',
            group: 'close',
            effort: {
              minutes: 5 + holes / rate,
              sentence: say`${holes} holes up to ${mm(Math.max(...piecesOf(f).map((p) => p.decoration)), 1)} across at ${rate} a minute, and 5 minutes to get ready.`,
            },
            makes: bring(
              marked((p) => p.decorative),
              'marked',
              'a thin edge would stretch under the punch if it were skived afterwards',
            ),
            tools: ['fancyPunch'],
            cautions: ['hammer'],
            look: ['Rows run true to the edge, no hole torn out.'],
            parts: marked((p) => p.decorative),
          }),
        ]
      : []),
  ]
}

/** Holes of hand seams that may be made while the pieces are apart. */
function holesAhead(f: Facts): Operation[] {
  if (f.work.ways.holes !== 'punched ahead') return []
  const sewn = feet.flatMap((foot) =>
    f.shoes[foot].seams.filter((s) => s.way === 'hand' && s.ahead > 0 && s.sewnWith !== 'sole'),
  )
  const count = sewn.reduce((sum, s) => sum + s.ahead, 0)
  if (count === 0) return []
  const pieces = new Set(sewn.flatMap((s) => s.pieces))
  const records = recordsWith(f, (p) => (pieces.has(p.id) ? 1 : 0))
  const punched = partsOf(f, [...linings, 'tongueLining'])
    .map((p) => p.id)
    .filter((id) => pieces.has(id))
  const rate = f.book.value(workRules.holesPerMinute)
  return [
    operation({
      id: 'punch-seams',
      name: 'Punch the holes of the hand seams',
      group: 'close',
      effort: {
        minutes: 3 + count / rate,
        sentence: `${count} holes at ${rate} a minute; those that go through a second piece wait until that is stuck on.`,
      },
      makes: bring([...records, ...punched], 'marked', 'holes are punched through the edge as thin as it is sewn'),
      tools: ['edgePunch', 'drivePunch'],
      cautions: ['awl', 'hammer'],
      look: ['Both partners of a seam have the same number.'],
      parts: [...records, ...punched],
    }),
  ]
}

function dyed(f: Facts): Operation[] {
  const length = sumOfPieces(f, feet, lengthOf(SEEN))
  const records = recordsWith(f, lengthOf(SEEN))
  if (records.length === 0) return []
  const singed = f.work.ways.edges === 'singed and dyed'
  const n = coatsOf(f.materials.upper)
  return [
    operation({
      id: 'dye-edges-upper',
      name: singed ? 'Singe and dye the raw edges of the upper' : 'Dye the raw edges of the upper',
      group: 'close',
      effort: along(
        (singed ? 1.5 : 1) * length,
        f.book.value(workRules.edgeSpeed),
        5,
        singed ? 'Fibres singed off, then colour, every edge that stays in sight:' : 'Every edge that stays in sight:',
      ),
      wait: { ...atLeast(f.book, waitRules.dyeCoat), max: null, why: 'The dye must not mark the next piece.' },
      makes: bring(records, 'coloured', 'a later knife would take the colour off again'),
      cautions: singed ? ['heat', 'dye'] : ['dye'],
      tools: singed ? ['dyeBrush', 'warm'] : ['dyeBrush'],
      stuff: [
        {
          name: 'Edge dye',
          amount: Math.ceil((length / 1000) * f.book.value(stuffRules.dye)),
          unit: 'ml',
          sentence: say`${cm(length)} of edge; the leather takes ${coats(f.materials.upper)}, one is enough here${n > 2 ? ' to begin with' : ''}.`,
        },
      ],
      look: ['No white left in the edge, none on the face.'],
      parts: records,
    }),
  ]
}

function folded(f: Facts): Operation[] {
  const records = recordsWith(f, lengthOf(['folded']))
  if (records.length === 0) return []
  const tape = f.finish === 'folded' ? partsOf(f, ['topTape']).map((p) => p.id) : []
  const glue = foldGlueOf(f)
  const length = sumOfPieces(f, feet, lengthOf(['folded']))
  return [
    operation({
      id: 'fold-tape',
      name: tape.length > 0 ? 'Tape and fold the top line' : 'Fold the edges that are turned in',
      group: 'close',
      effort: along(
        length,
        f.book.value(workRules.edgeSpeed) / 1.5,
        8,
        `${glue.name}${tape.length > 0 ? ', tape exactly on the line' : ''}; slits where it is hollow, notches where it is round:`,
      ),
      wait: glue.open,
      makes: [
        ...bring(records, 'turned', 'an edge is turned in when nothing more is cut or coloured on it'),
        ...bring(tape, 'turned', 'the tape lies in the fold'),
      ],
      cautions: glue.cautions,
      tools: ['brush', 'bone', 'hammer'],
      look: ['The fold runs without steps, the corner is flat, left and right are of one length.'],
      parts: [...records, ...tape],
    }),
  ]
}

function beaded(f: Facts): Operation[] {
  const strips = partsOf(f, ['bead']).map((p) => p.id)
  const records = recordsWith(f, lengthOf(['bead']))
  if (strips.length === 0) return []
  const glue = foldGlueOf(f)
  // A strip is as long as the edge that it is set behind, whatever a pattern from elsewhere calls that.
  const length = sumOfParts(f, feet, ['bead'], (p) => pathLength(p.outline, true) / 2)
  return [
    operation({
      id: 'set-bead',
      name: 'Fold the bead and set it behind the edge',
      group: 'close',
      effort: along(
        length,
        f.book.value(workRules.edgeSpeed) / 2,
        10,
        'Long leg against the outside, mark to mark along the whole edge, the same reveal all round:',
      ),
      wait: glue.open,
      makes: [
        ...bring(records, 'edged', 'edge and bead are finished before they are joined'),
        ...bring(strips, 'edged', 'four layers lie at the edge: thin, it lies closely'),
      ],
      cautions: glue.cautions,
      tools: ['brush', 'bone'],
      look: ['The same width of bead to be seen all round, its ends to nothing.'],
      parts: [...records, ...strips],
    }),
  ]
}

/** Tape where nothing is folded over it, and what lies under the lacing. */
function taped(f: Facts): Operation[] {
  const top = f.finish === 'folded' ? [] : partsOf(f, ['topTape']).map((p) => p.id)
  const lacing = partsOf(f, ['facingTape', 'cornerPatch']).map((p) => p.id)
  const edged = recordsWith(f, lengthOf(['raw', 'bead', 'bound', 'trimmed']))
  const laced = recordsWith(f, (p) => p.eyelets + p.hooks)
  return [
    ...(top.length > 0
      ? [
          operation({
            id: 'tape-top',
            name: 'Tape the top line',
            group: 'close',
            effort: fixed(10, `On the ${hiddenSide(f.materials.upper)} along the line, without pulling it.`),
            makes: [
              ...bring(edged, 'stayed', 'the tape lies up to the finished edge'),
              ...bring(top, 'stayed', 'it is laid as it was cut'),
            ],
            tools: ['brush'],
            look: ['The edge does not gape when it is pulled.'],
            parts: top,
          }),
        ]
      : []),
    ...(lacing.length > 0
      ? [
          operation({
            id: 'tape-facings',
            name: f.lacing === 'none' ? 'Lay the backing under the lacing' : 'Lay tape and patches under the lacing',
            group: 'close',
            effort: fixed(
              8,
              `On the ${hiddenSide(f.materials.upper)}, along the edge of the facing, the patch into the corner.`,
            ),
            makes: [
              ...bring(laced, 'stayed', 'the tape lies up to the finished edge of the facing'),
              ...bring(lacing, 'stayed', 'they are laid as they were cut'),
            ],
            needs: want(laced, 'turned', 'the tape lies up to the fold'),
            cautions: foldGlueOf(f).cautions,
            tools: ['brush'],
            look: ['No edge of the tape is felt through the facing.'],
            parts: lacing,
          }),
        ]
      : []),
  ]
}
