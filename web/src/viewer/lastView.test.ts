import type { Vec3 } from '@gentle-awl/core'
import { describe, expect, it, vi } from 'vitest'
import type { Painter } from '../workers/viewer/viewerBench.ts'
import { LastView } from './lastView.ts'
import type { Pose } from './looks.ts'

/** A painter that answers when it is told to. */
function standIn() {
  const carried: { key: string; x: number; y: number; answer: (at: Vec3 | null) => void }[] = []
  const poses: Pose[] = []
  const none = () => Promise.resolve()
  const painter = {
    show: none,
    showLoops: none,
    showMarkers: none,
    setFoot: none,
    resize: none,
    dispose: none,
    see: (pose: Pose) => {
      poses.push(pose)
      return Promise.resolve()
    },
    carry: (key: string, x: number, y: number) =>
      new Promise<Vec3 | null>((answer) => carried.push({ key, x, y, answer })),
  }
  return { painter: painter as unknown as Painter, carried, poses }
}

const SIZE = 400
function viewOn(foot: 'right' | 'left' = 'right') {
  const canvas = document.createElement('canvas')
  Object.defineProperties(canvas, { clientWidth: { value: SIZE }, clientHeight: { value: SIZE } })
  canvas.getBoundingClientRect = () => new DOMRect(0, 0, SIZE, SIZE)
  canvas.setPointerCapture = () => undefined
  canvas.releasePointerCapture = () => undefined
  document.body.append(canvas)
  const { painter, carried, poses } = standIn()
  const view = new LastView(canvas, painter)
  const drags: { key: string; at: Vec3; done: boolean }[] = []
  view.onDrag = (key, at, done) => drags.push({ key, at, done })
  view.setFoot(foot)
  view.resize()
  view.show({
    positions: Float32Array.from([0, -45, 0, 270, 45, 0, 0, 45, 110]),
    triangles: Uint32Array.from([0, 1, 2]),
  })
  view.look('lateral')
  const point = (kind: string, x: number, y: number) => {
    const event = new MouseEvent(kind, { clientX: x, clientY: y, bubbles: true, button: 0 })
    Object.defineProperties(event, { pointerId: { value: 1 }, pointerType: { value: 'mouse' } })
    canvas.dispatchEvent(event)
  }
  /** Pressed at the first place, carried along, let go at the last. */
  const stroke = (...places: [x: number, y: number][]) => {
    point('pointerdown', ...places[0]!)
    for (const at of places.slice(1, -1)) point('pointermove', ...at)
    point('pointerup', ...places.at(-1)!)
  }
  return { view, drags, carried, poses, point, stroke }
}
/** The middle of the body is seen in the middle of the surface. */
const middle: Vec3 = [135, 0, 55]

describe('the hand before a last', () => {
  it('takes hold of a marker near the pointer and carries it; what was let go comes last, and is said once', async () => {
    const { view, drags, carried, stroke } = viewOn()
    view.showMarkers([{ key: 'ankle', at: middle, colour: '#fff' }])
    // While the first place is looked for, of all others only the newest waits.
    stroke([205, 205], [220, 210], [240, 215], [260, 220], [280, 230])
    expect(carried).toHaveLength(1)
    expect(carried[0]!.x).toBeCloseTo(0.1, 9)
    carried[0]!.answer([140, -40, 55])
    await vi.waitFor(() => expect(carried).toHaveLength(2))
    expect(carried[1]!.x).toBeCloseTo(0.4, 9)
    expect(carried[1]!.y).toBeCloseTo(-0.15, 9)
    carried[1]!.answer([150, -40, 50])
    await vi.waitFor(() => expect(drags).toHaveLength(2))
    expect(drags).toEqual([
      { key: 'ankle', at: [140, -40, 55], done: false },
      { key: 'ankle', at: [150, -40, 50], done: true },
    ])
  })
  it('a marker is let go though another is taken before that was answered', async () => {
    const { view, drags, carried, stroke } = viewOn()
    view.showMarkers([{ key: 'ankle', at: middle, colour: '#fff' }])
    stroke([200, 200], [210, 200], [210, 200])
    stroke([200, 200], [230, 200], [230, 200])
    for (let k = 0; k < 3; k++) {
      await vi.waitFor(() => expect(carried.length).toBeGreaterThan(k))
      carried[k]!.answer(middle)
    }
    await vi.waitFor(() => expect(drags.filter((d) => d.done)).toHaveLength(2))
  })
  it('one that is gone meanwhile is let go where it was', async () => {
    const { view, drags, carried, stroke } = viewOn()
    view.showMarkers([{ key: 'ankle', at: middle, colour: '#fff' }])
    stroke([200, 200], [220, 200])
    carried[0]!.answer(null)
    await vi.waitFor(() => expect(drags).toEqual([{ key: 'ankle', at: middle, done: true }]))
  })
  it('turns the last where there is no marker, and finds one mirrored on the left foot', () => {
    const { view, carried, poses, point } = viewOn('left')
    view.showMarkers([{ key: 'toe', at: [255, -20, 30], colour: '#fff' }])
    const before = poses.length
    point('pointerdown', 200, 200)
    point('pointermove', 260, 200)
    expect(carried).toEqual([])
    expect(poses.length).toBeGreaterThan(before)
    point('pointerup', 260, 200)
    view.look('lateral')
    // Seen from the lateral side of a left foot the toe is at the left.
    const { from, to } = poses.at(-1)!
    const away = Math.hypot(from[0] - to[0], from[1] - to[1] - -20, from[2] - to[2])
    const x = 200 - (((255 - 135) / away) * 200) / Math.tan((14 * Math.PI) / 180)
    point('pointerdown', x, 200 + 20)
    point('pointermove', x + 10, 220)
    expect(carried.map((c) => c.key)).toEqual(['toe'])
  })
  it('lines that stand over the last make it taller to look at, those on it do not', () => {
    const { view } = viewOn()
    const loop = (z: number) => [{ points: [[0, 0, z] as Vec3, [9, 0, z] as Vec3], colour: '#fff', width: 1 }]
    view.showLoops(loop(115))
    expect(view.tall).toBe(false)
    view.showLoops(loop(300))
    expect(view.tall).toBe(true)
  })
})
