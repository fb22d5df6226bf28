import { offsetLine } from '../geometry/offsetLine.ts'
import { pathLength, type Path } from '../geometry/path.ts'
import { joined as joinedLines } from '../geometry/subpath.ts'
import type { SeamKind, SeamSection } from '../edges/seamSection.ts'
import { asBeginning, inSentence, withoutSide } from '../trade/pieceName.ts'
import type { RuleBook } from '../trade/rules.ts'
import { seamsOf, type EdgeOfPiece } from '../upper/joins.ts'
import type { Piece, PieceEdge } from '../upper/piece.ts'
import { sewnRules } from '../upper/sewnLine.ts'
import { holesAlong, holesOfPartner, type HoleLayout } from './holesAlong.ts'
import { seamRules } from './rules.ts'
import { chainedLaps, insidePiece, longestOf, openRuns, sidesOf, type End } from './seamRuns.ts'
import type { OwnSeam, SeamWay } from '../model/stitching.ts'
import { handWork } from './handWork.ts'
import { rowBeside } from './rowBeside.ts'
import { coverOf, isLaidOnOpening, rowUnder } from './laidOnOpening.ts'
import type { HoleTime, RowOnPiece, Seam } from './seam.ts'
import { threadOf } from './thread.ts'

export interface SeamNeeds {
  pieces: readonly Piece[]
  seen: SeamSection['seen']
  /** Sections of the same pieces: what is sewn through in each. */
  sections: readonly SeamSection[]
  way: SeamWay
  /** What was decided for single seams, by their ids. */
  own: Readonly<Record<string, OwnSeam>>
  /** Of a piece, mm. */
  thicknessOf: (piece: string) => number
  /** The lining that is sewn in with an edge of the opening, mm. */
  lining: number
  book: RuleBook
}

const sideOf = ({ side }: Pick<PieceEdge, 'side'>): string => (side === 'whole' ? '' : `, ${side}`)

/** Every seam that closes an upper or its lining, read off edges and joins. */
export function seamRows(needs: SeamNeeds): Seam[] {
  const { pieces, seen, sections, lining, book } = needs
  const more = book.value(seamRules.threadMore)
  const end = book.value(seamRules.threadEnd)

  /** How a seam is sewn: as was decided for it, else like the rest of the pair. */
  const howOf = (id: string, usualRows = 1) => {
    const own = needs.own[id]
    const way = own?.by ?? needs.way
    const fromEdge = own?.fromEdge ?? book.value(way === 'hand' ? sewnRules.fromEdge : seamRules.machineFromEdge)
    return {
      way,
      fromEdge,
      pitch: own?.pitch ?? book.value(way === 'hand' ? sewnRules.pitch : seamRules.machinePitch),
      gap: Math.max(book.value(seamRules.rowGap), way === 'hand' ? fromEdge : 0),
      stitch: way === 'hand' ? (own?.stitch ?? 'two needles') : null,
      rows: own?.rows ?? (way === 'machine' ? usualRows : 1),
    }
  }
  const seam = (
    head: Pick<Seam, 'id' | 'name' | 'kind' | 'side' | 'fromEdge' | 'thickness' | 'way' | 'stitch'> &
      Partial<Pick<Seam, 'lap'>>,
    rows: readonly { layout: HoleLayout; on: RowOnPiece[] }[],
  ): Seam => {
    const { way, stitch } = head
    const first = rows[0]!.layout
    const stitches = count(first)
    const mean = first.length / stitches
    return {
      lap: null,
      ...head,
      depth: null,
      sewnWith: way,
      seen,
      rows: rows.length,
      stitches,
      pitch: mean,
      length: first.length,
      thread: rows.reduce(
        (sum, { layout }) =>
          sum +
          threadOf(stitch ?? 'lock', {
            inside: head.fromEdge,
            stitches: count(layout),
            pitch: layout.length / count(layout),
            thickness: head.thickness,
            more,
            end,
          }),
        0,
      ),
      on: rows.flatMap((r) => (way === 'hand' ? r.on : r.on.map((o) => ({ ...o, holes: [] })))),
      ...handWork(
        head,
        rows.flatMap((r) => r.on),
        needs,
      ),
    }
  }
  const through = (ids: readonly string[], kind: SeamKind): number =>
    sections.find((s) => s.kind === kind && ids.every((id) => s.pieces.includes(id)))?.sewn ??
    // An edge that is bound, beaded or raw has no section: the leather itself.
    ids.reduce((sum, id) => sum + needs.thicknessOf(id), 0)

  const rowsOfLap = seen === 'outside' ? book.value(seamRules.lapRows) : 1
  const laps = chainedLaps(pieces).map(({ id, over, under, side, lap }) => {
    const ids = [over.piece.id, under.piece.id]
    const { way, stitch, fromEdge, gap, pitch, rows } = howOf(id, rowsOfLap)
    const name = `${withoutSide(over.piece.name)} over ${inSentence(withoutSide(under.piece.name))}${sideOf({ side })}`
    return seam(
      {
        id,
        side,
        way,
        stitch,
        fromEdge,
        name,
        kind: 'lap',
        lap: { width: lap, lastRow: fromEdge + (rows - 1) * gap },
        thickness: through(ids, 'lap'),
      },
      Array.from({ length: rows }, (_, k) => lapRow(over, under, fromEdge + k * gap, pitch, name)),
    )
  })
  const joined = [...seamsOf(pieces)].flatMap(([id, ends]): Seam[] => {
    const [a, b] = ends
    if (!a || !b) return []
    const ids = [a.piece.id, b.piece.id]
    if (ends.every((e) => e.edge.role === 'closed seam')) {
      const { way, stitch, pitch } = howOf(id)
      const layout = holesAlong(a.edge.line, pitch)
      const partner = holesOfPartner(b.edge.line, layout)
      return [
        seam(
          {
            id,
            name: `${withoutSide(a.piece.name)}, ${a.edge.name}`,
            kind: 'closed',
            way,
            stitch,
            side: a.edge.side === b.edge.side ? a.edge.side : 'whole',
            // The allowance is the distance to the cut edge; both edges lie on each other while they are sewn.
            fromEdge: a.edge.allowance,
            thickness: through(ids, 'closed'),
          },
          [{ layout, on: [row(a, a.edge.line, layout, 'now'), row(b, b.edge.line, partner, 'now')] }],
        ),
      ]
    }
    if (ends.every((e) => e.edge.role === 'butt seam')) return [buttSeam(needs, id, a, b)]
    return []
  })
  const opening = pieces.flatMap((piece) =>
    // Linings are caught by the seam of the outside.
    // What is laid on a piece of the opening is sewn with that, through the same holes.
    (seen === 'foot' || isLaidOnOpening(piece) ? [] : openRuns(piece)).flatMap((run): Seam[] => {
      const edge = longestOf(run)
      const kind = edge.role === 'bead' || edge.role === 'bound' ? edge.role : 'fold'
      const side = sidesOf(run)
      const id = `${piece.id}.${edge.name}.${side}`
      const { way, stitch, fromEdge, pitch } = howOf(id)
      const offset = offsetLine(joinedLines(...run.map((e) => e.line)), fromEdge)
      if (offset.length < 2) return []
      const line = insidePiece(offset, piece)
      const layout = holesAlong(line, pitch)
      const cover = coverOf(piece, run, pieces)
      const covered = cover && rowUnder(cover, line, layout.holes)
      return [
        seam(
          {
            id,
            way,
            stitch,
            name: `${asBeginning(withoutSide(piece.name))}, ${edge.name}${sideOf({ side })}`,
            kind,
            side,
            fromEdge,
            // What is bound is wrapped with its lining.
            thickness:
              through([piece.id], kind) +
              (kind === 'bound' ? 0 : lining) +
              (covered ? (through([cover.id], kind) * pathLength(covered.line)) / layout.length : 0),
          },
          [{ layout, on: [...(covered ? [covered] : []), row({ piece }, line, layout, 'later')] }],
        ),
      ]
    }),
  )
  const laidOn = pieces.flatMap((piece) =>
    piece.sewn.length > 0
      ? []
      : piece.edges.flatMap((edge): Seam[] => {
          if (edge.role !== 'lap over' || edge.seam) return []
          const id = `${piece.id}.${edge.name}.${edge.side}`
          const { way, stitch, fromEdge, pitch } = howOf(id)
          const offset = offsetLine(edge.line, fromEdge)
          if (offset.length < 2) return []
          const line = insidePiece(offset, piece)
          const layout = holesAlong(line, pitch)
          return [
            seam(
              {
                id,
                way,
                stitch,
                name: `${withoutSide(piece.name)}, ${edge.name}${sideOf(edge)}`,
                kind: 'laidOn',
                side: edge.side,
                fromEdge,
                thickness: 2 * needs.thicknessOf(piece.id),
              },
              [{ layout, on: [row({ piece }, line, layout, 'now')] }],
            ),
          ]
        }),
  )
  return [...laps, ...joined, ...laidOn, ...laidOutByStyle(needs), ...opening]
}

/**
 * Edge to edge, always by hand: the thread goes in beside either edge and through part of the thickness only, so that it
 * shows on one side and is not felt on the other.
 */
function buttSeam(needs: SeamNeeds, id: string, a: EdgeOfPiece, b: EdgeOfPiece): Seam {
  const { sections, thicknessOf, seen, book } = needs
  const own = needs.own[id]
  const inside = own?.fromEdge ?? book.value(seamRules.buttFromEdge)
  const name = `${withoutSide(a.piece.name)}, ${a.edge.name}`
  const line = rowBeside(a.edge.line, inside, name)
  const layout = holesAlong(line, own?.pitch ?? book.value(seamRules.buttPitch))
  const other = rowBeside(b.edge.line, inside, name)
  const thin = Math.min(thicknessOf(a.piece.id), thicknessOf(b.piece.id))
  const depth = book.value(seamRules.buttDepth) * thin
  const [stitches, more, end] = [count(layout), book.value(seamRules.threadMore), book.value(seamRules.threadEnd)]
  const pitch = layout.length / stitches
  const rows = [row(a, line, layout, 'now'), row(b, other, holesOfPartner(other, layout), 'now')]
  return {
    id,
    name,
    kind: 'butt',
    seen,
    way: 'hand',
    stitch: 'two needles',
    sewnWith: 'hand',
    side: 'whole',
    rows: 1,
    stitches,
    pitch,
    length: layout.length,
    fromEdge: inside,
    thickness: sections.find((s) => s.id === id)?.sewn ?? thin,
    depth,
    lap: null,
    // Across the joint and half of the leather down and up again.
    thread: threadOf('two needles', { stitches, pitch, thickness: 2 * inside + depth, inside, more, end }),
    on: rows,
    ...handWork({ way: 'hand', kind: 'butt' }, rows, needs),
  }
}

/** Seams whose holes a style lays out itself, since two pieces are to have the very same: always sewn by hand. */
function laidOutByStyle(needs: SeamNeeds): Seam[] {
  const { pieces, thicknessOf, book } = needs
  const names = [...new Set(pieces.flatMap((p) => p.sewn.map((s) => s.name)))]
  return names.map((name): Seam => {
    const of = pieces.filter((p) => p.sewn.some((s) => s.name === name))
    const lines = of.map((p) => p.sewn.find((s) => s.name === name)!)
    const { line, holes } = lines[0]!
    const [stitches, length] = [holes.length - 1, pathLength(line)]
    const thickness = of.reduce((sum, p) => sum + thicknessOf(p.id), 0)
    const [more, end] = [book.value(seamRules.threadMore), book.value(seamRules.threadEnd)]
    // The piece that lies on top stands last; through it the one below is punched once it is stuck on.
    const on = of.map((p, i): RowOnPiece => ({
      piece: p.id,
      line: lines[i]!.line,
      holes: lines[i]!.holes,
      punched: i === of.length - 1 ? 'now' : 'later',
    }))
    return {
      id: name,
      name: asBeginning(name),
      kind: 'laidOn',
      seen: 'outside',
      way: 'hand',
      stitch: 'two needles',
      sewnWith: 'hand',
      side: 'whole',
      rows: 1,
      stitches,
      pitch: length / stitches,
      length,
      fromEdge: book.value(sewnRules.fromEdge),
      thickness,
      depth: null,
      lap: null,
      thread: threadOf('two needles', { stitches, pitch: length / stitches, thickness, inside: 0, more, end }),
      on,
      ...handWork({ way: 'hand', kind: 'laidOn' }, on, needs),
    }
  })
}

const count = ({ stitches }: HoleLayout): number => stitches.reduce((a, b) => a + b, 0)

const row = (
  { piece }: Pick<EdgeOfPiece, 'piece'>,
  line: Path,
  { holes }: HoleLayout,
  punched: HoleTime,
): RowOnPiece => ({
  piece: piece.id,
  line,
  holes,
  punched,
})

/**
 * One row of a lap: on the leather that lies over, so far inside its edge; on the one under it, so far outside its
 * finished line, where the same stitches go. What lies over is punched first, what lies under through it, once it is stuck.
 */
function lapRow(over: End, under: End, inside: number, pitch: number, name: string) {
  const line = rowBeside(over.line, inside, name)
  const layout = holesAlong(line, pitch)
  const below = rowBeside(under.line, -inside, name)
  return {
    layout,
    on: [row(over, line, layout, 'now'), row(under, below, holesOfPartner(below, layout), 'later')],
  }
}
