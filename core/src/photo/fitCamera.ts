import { solveDense } from '../geometry/linearSolve.ts'
import { procrustes } from '../geometry/procrustes.ts'
import type { Point } from '../geometry/path.ts'
import { project, unproject, type Camera, type Rotation } from './camera.ts'
import { firstCamera, FOCAL } from './firstCamera.ts'
import { placeOfMark, type MatSheet } from './mat.ts'

/** A mark that was read, with its corners in the picture in the order of the mat's, px. */
export interface SeenMark {
  mark: number
  corners: readonly [Point, Point, Point, Point]
}

/** Where a sheet lies in the frame of the first one: turned by `angle` (radians), then moved, mm. */
interface SheetPose {
  sheet: MatSheet
  x: number
  y: number
  angle: number
}

export interface FittedCamera {
  camera: Camera
  sheets: SheetPose[]
  /** How far ink has spread over the edges of the marks, mm. */
  spread: number
  /** Middle distance between corners as seen and as computed, px and mm. */
  missed: { px: number; mm: number }
  /** Standard error of a place on the mat at height z, from how well the corners settle the camera, mm. */
  errorAt: (p: Point, z?: number) => number
}

/** What a corner may be missed by on a flat sheet in a good picture, px. */
const CORNER = 0.15
/** What is known of a telephone's camera before it is seen: focal length over the longer side, its middle, its lens; each with its spread. */
const PRIOR = { focal: FOCAL, focalSpread: 0.25, middle: 0.02, lens: 0.3 }
const ROUNDS = 40
/** Unknowns of camera and ink; three more for each sheet but the first. */
const COMMON = 12

/** Turned by a small rotation vector (Rodrigues 1840). */
function turnedBy(r: Rotation, w: readonly [number, number, number]): Rotation {
  const angle = Math.hypot(...w)
  const a = angle < 1e-9 ? 1 : Math.sin(angle) / angle
  const b = angle < 1e-9 ? 0.5 : (1 - Math.cos(angle)) / (angle * angle)
  const [x, y, z] = w
  const m = [
    1 - b * (y * y + z * z),
    b * x * y - a * z,
    b * x * z + a * y,
    b * x * y + a * z,
    1 - b * (x * x + z * z),
    b * y * z - a * x,
    b * x * z - a * y,
    b * y * z + a * x,
    1 - b * (x * x + y * y),
  ] as const
  const cell = (i: number, k: number) => m[3 * i]! * r[k]! + m[3 * i + 1]! * r[3 + k]! + m[3 * i + 2]! * r[6 + k]!
  return [cell(0, 0), cell(0, 1), cell(0, 2), cell(1, 0), cell(1, 1), cell(1, 2), cell(2, 0), cell(2, 1), cell(2, 2)]
}

interface Corner {
  plane: Point
  /** Outwards over the mark's corner, for ink that spreads. */
  out: Point
  seen: Point
  /** Of the sheets, which; 0 is the first. */
  sheet: number
}

interface State {
  camera: Camera
  spread: number
  poses: { x: number; y: number; angle: number }[]
}

/** The state moved by a step; figures of the camera are in shares of the longer side. */
function moved({ camera, spread, poses }: State, d: ArrayLike<number>, long: number): State {
  return {
    camera: {
      f: camera.f + d[0]! * long,
      cx: camera.cx + d[1]! * long,
      cy: camera.cy + d[2]! * long,
      k1: camera.k1 + d[3]!,
      k2: camera.k2 + d[4]!,
      rotation: turnedBy(camera.rotation, [d[5]!, d[6]!, d[7]!]),
      shift: [camera.shift[0] + d[8]!, camera.shift[1] + d[9]!, camera.shift[2] + d[10]!],
    },
    spread: spread + d[11]!,
    poses: poses.map((pose, i) =>
      i === 0
        ? pose
        : {
            x: pose.x + d[COMMON + 3 * (i - 1)]!,
            y: pose.y + d[COMMON + 3 * (i - 1) + 1]!,
            angle: pose.angle + d[COMMON + 3 * (i - 1) + 2]!,
          },
    ),
  }
}
/** Steps for derivatives: what moves a corner by some hundredths of a pixel. */
const stepOf = (k: number): number => (k < 3 ? 1e-5 : k < 8 ? 1e-6 : k < COMMON || (k - COMMON) % 3 < 2 ? 1e-3 : 1e-6)

function seenAt({ camera, spread, poses }: State, c: Corner): Point {
  const { x, y, angle } = poses[c.sheet]!
  const [px, py] = [c.plane[0] + spread * c.out[0], c.plane[1] + spread * c.out[1]]
  const [cos, sin] = [Math.cos(angle), Math.sin(angle)]
  return project(camera, cos * px - sin * py + x, sin * px + cos * py + y)
}

/** What the camera of a telephone is not likely to be, in units of its spread. */
function unlikely({ camera, spread }: State, width: number, height: number): number[] {
  const long = Math.max(width, height)
  return [
    (camera.f / long - PRIOR.focal) / PRIOR.focalSpread,
    (camera.cx - (width - 1) / 2) / long / PRIOR.middle,
    (camera.cy - (height - 1) / 2) / long / PRIOR.middle,
    camera.k1 / PRIOR.lens,
    camera.k2 / PRIOR.lens,
    spread / 0.2,
  ]
}

/** Solves symmetric equations whose unknowns are of very different sizes: each in its own unit. */
function solveScaled(a: readonly (readonly number[])[], b: readonly number[]): number[] | null {
  const unit = a.map((row, i) => Math.sqrt(row[i]!) || 1)
  const x = solveDense(
    a.map((row, i) => row.map((v, k) => v / unit[i]! / unit[k]!)),
    b.map((v, i) => v / unit[i]!),
  )
  return x ? x.map((v, i) => v / unit[i]!) : null
}

/** The middle one of some figures; 0 of none. */
const median = (list: readonly number[]): number => [...list].sort((a, b) => a - b)[list.length >> 1] ?? 0

/** A mark that is missed by so many times more than most, and by more than this, px, does not lie where its sheet does. */
const OUTLYING = 4
const OUTLYING_PX = 1
/** So often the marks that are missed most are left out, a quarter of those that are left at a time, and the rest fitted again. */
const AGAIN = 4

/**
 * As `settled`, with marks left out that do not lie flat with the rest: on a corner that stands up, or on a sheet that was bent.
 */
export function fitCamera(marks: readonly SeenMark[], width: number, height: number): FittedCamera | null {
  let kept = marks
  let fitted = settled(kept, width, height)
  for (let again = 0; again < AGAIN && fitted; again++) {
    const { camera, sheets, spread } = fitted
    const off = kept.map((m) => {
      const { sheet, corners } = placeOfMark(m.mark)!
      const pose = sheets.findIndex((s) => s.sheet === sheet)
      const missed = corners.map((plane, k) => {
        const [u, v] = seenAt(
          { camera, spread, poses: sheets },
          { plane, out: outOf(k), seen: m.corners[k]!, sheet: pose },
        )
        return Math.hypot(u - m.corners[k]![0], v - m.corners[k]![1])
      })
      return median(missed)
    })
    const limit = Math.max(OUTLYING_PX, OUTLYING * median(off))
    const worst = [...off].sort((a, b) => b - a)[kept.length >> 2]!
    const next = kept.filter((_, i) => off[i]! <= Math.max(limit, worst))
    if (next.length === kept.length || next.length < 4) break
    kept = next
    fitted = settled(kept, width, height)
  }
  return fitted
}

const outOf = (corner: number): Point => [corner === 1 || corner === 2 ? 1 : -1, corner > 1 ? 1 : -1]

/**
 * The camera that saw the marks where they were seen: least squares over the corners (Levenberg 1944, Marquardt 1963),
 * with what is known of telephones where the picture leaves it open. Corners that lie off a flat sheet count less (Huber
 * 1964). Several sheets may lie anywhere on the same table: their places are found too. Null when the marks do not settle it.
 */
function settled(marks: readonly SeenMark[], width: number, height: number): FittedCamera | null {
  const bySheet = new Map<MatSheet, SeenMark[]>()
  for (const seen of marks) {
    const sheet = placeOfMark(seen.mark)?.sheet
    if (sheet) bySheet.set(sheet, [...(bySheet.get(sheet) ?? []), seen])
  }
  const groups = [...bySheet].sort((a, b) => b[1].length - a[1].length)
  if (!groups[0] || groups[0][1].length < 2) return null
  const long = Math.max(width, height)
  const corners = groups.flatMap(([, seen], sheet) =>
    seen.flatMap((m): Corner[] => {
      const { corners: plane } = placeOfMark(m.mark)!
      return plane.map((p, k): Corner => ({
        plane: p,
        out: outOf(k),
        seen: m.corners[k]!,
        sheet,
      }))
    }),
  )
  const first = corners.filter((c) => c.sheet === 0)
  const begun = firstCamera(
    first.map((c) => c.plane),
    first.map((c) => c.seen),
    width,
    height,
  )
  if (!begun) return null
  let state: State = { camera: begun, spread: 0, poses: [{ x: 0, y: 0, angle: 0 }] }
  groups.slice(1).forEach((_, i) => {
    const mine = corners.filter((c) => c.sheet === i + 1)
    const on = mine.map((c) => unproject(state.camera, c.seen[0], c.seen[1]))
    const lay = procrustes(
      mine.map((c) => c.plane),
      on,
    )
    const [o, e] = [lay([0, 0]), lay([1, 0])]
    state.poses.push({ x: o[0], y: o[1], angle: Math.atan2(e[1] - o[1], e[0] - o[0]) })
  })
  const n = COMMON + 3 * (groups.length - 1)
  const missedOf = (s: State) =>
    corners.map((c) => {
      const [u, v] = seenAt(s, c)
      return [u - c.seen[0], v - c.seen[1]] as const
    })
  const costOf = (s: State, scale: number) => {
    let sum = unlikely(s, width, height).reduce((a, v) => a + v * v, 0)
    for (const [u, v] of missedOf(s)) {
      const r = Math.hypot(u, v) / scale
      sum += r < 2 ? r * r : 4 * r - 4
    }
    return Number.isFinite(sum) ? sum : Infinity
  }
  let damping = 1e-3
  let normal: number[][] = []
  let scale = CORNER
  for (let round = 0; round < ROUNDS; round++) {
    const off = missedOf(state)
    // How far corners are off where most of them lie flat; never finer than what a corner can be read to.
    scale = Math.max(CORNER, 1.4826 * median(off.map(([u, v]) => Math.hypot(u, v))))
    const weights = off.map(([u, v]) => Math.min(1, (2 * scale) / Math.max(1e-12, Math.hypot(u, v))))
    const prior = unlikely(state, width, height)
    const jacobian: Float64Array[] = []
    const priors: number[][] = []
    for (let k = 0; k < n; k++) {
      const d = new Float64Array(n)
      d[k] = stepOf(k)
      const there = moved(state, d, long)
      const row = new Float64Array(2 * corners.length)
      corners.forEach((c, i) => {
        const [u, v] = seenAt(there, c)
        row[2 * i] = (u - c.seen[0] - off[i]![0]) / d[k]! / scale
        row[2 * i + 1] = (v - c.seen[1] - off[i]![1]) / d[k]! / scale
      })
      jacobian.push(row)
      priors.push(unlikely(there, width, height).map((v, i) => (v - prior[i]!) / d[k]!))
    }
    normal = Array.from({ length: n }, () => new Array<number>(n).fill(0))
    const right = new Array<number>(n).fill(0)
    for (let a = 0; a < n; a++) {
      for (let b = a; b < n; b++) {
        let sum = 0
        corners.forEach((_, i) => {
          sum +=
            weights[i]! *
            (jacobian[a]![2 * i]! * jacobian[b]![2 * i]! + jacobian[a]![2 * i + 1]! * jacobian[b]![2 * i + 1]!)
        })
        priors[a]!.forEach((v, i) => (sum += v * priors[b]![i]!))
        normal[a]![b] = normal[b]![a] = sum
      }
      corners.forEach((_, i) => {
        right[a]! -= (weights[i]! * (jacobian[a]![2 * i]! * off[i]![0] + jacobian[a]![2 * i + 1]! * off[i]![1])) / scale
      })
      prior.forEach((v, i) => (right[a]! -= priors[a]![i]! * v))
    }
    const cost = costOf(state, scale)
    let better = false
    for (let tries = 0; tries < 10 && !better; tries++) {
      const damped = normal.map((row, i) => row.map((v, k) => (i === k ? v * (1 + damping) : v)))
      const step = solveScaled(damped, right)
      const next = step ? moved(state, step, long) : null
      const gained = next ? cost - costOf(next, scale) : -1
      if (next && gained >= 0) {
        better = gained > 1e-9 * cost
        state = next
        damping = Math.max(1e-9, damping / 10)
        if (!better) break
      } else damping *= 10
    }
    if (!better) break
  }
  return judged(
    state,
    corners,
    groups.map(([sheet]) => sheet),
    normal,
    long,
  )
}

function judged(
  state: State,
  corners: readonly Corner[],
  sheets: readonly MatSheet[],
  normal: readonly (readonly number[])[],
  long: number,
): FittedCamera | null {
  const { camera } = state
  const off = corners.map((c) => {
    const [u, v] = seenAt(state, c)
    const [x, y] = unproject(camera, ...c.seen)
    const [ox, oy] = unproject(camera, u, v)
    return { px: Math.hypot(u - c.seen[0], v - c.seen[1]), mm: Math.hypot(x - ox, y - oy) }
  })
  const n = normal.length
  const columns = normal.map((_, k) =>
    solveScaled(
      normal,
      normal.map((__, i) => (i === k ? 1 : 0)),
    ),
  )
  if (columns.some((c) => c === null) || !Number.isFinite(camera.f) || camera.f <= 0) return null
  const errorAt = (p: Point, z = 0): number => {
    const seen = project(camera, p[0], p[1], z)
    const slopes: Point[] = []
    for (let k = 0; k < 11; k++) {
      const d = new Float64Array(n)
      d[k] = stepOf(k)
      const there = unproject(moved(state, d, long).camera, seen[0], seen[1], z)
      slopes.push([(there[0] - p[0]) / d[k]!, (there[1] - p[1]) / d[k]!])
    }
    let variance = 0
    for (let a = 0; a < 11; a++) {
      for (let b = 0; b < 11; b++) {
        const c = columns[b]![a]!
        variance += c * (slopes[a]![0] * slopes[b]![0] + slopes[a]![1] * slopes[b]![1])
      }
    }
    return Math.sqrt(Math.max(0, variance / 2))
  }
  return {
    camera,
    sheets: sheets.map((sheet, i) => ({ sheet, ...state.poses[i]! })),
    spread: state.spread,
    missed: { px: median(off.map((o) => o.px)), mm: median(off.map((o) => o.mm)) },
    errorAt,
  }
}
