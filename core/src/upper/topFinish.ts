import { nearest } from '../geometry/polyline.ts'
import { pathLength } from '../geometry/path.ts'
import type { Because } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import { ofPiece } from '../trade/cutFrom.ts'
import { backerOf } from '../trade/partCatalogue.ts'
import type { UpperLayers } from './needs.ts'
import { cutsAlong, marksAlong, type OpeningEnds, type StripMark } from './alongStrip.ts'
import { decorationRules } from './decoration.ts'
import { follows, isOfOpening, openingEdges, type OpeningFinish } from './opening.ts'
import type { Piece } from './piece.ts'
import type { DrawnUpper } from './style.ts'
import { topFinishRules } from './topFinishRules.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'

/** What the opening's edge needs: lengths and widths in mm, and where its parts go. */
export interface TopFinishWork extends OpeningFinish {
  /** The whole edge that is finished so, both sides, mm. */
  opening: number
  tape: number | null
  strip: { length: number; width: number } | null
  /** Where a bead is folded, mm: the long leg goes inside the upper, the short one to the foot. */
  legs: { long: number; short: number } | null
  slits: number
  notches: number
  /** Where kerfs go along a strip, mm from its end, the spare length shared between both ends: the edge is hollow there. */
  kerfs: number[]
  /** Where small notches go along a strip: the edge is round there, or has a corner. */
  nips: number[]
  /** Ends, corners, seams and the back, along what is laid on the edge. */
  marks: StripMark[]
  /** How far from the edge a punched row along it reaches, mm; null where there is none. */
  punchedTo: number | null
  sentences: Sentence[]
  becauses: Because[]
}

/** The thickest stack of upper and lining at the opening, mm. */
export function wrappedAt(pieces: readonly Piece[], { upper, own, backer, lining }: UpperLayers): number {
  const there = pieces
    .filter((p) => p.edges.some((e) => isOfOpening(e.name, false)))
    .map((p) => ofPiece(own, p.id, upper) + ofPiece(own, backerOf(p.id), backer))
  return (there.length > 0 ? Math.max(...there) : upper + backer) + lining
}

/** The upper whose opening is finished. */
export interface OpenUpper {
  pieces: readonly Piece[]
  /** How a style drew it; null for a pattern drawn elsewhere. */
  drawn: Pick<DrawnUpper, 'topLine' | 'facings' | 'zip' | 'backLine' | 'straps'> | null
}

function endsOf(drawn: OpenUpper['drawn']): OpeningEnds {
  if (!drawn) return 'unknown'
  if (drawn.straps) return 'straps'
  if (drawn.facings) return 'laced'
  if (drawn.zip) return 'zip'
  return drawn.backLine ? 'back' : 'feather'
}

/** What the chosen finish of the opening asks for. `wrapped` is the thickness of upper and lining together, mm. */
export function topFinishWork(
  { finish, onFacings }: OpeningFinish,
  { pieces, drawn }: OpenUpper,
  wrapped: number,
  book: RuleBook,
): TopFinishWork {
  const edges = openingEdges(pieces, onFacings, drawn)
  const opening = edges.reduce((s, { edge }) => s + pathLength(edge.line), 0)
  const facings = edges.reduce((s, { edge }) => s + (isOfOpening(edge.name, false) ? 0 : pathLength(edge.line)), 0)
  const slits = pieces.flatMap((p) => p.slits)
  const length: Because = {
    id: 'edge',
    quantity: 'Edge of the opening',
    value: opening,
    unit: 'mm',
    sentence:
      facings > 0
        ? say`Measured along the finished line of both sides, ${mm(facings, 0)} of it down the facings.`
        : 'Measured along the finished line of both sides.',
    inputs: edges.map(({ edge: e }) => ({
      name: `${facings > 0 ? `${e.name}, ` : ''}${e.side} side`,
      value: pathLength(e.line),
      unit: 'mm' as const,
    })),
    origin: 'measured on the last',
  }
  const spare = book.inForce(topFinishRules.spare)
  const ends = endsOf(drawn)
  // Every edge of a strap that ends is finished by itself.
  const runs = ends === 'straps' ? edges.filter((e, i) => i === 0 || !follows(edges[i - 1]!, e)).length : 1
  const marks = marksAlong(edges, ends)
  const cuts = cutsAlong(edges, book)
  /** As it lies on a strip, whose spare length is shared between both ends. */
  const onStrip = (at: number) => spare.value / 2 + at
  const punched = edges.some(({ piece, edge }) => punchedAlong(piece, edge, book))
  const base = {
    finish,
    onFacings,
    opening,
    tape: null,
    strip: null,
    legs: null,
    slits: 0,
    notches: 0,
    kerfs: [],
    nips: [],
    marks,
    punchedTo: punched ? book.value(decorationRules.rowFromEdge) + book.value(decorationRules.large) / 2 : null,
  }
  const stripLength = opening + runs * spare.value
  const lengthOf = (id: string, quantity: string): Because => ({
    id,
    quantity,
    value: stripLength,
    unit: 'mm',
    sentence:
      runs > 1
        ? say`All edges of the straps, and ${mm(spare.value)} for each of the ${runs} to hold on to.`
        : say`The opening and ${mm(spare.value)} to hold on to and to join the ends.`,
    inputs: [{ name: 'Opening', value: opening, unit: 'mm' }],
    origin: spare.origin,
    rule: topFinishRules.spare.key,
  })
  switch (finish) {
    case 'folded':
      return {
        ...base,
        tape: opening,
        slits: slits.filter((s) => s.kind === 'slit').length,
        notches: slits.filter((s) => s.kind === 'notch').length,
        sentences: [
          'The tape lies exactly on the line and is as long as the line, so that the edge cannot stretch.',
          'Slits where the edge is hollow, small notches where it is round, none where it is straight; they stop short of the line.',
        ],
        becauses: [length],
      }
    case 'bead': {
      const width = book.inForce(topFinishRules.strip)
      const share = book.inForce(topFinishRules.longLeg)
      const kerfs = cuts.filter((c) => !c.convex).map((c) => onStrip(c.at))
      const nips = cuts.filter((c) => c.convex).map((c) => onStrip(c.at))
      const narrow = width.value < NARROW
      const legs = { long: share.value * width.value, short: (1 - share.value) * width.value }
      return {
        ...base,
        strip: { length: stripLength, width: width.value },
        legs,
        slits: kerfs.length,
        notches: nips.length,
        kerfs,
        nips,
        marks: marks.map((m) => ({ ...m, at: onStrip(m.at) })),
        tape: narrow ? opening : null,
        sentences: [
          say`Skived, dyed, folded off-centre so that ${mm(book.value(topFinishRules.reveal))} show; four layers lie at the edge.`,
          'Kerfs on the inner side only where the curve needs them, small notches where it turns outwards; both ends skived.',
          ...(narrow ? ['A strip so narrow gives no hold: a stay tape is sewn in against stretch.'] : []),
        ],
        becauses: [
          length,
          lengthOf('beadLength', 'Length of the bead strip'),
          {
            id: 'longLeg',
            quantity: 'Long leg of the bead',
            value: legs.long,
            unit: 'mm',
            sentence: say`${share.value} of its width, ${mm(width.value)}: it goes inside the upper, behind the rows that are punched and stitched there; the short leg, ${mm(legs.short, 1)}, lies to the foot.`,
            inputs: [{ name: 'Width of the strip', value: width.value, unit: 'mm' }],
            origin: share.origin,
            rule: topFinishRules.longLeg.key,
          },
        ],
      }
    }
    case 'bound': {
      const reveal = book.inForce(topFinishRules.reveal)
      const turnIn = book.value(topFinishRules.turnIn)
      const width = 2 * reveal.value + wrapped + turnIn
      return {
        ...base,
        strip: { length: stripLength, width },
        marks: marks.map((m) => ({ ...m, at: onStrip(m.at) })),
        sentences: ['The binding wraps the edge and is stitched down; its ends are skived to nothing.'],
        becauses: [
          length,
          lengthOf('bindingLength', 'Length of the binding'),
          {
            id: 'bindingWidth',
            quantity: 'Width of the binding',
            value: width,
            unit: 'mm',
            sentence: say`Twice what shows (${mm(reveal.value)}), the ${mm(wrapped, 1)} it wraps, and ${mm(turnIn)} turned in.`,
            inputs: [{ name: 'Upper and lining', value: wrapped, unit: 'mm' }],
            origin: reveal.origin,
            rule: topFinishRules.reveal.key,
          },
        ],
      }
    }
    case 'raw':
      return {
        ...base,
        sentences: [
          say`Cut clean and dyed before assembly; the lining stands ${mm(book.value(topFinishRules.proud))} proud and is trimmed after stitching.`,
        ],
        becauses: [length],
      }
  }
}

/** From this width on a bead strip holds the edge by itself, mm. */
const NARROW = 28

/** Whether a row of punched holes runs along an edge. */
function punchedAlong({ holes }: Piece, { line, role }: Piece['edges'][number], book: RuleBook): boolean {
  const away = book.value(decorationRules.rowFromEdge)
  return role === 'bead' && holes.some(({ at }) => Math.abs(nearest(line, at).away - away) < ON_ROW)
}

/** A hole belongs to a row when it lies on it within this, mm. */
const ON_ROW = 0.3
