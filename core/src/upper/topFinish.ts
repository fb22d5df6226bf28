import { curvatures, outwardNormals, resample } from '../geometry/polyline.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import type { Because } from '../trade/because.ts'
import type { Rule, RuleBook } from '../trade/rules.ts'
import type { TopFinish } from '../model/upper.ts'
import { ofPiece } from '../trade/cutFrom.ts'
import { backerOf } from '../trade/partCatalogue.ts'
import type { UpperLayers } from './needs.ts'
import type { Piece } from './piece.ts'
import { mm, mmTo, say, type Sentence } from '../units/sentence.ts'

export const topFinishRules = {
  slitShort: {
    key: 'upper.slitShort',
    name: 'Slits end before the line',
    value: 1.5,
    min: 1,
    max: 2,
    unit: 'mm',
    why: 'A slit that reaches the line shows as a corner in the folded edge.',
  },
  slitPitch: {
    key: 'upper.slitPitch',
    name: 'Between slits on a round of 30 mm',
    value: 5,
    min: 3,
    max: 8,
    unit: 'mm',
    why: say`${mmTo(4, 6)} apart; closer on tight curves, none on straights.`,
  },
  straight: {
    key: 'upper.straightRadius',
    name: 'Radius from which an edge counts as straight',
    value: 90,
    min: 50,
    max: 200,
    unit: 'mm',
    why: 'So flat a round folds over without help.',
  },
  strip: {
    key: 'upper.beadStrip',
    name: 'Width of a bead strip',
    value: 30,
    min: 12,
    max: 36,
    unit: 'mm',
    why: say`${mmTo(28, 32)}, folded off-centre; narrower, ready-made strips need a stay tape against stretch.`,
  },
  spare: {
    key: 'upper.beadSpare',
    name: 'Spare length of a strip',
    value: 50,
    min: 20,
    max: 80,
    unit: 'mm',
    why: 'To hold on to, and to skive and join the ends.',
  },
  reveal: {
    key: 'upper.reveal',
    name: 'Bead or binding that shows',
    value: 1.75,
    min: 1,
    max: 4,
    unit: 'mm',
    why: say`${mmTo(1.5, 2)} show as an even line.`,
  },
  turnIn: {
    key: 'upper.bindingTurnIn',
    name: 'Turned in under a binding',
    value: 6,
    min: 4,
    max: 10,
    unit: 'mm',
    why: 'Enough to be caught by the stitch that holds it down.',
  },
  proud: {
    key: 'upper.liningProud',
    name: 'Lining proud of a raw edge',
    value: 4,
    min: 2,
    max: 8,
    unit: 'mm',
    why: 'It is trimmed flush after stitching.',
  },
} satisfies Record<string, Rule>

/** What the opening's edge needs: lengths and widths in mm, and where its parts go. */
export interface TopFinishWork {
  finish: TopFinish
  /** The opening's whole edge, both sides, mm. */
  opening: number
  tape: number | null
  strip: { length: number; width: number } | null
  slits: number
  notches: number
  /** Where kerfs go along a bead strip, mm from its end, the spare length shared between both ends. */
  kerfs: number[]
  sentences: Sentence[]
  becauses: Because[]
}

/** Places along an edge where its allowance must open (concave, a slit) or close (convex, a notch). */
export function relief(line: Path, pitch: number, straight: number): { at: number; convex: boolean }[] {
  const whole = pathLength(line)
  if (whole < 6) return []
  const even = resample(line, Math.max(8, Math.round(whole)))
  const k = curvatures(even, false)
  const step = whole / (even.length - 1)
  const out: { at: number; convex: boolean }[] = []
  // Steps shrink with the radius: so many per degree of turn, but never closer than half the pitch.
  let due = pitch / 2
  for (let i = 1; i + 1 < even.length; i++) {
    const bend = Math.abs(k[i]!)
    if (bend < 1 / straight) {
      due = pitch / 2
      continue
    }
    const here = Math.max(pitch / 2, Math.min(pitch * 1.2, pitch * Math.sqrt(1 / 30 / bend)))
    due -= (step * pitch) / here
    if (due <= 0) {
      out.push({ at: i * step, convex: k[i]! > 0 })
      due = pitch
    }
  }
  return out
}

/** Edges of this name make up the opening. */
const OPENING = 'top line'

/** A piece with the slits and notches that its folded top line needs. */
export function withSlits(piece: Piece, book: RuleBook): Piece {
  const slits: Piece['slits'] = []
  for (const edge of piece.edges) {
    if (edge.role !== 'folded' || edge.allowance <= 0) continue
    const line = resample(edge.line, Math.max(8, Math.round(pathLength(edge.line))))
    const normals = outwardNormals(line, false)
    const step = pathLength(line) / (line.length - 1)
    for (const place of relief(edge.line, book.value(topFinishRules.slitPitch), book.value(topFinishRules.straight))) {
      const i = Math.round(place.at / step)
      const [p, n] = [line[i]!, normals[i]!]
      const short = book.value(topFinishRules.slitShort)
      slits.push({
        from: [p[0] + n[0] * edge.allowance, p[1] + n[1] * edge.allowance],
        to: [p[0] + n[0] * short, p[1] + n[1] * short],
        kind: place.convex ? 'notch' : 'slit',
      })
    }
  }
  return { ...piece, slits }
}

/** The thickest stack of upper and lining at the opening, mm. */
export function wrappedAt(pieces: readonly Piece[], { upper, own, backer, lining }: UpperLayers): number {
  const there = pieces
    .filter((p) => p.edges.some((e) => e.name === OPENING))
    .map((p) => ofPiece(own, p.id, upper) + ofPiece(own, backerOf(p.id), backer))
  return (there.length > 0 ? Math.max(...there) : upper + backer) + lining
}

/** What the chosen finish of the top line asks for. `wrapped` is the thickness of upper and lining together, mm. */
export function topFinishWork(
  finish: TopFinish,
  pieces: readonly Piece[],
  wrapped: number,
  book: RuleBook,
): TopFinishWork {
  const edges = pieces.flatMap((p) => p.edges.filter((e) => e.name === OPENING))
  const opening = edges.reduce((s, e) => s + pathLength(e.line), 0)
  const slits = pieces.flatMap((p) => p.slits)
  const length: Because = {
    id: 'edge',
    quantity: 'Edge of the opening',
    value: opening,
    unit: 'mm',
    sentence: 'Measured along the finished line of both sides.',
    inputs: edges.map((e) => ({ name: `${e.side} side`, value: pathLength(e.line), unit: 'mm' as const })),
    origin: 'measured on the last',
  }
  const base = { finish, opening, tape: null, strip: null, slits: 0, notches: 0, kerfs: [] }
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
      const spare = book.inForce(topFinishRules.spare)
      const width = book.inForce(topFinishRules.strip)
      let run = spare.value / 2
      const kerfs = edges.flatMap((e) => {
        const from = run
        run += pathLength(e.line)
        return relief(e.line, book.value(topFinishRules.slitPitch), book.value(topFinishRules.straight)).map((p) => ({
          ...p,
          at: from + p.at,
        }))
      })
      const strip = { length: opening + spare.value, width: width.value }
      const narrow = width.value < 28
      return {
        ...base,
        strip,
        slits: kerfs.filter((p) => !p.convex).length,
        kerfs: kerfs.filter((p) => !p.convex).map((p) => p.at),
        tape: narrow ? opening : null,
        sentences: [
          say`Skived, dyed, folded off-centre so that ${mm(book.value(topFinishRules.reveal))} show; four layers lie at the edge.`,
          'Kerfs on the inner side only where the curve needs them; both ends skived.',
          ...(narrow ? ['A strip so narrow gives no hold: a stay tape is sewn in against stretch.'] : []),
        ],
        becauses: [
          length,
          {
            id: 'beadLength',
            quantity: 'Length of the bead strip',
            value: strip.length,
            unit: 'mm',
            sentence: say`The opening and ${mm(spare.value)} to hold on to and to join the ends.`,
            inputs: [{ name: 'Opening', value: opening, unit: 'mm' }],
            origin: spare.origin,
            rule: topFinishRules.spare.key,
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
        strip: { length: opening + book.value(topFinishRules.spare), width },
        sentences: ['The binding wraps the edge and is stitched down; its ends are skived to nothing.'],
        becauses: [
          length,
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
