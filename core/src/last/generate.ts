import { GeometryError } from '../geometry/path.ts'
import { solveDense } from '../geometry/linearSolve.ts'
import type { LastMeasures } from '../model/last.ts'
import { bottomShape } from './bottom.ts'
import { buildSurface, COARSE, FINE, layFoundation, type FreeFigures, type Resolution } from './build.ts'
import { REFERENCE_LENGTH, STATIONS } from './frame.ts'
import { girthPlanes, landmarks, type GirthStation } from './landmarks.ts'
import type { TracedBottom } from './outline.ts'
import type { Foundation } from './ribs.ts'
import { girth } from './section.ts'
import type { LastSurface } from './surface.ts'
import { mm, say } from '../units/sentence.ts'

/** A generated last meets its girths at least this closely, mm. */
export const GIRTH_TOLERANCE = 0.05
const ROUNDS = 8

/** What the fit may move: how far it does so gladly (the prior's sigma), how far at most, and how it is applied. */
interface Unknown {
  prior: number
  /** Place of a ridge height, x in mm: heights near each other move together, or the ridge becomes wavy. */
  at?: number
  most: number
  move: (f: FreeFigures, by: number) => void
}

/** Unknowns of a last of length L; the cone's front and the heel's fullness move only for a heel girth. */
function unknownsOf(L: number, heel: boolean): Unknown[] {
  const k = L / REFERENCE_LENGTH
  const always: Unknown[] = [
    { prior: 5, most: 40, at: STATIONS.ridgeInstep * L, move: (f, by) => (f.ridge.instep += by) },
    { prior: 5, most: 40, at: STATIONS.ridgeWaist * L, move: (f, by) => (f.ridge.waist += by) },
    { prior: 5, most: 40, at: STATIONS.ridgeJoint * L, move: (f, by) => (f.ridge.joint += by) },
    { prior: 2.5, most: 25, move: (f, by) => (f.fullness.instep += by) },
    { prior: 2.5, most: 25, move: (f, by) => (f.fullness.waist += by) },
    { prior: 2.5, most: 25, move: (f, by) => (f.fullness.joint += by) },
  ]
  if (!heel) return always
  return [
    ...always,
    { prior: 4, most: 15 * k, move: (f, by) => (f.ridge.coneFront += by) },
    { prior: 1.5, most: 8 * k, move: (f, by) => (f.fullness.heel += by) },
  ]
}

/** Ridge heights that look natural for a joint girth: from the bottom point of each tape to its ridge point. */
function naturalFigures(m: LastMeasures): FreeFigures {
  const bottom = bottomShape(m)
  const L = m.length
  const ridgeOver = (ridge: number, below: number, share: number) => {
    const run = (ridge - below) * L
    const reach = share * m.jointGirth
    return bottom.centre(below * L) + Math.sqrt(Math.max(reach * reach - run * run, 1))
  }
  return {
    ridge: {
      coneFront: m.coneFront * L,
      instep: ridgeOver(STATIONS.ridgeInstep, STATIONS.bottomInstep, 0.333),
      waist: ridgeOver(STATIONS.ridgeWaist, STATIONS.bottomWaist, 0.262),
      joint: bottom.centre(STATIONS.ridgeJoint * L) + 0.212 * m.jointGirth,
    },
    fullness: { heel: 0, instep: 0, waist: 0, joint: 0 },
    insets: { heel: (3 * L) / REFERENCE_LENGTH, toe: (1.5 * L) / REFERENCE_LENGTH },
  }
}

/** Over this share of L ridge heights move together. */
const TOGETHER = 0.1

/**
 * Covariance of the prior: sigma^2 on the diagonal; between two ridge heights sigma^2 exp(-(dx / 0.1 L)^2 / 2). Lasts
 * from before seats had a figure keep the plain one, and with it their ridge.
 */
function covariance(m: LastMeasures, unknowns: readonly Unknown[]): number[][] {
  const fair = m.seatSlope !== null
  return unknowns.map((a, i) =>
    unknowns.map((b, j) => {
      if (i === j) return a.prior ** 2
      if (!fair || a.at === undefined || b.at === undefined) return 0
      return a.prior * b.prior * Math.exp(-(((a.at - b.at) / (TOGETHER * m.length)) ** 2) / 2)
    }),
  )
}

const round1 = (mm: number) => Math.round(mm * 10) / 10

function moved(natural: FreeFigures, unknowns: readonly Unknown[], q: readonly number[]): FreeFigures {
  const free: FreeFigures = { ...natural, ridge: { ...natural.ridge }, fullness: { ...natural.fullness } }
  unknowns.forEach((u, k) => u.move(free, q[k]!))
  return free
}

type Targets = { station: GirthStation; wanted: number }[]

function readings(base: Foundation, free: FreeFigures, targets: Targets, res: Resolution): [number[], LastSurface] {
  const surface = buildSurface(base, free, res)
  const planes = girthPlanes(landmarks(surface))
  return [targets.map((t) => girth(surface, planes[t.station])), surface]
}

/** The length of a last whose feather line is as long as its tracing: the walls swell past it at heel and toe. */
export function tracedLength(m: LastMeasures, traced: TracedBottom): number {
  let length = traced.length + 5
  for (let round = 0; round < 4; round++) {
    const at = { ...m, length }
    length = layFoundation(at, naturalFigures(at), traced).reach
  }
  return length
}

/**
 * The canonical surface of a last with the given measures, over a traced bottom when there is one. Girths at joint,
 * waist, instep and (when it is given) heel are met within GIRTH_TOLERANCE by moving ridge heights, wall fullness
 * and the cone's front as little as possible (minimum-norm Gauss-Newton under a Gaussian prior,
 * q = C J' (J C J')^-1 (J q - r)). Throws GeometryError naming the girth that cannot be met.
 */
export function generateLast(m: LastMeasures, traced: TracedBottom | null = null): LastSurface {
  return fitted(m, traced).surface
}

/** The same body laid on a grid of another fineness: for scans of known lasts, and to see what the grid itself costs. */
export function generateAt(m: LastMeasures, res: Resolution): LastSurface {
  const { base, free } = fitted(m, null)
  return buildSurface(base, free, res)
}

interface Fitted {
  base: Foundation
  free: FreeFigures
  surface: LastSurface
}

function fitted(m: LastMeasures, traced: TracedBottom | null): Fitted {
  const natural = naturalFigures(m)
  const base = layFoundation(m, natural, traced)
  const targets: Targets = [
    { station: 'joint', wanted: m.jointGirth },
    { station: 'waist', wanted: m.waistGirth },
    { station: 'instep', wanted: m.instepGirth },
  ]
  if (m.heelGirth !== null) targets.push({ station: 'heel', wanted: m.heelGirth })
  const unknowns = unknownsOf(m.length, m.heelGirth !== null)
  const C = covariance(m, unknowns)
  let q = unknowns.map(() => 0)
  let [got, surface] = readings(base, natural, targets, FINE)
  let jacobian: number[][] | null = null
  for (let round = 0; round < ROUNDS; round++) {
    const r = got.map((g, i) => g - targets[i]!.wanted)
    if (r.every((v) => Math.abs(v) < GIRTH_TOLERANCE)) return { base, free: moved(natural, unknowns, q), surface }
    if (!jacobian || round === 3) jacobian = slopes(base, natural, unknowns, targets, q)
    const J: number[][] = jacobian
    const CJ = J.map((row) => C.map((c) => c.reduce((s, v, k) => s + v * row[k]!, 0)))
    const JCJ = J.map((a) => CJ.map((b) => a.reduce((s, v, k) => s + v * b[k]!, 0)))
    const rhs = J.map((row, i) => row.reduce((s, v, k) => s + v * q[k]!, 0) - r[i]!)
    const lambda = solveDense(JCJ, rhs)
    if (!lambda) break
    q = unknowns.map((_, k) => CJ.reduce((s, column, i) => s + column[k]! * lambda[i]!, 0))
    const over = Math.max(...q.map((v, k) => Math.abs(v) / unknowns[k]!.most))
    if (over > 1) {
      // As far that way as a last can go: what it reads there is the nearest that can be had.
      got = readings(
        base,
        moved(
          natural,
          unknowns,
          q.map((v) => v / over),
        ),
        targets,
        FINE,
      )[0]
      break
    }
    ;[got, surface] = readings(base, moved(natural, unknowns, q), targets, FINE)
  }
  const misses = targets.map((t, i) => ({ ...t, got: got[i], off: got[i]! - t.wanted }))
  const worst = misses.reduce((a, b) => (Math.abs(b.off) > Math.abs(a.off) ? b : a))
  if (Math.abs(worst.off) < GIRTH_TOLERANCE) return { base, free: moved(natural, unknowns, q), surface }
  throw new GeometryError(
    say`The ${worst.station} girth of ${mm(round1(worst.wanted))} cannot be met with these widths and heights (the nearest is ${mm(worst.got!, 1)}). Measure it again, or change the width there.`,
  )
}

/** Slopes of the girths by the unknowns, from a coarse surface by one-sided differences of 1 mm. */
function slopes(
  base: Foundation,
  natural: FreeFigures,
  unknowns: readonly Unknown[],
  targets: Targets,
  q: readonly number[],
): number[][] {
  const at = (p: readonly number[]) => readings(base, moved(natural, unknowns, p), targets, COARSE)[0]
  const here = at(q)
  const columns = q.map((_, k) => at(q.map((v, i) => (i === k ? v + 1 : v))))
  return here.map((h, i) => columns.map((c) => c[i]! - h))
}
