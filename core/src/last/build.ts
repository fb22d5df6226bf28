import { lerp } from '../geometry/interpolate.ts'
import { GeometryError } from '../geometry/path.ts'
import type { LastMeasures } from '../model/last.ts'
import { bottomShape, type BottomShape } from './bottom.ts'
import type { Side } from '../trade/side.ts'
import { GRID, sideSign } from './frame.ts'
import { jointStations, planOutline, tracedOutline, type TracedBottom } from './outline.ts'
import { featherOf, RidgeArc, ribPoint, ridgeShares, sideRibs, type Foundation, type SideRibs } from './ribs.ts'
import { ribTables, type RibTables, type WallFullness } from './ribTables.ts'
import { coneCut, ridgeLine, type RidgeFigures } from './ridge.ts'
import type { LastSurface } from './surface.ts'

/** How finely a surface is computed: the fit to girths takes its slopes from a coarse one. */
export interface Resolution {
  columns: number
  rows: number
  across: number
  ribSamples: number
  /** Samples along the rim of the cone cut, and along the ridge. */
  rimSamples: number
  ridgeSamples: number
}
export const FINE: Resolution = {
  columns: GRID.columns,
  rows: GRID.rows,
  across: 17,
  ribSamples: 400,
  rimSamples: 64,
  ridgeSamples: 240,
}
export const COARSE: Resolution = {
  columns: 49,
  rows: 17,
  across: 9,
  ribSamples: 120,
  rimSamples: 16,
  ridgeSamples: 60,
}

/** The free figures of a last: what the fit to the girths moves, and the insets that make the length exact. */
export interface FreeFigures {
  ridge: RidgeFigures
  fullness: WallFullness
  insets: { heel: number; toe: number }
}

/** Foot and tables of a last whose feather line starts and ends at the given insets. */
function foundationOf(
  m: LastMeasures,
  bottom: BottomShape,
  tables: RibTables,
  insets: FreeFigures['insets'],
  traced: TracedBottom | null,
): Omit<Foundation, 'reach'> {
  const outline = traced ? tracedOutline(traced, insets.heel) : planOutline(m, insets.heel, insets.toe)
  return {
    measures: m,
    joints: traced
      ? { lateral: insets.heel + traced.joints.lateral, medial: insets.heel + traced.joints.medial }
      : jointStations(m.length),
    bottom,
    tables,
    feather: { lateral: featherOf(outline, bottom, 'lateral'), medial: featherOf(outline, bottom, 'medial') },
  }
}

function ribsOf(base: Omit<Foundation, 'reach'>, free: FreeFigures, samples: number): Record<Side, SideRibs> {
  const { measures: m } = base
  const arc = new RidgeArc(ridgeLine(m, base.bottom, free.ridge), m.length)
  const onRidge = ridgeShares(arc, m.length, samples)
  return {
    lateral: sideRibs(base, arc, onRidge, free.fullness, 'lateral'),
    medial: sideRibs(base, arc, onRidge, free.fullness, 'medial'),
  }
}

/**
 * Foundation whose insets let the swelling walls reach exactly 0 and L (fixed-point rounds). Heel and toe ribs do
 * not depend on the girths, so this is done once, before they are sought. A traced bottom keeps its own length: the
 * length of `m` must then be what `tracedLength` found.
 */
export function layFoundation(m: LastMeasures, free: FreeFigures, traced: TracedBottom | null = null): Foundation {
  const bottom = bottomShape(m)
  const tables = ribTables(m)
  let insets = { ...free.insets }
  let base = foundationOf(m, bottom, tables, insets, traced)
  const p = new Float64Array(3)
  let reach = m.length
  for (let round = 0; round < 3; round++) {
    const ribs = ribsOf(base, free, 8)
    let heel = Infinity
    let toe = -Infinity
    for (let i = 0; i <= 60; i++) {
      ribPoint(ribs.lateral, 0, i / 60, p, 0)
      heel = Math.min(heel, p[0]!)
      ribPoint(ribs.lateral, 1, i / 60, p, 0)
      toe = Math.max(toe, p[0]!)
    }
    reach = toe - heel
    insets = { heel: insets.heel - heel, toe: insets.toe + toe - m.length }
    base = foundationOf(m, bottom, tables, insets, traced)
  }
  return { ...base, reach }
}

/** Height share w at which a rib meets the cone cut. */
function cutAt(ribs: SideRibs, s: number, top: number): number {
  const p = new Float64Array(3)
  let lo = 0
  let hi = 1
  // 26 halvings of a rib of some 100 mm leave less than a hundred-thousandth of one.
  for (let k = 0; k < 26; k++) {
    const mid = (lo + hi) / 2
    ribPoint(ribs, s, mid, p, 0)
    if (p[2]! < top) lo = mid
    else hi = mid
  }
  return (lo + hi) / 2
}

/** The last value of s whose ridge point still stands above the cone cut. */
function coneEnd(ribs: SideRibs, top: number): number {
  const p = new Float64Array(3)
  const above = (s: number) => {
    ribPoint(ribs, s, 1, p, 0)
    return p[2]! - top
  }
  if (above(0) <= 0) throw new GeometryError('The cone is lower than the back of the last: raise the cone height.')
  let lo = 0
  let hi = 0
  while (hi < 1 && above(hi) > 0) {
    lo = hi
    hi += 1 / 120
  }
  for (let k = 0; k < 40; k++) {
    const mid = (lo + hi) / 2
    if (above(mid) > 0) lo = mid
    else hi = mid
  }
  return lo
}

/** Where the columns of a wall end at its top: how far along the last, and how far round its rib. */
interface WallTop {
  s: Float64Array
  w: Float64Array
}

/** Length of the rim with its samples: dense towards the cone's front, where w behaves like a root. */
function rimOf(ribs: SideRibs, top: number, end: number, samples: number) {
  const s = new Float64Array(samples + 1)
  const run = new Float64Array(samples + 1)
  const p = new Float64Array(6)
  for (let i = 0; i <= samples; i++) {
    s[i] = end * (1 - (1 - i / samples) ** 2)
    ribPoint(ribs, s[i]!, cutAt(ribs, s[i]!, top), p, 3)
    if (i > 0) run[i] = run[i - 1]! + Math.hypot(p[3]! - p[0]!, p[4]! - p[1]!, p[5]! - p[2]!)
    p.copyWithin(0, 3)
  }
  return { s, run, length: run[samples] }
}

/** Arc length of the ridge from s to 1, tabulated over s. */
function ridgeRun(ribs: SideRibs, from: number, n: number) {
  const s = new Float64Array(n + 1)
  const run = new Float64Array(n + 1)
  const p = new Float64Array(6)
  for (let i = 0; i <= n; i++) {
    s[i] = lerp(from, 1, i / n)
    ribPoint(ribs, s[i]!, 1, p, 3)
    if (i > 0) run[i] = run[i - 1]! + Math.hypot(p[3]! - p[0]!, p[4]! - p[1]!, p[5]! - p[2]!)
    p.copyWithin(0, 3)
  }
  return { s, run, length: run[n] }
}

function sAtRun(table: { s: Float64Array; run: Float64Array }, run: number): number {
  let i = 0
  while (i < table.run.length - 2 && table.run[i + 1]! < run) i++
  const span = table.run[i + 1]! - table.run[i]!
  return lerp(table.s[i]!, table.s[i + 1]!, span > 0 ? Math.min(1, (run - table.run[i]!) / span) : 0)
}

function wallTop(ribs: SideRibs, top: number, end: number, coneColumn: number, res: Resolution): WallTop {
  const { columns } = res
  const rim = rimOf(ribs, top, end, res.rimSamples)
  const ridge = ridgeRun(ribs, end, res.ridgeSamples)
  const s = new Float64Array(columns)
  const w = new Float64Array(columns).fill(1)
  for (let i = 0; i < coneColumn; i++) {
    s[i] = sAtRun(rim, (rim.length! * i) / coneColumn)
    w[i] = cutAt(ribs, s[i]!, top)
  }
  for (let i = coneColumn; i < columns; i++) {
    const q = (i - coneColumn) / (columns - 1 - coneColumn)
    s[i] = sAtRun(ridge, ridge.length! * (1 - (1 - q) ** 1.7))
  }
  return { s, w }
}

/** Rows of one wall, even by arc from feather to the top of the wall; y = -v turns the sideways offset into the stored frame. */
function layWall(ribs: SideRibs, edge: WallTop, columns: number, rows: number): Float64Array {
  const wall = new Float64Array(columns * rows * 3)
  const toY = -sideSign(ribs.side)
  const n = 2 * (rows - 1)
  const fine = new Float64Array((n + 1) * 3)
  const run = new Float64Array(n + 1)
  for (let i = 0; i < columns; i++) {
    const sFoot = i / (columns - 1)
    for (let j = 0; j <= n; j++) {
      const t = j / n
      const s = lerp(sFoot, edge.s[i]!, t / 2 + (t * t * (3 - 2 * t)) / 2)
      ribPoint(ribs, s, edge.w[i]! * t, fine, j * 3)
      if (j > 0) {
        const k = j * 3
        const [dx, dy, dz] = [fine[k]! - fine[k - 3]!, fine[k + 1]! - fine[k - 2]!, fine[k + 2]! - fine[k - 1]!]
        run[j] = run[j - 1]! + Math.sqrt(dx * dx + dy * dy + dz * dz)
      }
    }
    let j = 0
    for (let r = 0; r < rows; r++) {
      const at = (run[n]! * r) / (rows - 1)
      while (j < n - 1 && run[j + 1]! < at) j++
      const t = run[j + 1]! > run[j]! ? Math.min(1, Math.max(0, (at - run[j]!) / (run[j + 1]! - run[j]!))) : 0
      const o = (i * rows + r) * 3
      for (let c = 0; c < 3; c++) wall[o + c] = lerp(fine[j * 3 + c]!, fine[j * 3 + 3 + c]!, t)
      wall[o + 1]! *= toY
    }
  }
  return wall
}

/** The shared edges are one line: copy them from the lateral wall so that both agree to the last digit. */
function weld(surface: LastSurface): void {
  const { lateral, medial } = surface.walls
  const top = surface.rows - 1
  const copy = (column: number, row: number) => {
    const at = (column * surface.rows + row) * 3
    for (let c = 0; c < 3; c++) medial[at + c] = lateral[at + c]!
  }
  for (let j = 0; j <= top; j++) {
    copy(0, j)
    copy(surface.columns - 1, j)
  }
  for (let i = surface.coneColumn; i < surface.columns; i++) copy(i, top)
}

/** Lays the canonical grid over the body with the given free figures. Throws GeometryError when the cone cannot be cut. */
export function buildSurface(base: Foundation, free: FreeFigures, res: Resolution = FINE): LastSurface {
  const m = base.measures
  const ribs = ribsOf(base, free, res.ribSamples)
  const top = coneCut(m)
  const sides: Side[] = ['lateral', 'medial']
  const end = coneEnd(ribs.lateral, top)
  const share =
    sides.reduce((sum, side) => {
      const rim = rimOf(ribs[side], top, end, res.rimSamples).length
      return sum + rim! / (rim! + ridgeRun(ribs[side], end, res.ridgeSamples).length!)
    }, 0) / 2
  const coneColumn = Math.round(((res.columns - 1) / 2) * (share + end))
  const walls = Object.fromEntries(
    sides.map((side) => {
      const edge = wallTop(ribs[side], top, end, coneColumn, res)
      return [side, layWall(ribs[side], edge, res.columns, res.rows)]
    }),
  ) as Record<Side, Float64Array>
  const surface: LastSurface = {
    length: m.length,
    joints: base.joints,
    columns: res.columns,
    rows: res.rows,
    coneColumn,
    walls,
    across: res.across,
    bottom: new Float64Array(res.columns * res.across * 3),
  }
  weld(surface)
  fillBottom(surface, base.bottom)
  return surface
}

function fillBottom(surface: LastSurface, bottom: BottomShape): void {
  const { columns, rows, across, walls } = surface
  for (let i = 0; i < columns; i++) {
    const a = i * rows * 3
    const width = Math.hypot(walls.lateral[a]! - walls.medial[a]!, walls.lateral[a + 1]! - walls.medial[a + 1]!)
    for (let j = 0; j < across; j++) {
      const t = j / (across - 1)
      const o = (i * across + j) * 3
      for (let c = 0; c < 3; c++) surface.bottom[o + c] = lerp(walls.lateral[a + c]!, walls.medial[a + c]!, t)
      surface.bottom[o + 2]! -= bottom.belly(width, 2 * t - 1)
    }
  }
}
