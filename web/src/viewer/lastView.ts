import type { Vec3 } from '@gentle-awl/core'
import { releaseProxy } from 'comlink'
import { PerspectiveCamera, Vector3 } from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import type { Painter } from '../workers/viewer/viewerBench.ts'
import type { Body, Loop, Marker } from './body.ts'
import { EYE, middleOf, poseOf, type Look } from './looks.ts'

/** How near to a marker a finger must come down, pixels. */
const GRASP = 26
/** Lines that stand over the last by no more than this are on it, mm. */
const TALL = 12

/**
 * The eye and the hand before a last in 3D: from where it is looked at, and which marker is carried. What is seen from
 * there is drawn by a painter in another thread.
 */
export class LastView {
  private readonly camera = new PerspectiveCamera(EYE, 1, 10, 5000)
  private readonly controls: OrbitControls
  private body: Body | null = null
  /** Where it ends, mm. */
  private top = Infinity
  /** Points of the lines on it, and round it. */
  private lines: Vec3[] = []
  private foot: 'right' | 'left' = 'right'
  private marks = new Map<string, Vec3>()
  private held: string | null = null
  /** Where markers go next, once they are where they were sent before: places of the surface, -1 to 1 to the right and up. */
  private readonly ways: { key: string; x: number; y: number; done: boolean }[] = []
  private carrying = false
  /** Called while a marker is dragged and once when it is let go. */
  onDrag: (key: string, at: Vec3, done: boolean) => void = () => undefined

  constructor(
    private readonly canvas: HTMLCanvasElement,
    private readonly painter: Painter,
  ) {
    this.camera.up.set(0, 0, 1)
    this.controls = new OrbitControls(this.camera, canvas)
    this.controls.addEventListener('change', () => this.stand())
    canvas.addEventListener('pointerdown', this.grasp)
    canvas.addEventListener('pointermove', this.drag)
    canvas.addEventListener('pointerup', this.letGo)
    canvas.addEventListener('pointercancel', this.letGo)
  }

  show(body: Body): void {
    const { size, top } = middleOf(body.positions)
    this.body = body
    this.top = top
    void this.painter.show(body, size)
  }

  showLoops(loops: readonly Loop[]): void {
    this.lines = loops.flatMap((l) => l.points)
    void this.painter.showLoops(loops)
  }

  /** Whether what is shown stands over the last, as a boot's shaft does. */
  get tall(): boolean {
    return this.lines.some((p) => p[2] > this.top + TALL)
  }

  showMarkers(markers: readonly Marker[]): void {
    this.marks = new Map(markers.map((m) => [m.key, m.at]))
    void this.painter.showMarkers(markers)
  }

  setFoot(foot: 'right' | 'left'): void {
    this.foot = foot
    void this.painter.setFoot(foot)
  }

  look(at: Look): void {
    if (!this.body) return
    const points = Float32Array.from([...this.body.positions, ...this.lines.flat()])
    const { from, to } = poseOf(at, { points, foot: this.foot, aspect: this.camera.aspect })
    this.camera.position.set(...from)
    this.controls.target.set(...to)
    this.controls.update()
    this.stand()
  }

  private stand(): void {
    const [from, to] = [this.camera.position, this.controls.target]
    void this.painter.see({ from: [from.x, from.y, from.z], to: [to.x, to.y, to.z] })
  }

  resize(): void {
    const { clientWidth: w, clientHeight: h } = this.canvas
    if (w === 0 || h === 0) return
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    void this.painter.resize(w, h)
  }

  private readonly grasp = (event: PointerEvent): void => {
    const box = this.canvas.getBoundingClientRect()
    this.camera.updateMatrixWorld()
    let nearest = GRASP
    for (const [key, [x, y, z]] of this.marks) {
      const p = new Vector3(x, this.foot === 'left' ? -y : y, z).project(this.camera)
      const away = Math.hypot(
        ((p.x + 1) / 2) * box.width - (event.clientX - box.left),
        ((1 - p.y) / 2) * box.height - (event.clientY - box.top),
      )
      if (away < nearest) {
        nearest = away
        this.held = key
      }
    }
    if (this.held === null) return
    this.controls.enabled = false
    this.canvas.setPointerCapture(event.pointerId)
  }

  private readonly drag = (event: PointerEvent): void => {
    if (this.held !== null) this.carryTo(event, false)
  }

  private readonly letGo = (event: PointerEvent): void => {
    if (this.held === null) return
    this.carryTo(event, true)
    this.held = null
    this.controls.enabled = true
  }

  /** Carries the held marker to where the pointer meets the body. Of places on the way only the newest waits. */
  private carryTo(event: PointerEvent, done: boolean): void {
    if (this.held === null) return
    const box = this.canvas.getBoundingClientRect()
    const x = ((event.clientX - box.left) / box.width) * 2 - 1
    const y = 1 - ((event.clientY - box.top) / box.height) * 2
    if (this.ways.at(-1)?.done === false) this.ways.pop()
    this.ways.push({ key: this.held, x, y, done })
    if (!this.carrying) void this.carry()
  }

  private async carry(): Promise<void> {
    this.carrying = true
    try {
      for (let way = this.ways.shift(); way; way = this.ways.shift()) {
        const { key, x, y, done } = way
        // One that is gone meanwhile is let go where it was.
        const at = (await this.painter.carry(key, x, y)) ?? this.marks.get(key)
        if (!at) continue
        this.marks.set(key, at)
        this.onDrag(key, at, done)
      }
    } finally {
      this.carrying = false
    }
  }

  dispose(): void {
    this.canvas.removeEventListener('pointerdown', this.grasp)
    this.canvas.removeEventListener('pointermove', this.drag)
    this.canvas.removeEventListener('pointerup', this.letGo)
    this.canvas.removeEventListener('pointercancel', this.letGo)
    this.controls.dispose()
    void this.painter.dispose().then(() => this.painter[releaseProxy]())
  }
}
