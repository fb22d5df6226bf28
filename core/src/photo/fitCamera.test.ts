import { describe, expect, it } from 'vitest'
import { gaussian, seeded } from '../geometry/random.ts'
import type { Point } from '../geometry/path.ts'
import { project, unproject, type Camera } from './camera.ts'
import { fitCamera, type SeenMark } from './fitCamera.ts'
import { matSheet, placeOfMark, type MatSheet } from './mat.ts'

const lean = (degrees: number): Camera['rotation'] => {
  const a = (degrees * Math.PI) / 180
  return [1, 0, 0, 0, -Math.cos(a), -Math.sin(a), 0, Math.sin(a), -Math.cos(a)]
}
const phone: Camera = { f: 3100, cx: 2010, cy: 1490, k1: -0.06, k2: 0.02, rotation: lean(32), shift: [-95, 120, 420] }
const SIZE = [4000, 3000] as const

/** The marks of a sheet as a camera sees them, each corner `noise` px off. */
function seenBy(camera: Camera, sheet: MatSheet, noise = 0, lay: (p: Point) => Point = (p) => p, seed = 3): SeenMark[] {
  const random = seeded(seed)
  return sheet.marks.map(({ mark, corners }) => ({
    mark,
    corners: corners.map((c): Point => {
      const [u, v] = project(camera, ...lay(c))
      return [u + noise * gaussian(random), v + noise * gaussian(random)]
    }) as unknown as SeenMark['corners'],
  }))
}
/** Greatest distance between where a camera sees places of the mat and where they are, mm. */
function astray(found: Camera, truth: Camera, points: readonly Point[]): number {
  return Math.max(
    ...points.map((p) => {
      const [x, y] = unproject(found, ...project(truth, ...p))
      return Math.hypot(x - p[0], y - p[1])
    }),
  )
}
const inside: Point[] = [0, 0.25, 0.5, 0.75, 1].flatMap((s) => [0, 0.3, 0.6, 1].map((t): Point => [194 * s, 263 * t]))

describe('the camera found from the marks of the mat', () => {
  it('is the one that saw them, to a thousandth of a millimetre, when corners are exact', () => {
    const fit = fitCamera(seenBy(phone, matSheet('small', 1)), ...SIZE)!
    expect(astray(fit.camera, phone, inside)).toBeLessThan(2e-3)
    expect(fit.camera.f / phone.f).toBeCloseTo(1, 3)
    expect(fit.missed.mm).toBeLessThan(1e-3)
  })
  it('says how far it may be off: within its own limits nineteen times in twenty, and those are not idle', () => {
    let within = 0
    let [said, been] = [0, 0]
    for (let seed = 1; seed <= 40; seed++) {
      const fit = fitCamera(
        seenBy(phone, matSheet('small', 2), 0.3, (p) => p, seed),
        ...SIZE,
      )!
      const at: Point = [seed * 4, 263 - 5 * seed]
      const off = astray(fit.camera, phone, [at])
      const error = fit.errorAt(at)
      if (off < 2.45 * error) within++
      said += error
      been += off
    }
    expect(within).toBeGreaterThanOrEqual(35)
    expect(said).toBeLessThan(3 * been)
  })
  it('finds where loose sheets lie', () => {
    const [c, s] = [Math.cos(0.4), Math.sin(0.4)]
    const lay = ([x, y]: Point): Point => [c * x - s * y + 230, s * x + c * y - 40]
    const far = { ...phone, shift: [-180, 100, 620] as const }
    const fit = fitCamera(
      [...seenBy(far, matSheet('small', 1)), ...seenBy(far, matSheet('small', 5), 0, lay)],
      ...SIZE,
    )!
    const pose = fit.sheets.find((q) => q.sheet.number === 5)!
    expect(pose.x).toBeCloseTo(230, 1)
    expect(pose.y).toBeCloseTo(-40, 1)
    expect(pose.angle).toBeCloseTo(0.4, 3)
  })
  it('leaves out a sheet that does not lie where the rest does, and says how many marks it went by', () => {
    const lay = ([x, y]: Point): Point => [x + 230, y + 10]
    const far = { ...phone, shift: [-180, 100, 620] as const }
    // Bent along its middle: no place of a flat sheet shows it so.
    const bent = seenBy(far, matSheet('small', 4), 0, lay).map((m) => ({
      ...m,
      corners: m.corners.map((_, k): Point => {
        const [x, y] = placeOfMark(m.mark)!.corners[k]!
        return project(far, ...lay([x, y]), 0.35 * Math.abs(y - 130))
      }) as unknown as SeenMark['corners'],
    }))
    const flat = [...seenBy(far, matSheet('wide', 1), 0.1)]
    const fit = fitCamera([...flat, ...bent], ...SIZE)!
    expect(fit.marks).toBeLessThan(flat.length + bent.length - 5)
    expect(astray(fit.camera, far, inside)).toBeLessThan(0.2)
  })
  it('is not led astray by marks on a corner that stands up', () => {
    const flat = seenBy(phone, matSheet('small', 3), 0.05)
    const bent = flat.map((m, i) =>
      i > 2
        ? m
        : { ...m, corners: m.corners.map(([u, v]): Point => [u + 25, v - 18]) as unknown as SeenMark['corners'] },
    )
    const fit = fitCamera(bent, ...SIZE)!
    expect(astray(fit.camera, phone, inside)).toBeLessThan(0.15)
  })
  it('knows how far ink has spread', () => {
    const sheet = matSheet('small', 1)
    const grown = sheet.marks.map(({ mark, corners: [a, b, c, d] }) => ({
      mark,
      corners: (
        [
          [a[0] - 0.1, a[1] - 0.1],
          [b[0] + 0.1, b[1] - 0.1],
          [c[0] + 0.1, c[1] + 0.1],
          [d[0] - 0.1, d[1] + 0.1],
        ] as Point[]
      ).map((p) => project(phone, ...p)) as unknown as SeenMark['corners'],
    }))
    const fit = fitCamera(grown, ...SIZE)!
    expect(fit.spread).toBeCloseTo(0.1, 2)
    expect(astray(fit.camera, phone, inside)).toBeLessThan(5e-3)
  })
  it('takes a telephone’s usual length where a picture from straight above leaves it open, and the plane is right for all that', () => {
    const above: Camera = { ...phone, rotation: lean(0), k1: 0, k2: 0, cx: 1999.5, cy: 1499.5 }
    const fit = fitCamera(seenBy(above, matSheet('small', 1)), ...SIZE)!
    expect(fit.camera.f / 4000).toBeGreaterThan(0.6)
    expect(fit.camera.f / 4000).toBeLessThan(1)
    expect(astray(fit.camera, above, inside)).toBeLessThan(2e-3)
  })
  it('is none from a single mark, or from marks that no sheet bears', () => {
    const seen = seenBy(phone, matSheet('small', 1))
    expect(fitCamera(seen.slice(0, 1), ...SIZE)).toBeNull()
    expect(
      fitCamera(
        seen.map((m) => ({ ...m, mark: 9999 })),
        ...SIZE,
      ),
    ).toBeNull()
  })
})
