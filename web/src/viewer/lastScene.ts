import type { Vec3 } from '@gentle-awl/core'
import {
  AmbientLight,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Mesh,
  PerspectiveCamera,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { Line2 } from 'three/addons/lines/Line2.js'
import { ballOf, lineOf, meshOf, type Body, type Loop, type Marker } from './lastBodies.ts'
import { drawnBySoftware } from './drawnBySoftware.ts'

/** Ways to look at a last; the lateral side of the right foot looks towards -y. */
export const looks = ['lateral', 'medial', 'top', 'bottom', 'front', 'back', 'corner'] as const
export type Look = (typeof looks)[number]
export const lookNames: Record<Look, string> = {
  lateral: 'Lateral',
  medial: 'Medial',
  top: 'Top',
  bottom: 'Bottom',
  front: 'Toe',
  back: 'Heel',
  corner: 'Corner',
}

const DIRECTIONS: Record<Look, Vec3> = {
  lateral: [0, -1, 0.04],
  medial: [0, 1, 0.04],
  top: [0, -0.01, 1],
  bottom: [0, -0.01, -1],
  front: [1, 0, 0.08],
  back: [-1, 0, 0.08],
  corner: [0.62, -0.72, 0.42],
}

/** How near to a marker a finger must come down, pixels. */
const GRASP = 26

/** Without a graphics card so much lies between two pictures, for the page to do its own work, ms. */
const PAUSE = 90
/** After so long without a change what lies on the last is at rest, ms. */
const AT_REST = 150

/** Lines that stand over the last by no more than this are on it, mm. */
const TALL = 12

/** The last in 3D: renders when something changed, not all the time. */
export class LastScene {
  private readonly renderer: WebGLRenderer
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(28, 1, 10, 5000)
  private readonly controls: OrbitControls
  private readonly body = new Group()
  private readonly loops = new Group()
  private readonly marks = new Group()
  private readonly centre = new Vector3(145, 0, 50)
  private mesh: Mesh | null = null
  private bvh: MeshBVH | null = null
  private size = 300
  /** How far lines stand over the last, as a boot's shaft does, mm. */
  private above = 0
  private foot: 'right' | 'left' = 'right'
  private waiting = false
  private rest: ReturnType<typeof setTimeout> | undefined
  private disposed = false
  private held: string | null = null
  /** Called while a marker is dragged and once when it is let go. */
  onDrag: (key: string, at: Vec3, done: boolean) => void = () => undefined

  /** Throws when the browser has no WebGL. */
  constructor(private readonly canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: !drawnBySoftware(), alpha: true })
    // Asking after every shader whether it was understood makes the page wait for the one that draws.
    this.renderer.debug.checkShaderErrors = false
    this.renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2))
    this.camera.up.set(0, 0, 1)
    this.scene.add(new HemisphereLight('#ffffff', '#4d5d63', 1.5), new AmbientLight('#ffffff', 0.35))
    for (const [x, y, z, strength] of [
      [300, -400, 500, 1.5],
      [-300, 500, 260, 0.7],
    ]) {
      const light = new DirectionalLight('#fff6e6', strength)
      light.position.set(x!, y!, z)
      this.scene.add(light)
    }
    this.scene.add(this.body)
    this.body.add(this.loops, this.marks)
    this.controls = new OrbitControls(this.camera, canvas)
    this.controls.addEventListener('change', () => this.draw())
    canvas.addEventListener('pointerdown', this.grasp)
    canvas.addEventListener('pointermove', this.drag)
    canvas.addEventListener('pointerup', this.letGo)
    canvas.addEventListener('pointercancel', this.letGo)
  }

  show(body: Body): void {
    if (this.mesh) {
      this.mesh.geometry.dispose()
      this.body.remove(this.mesh)
    }
    this.mesh = meshOf(body)
    const span = new Vector3()
    this.mesh.geometry.boundingBox?.getCenter(this.centre)
    this.mesh.geometry.boundingBox?.getSize(span)
    this.size = Math.max(span.x, span.y, span.z)
    this.bvh = null
    this.body.add(this.mesh)
    this.draw()
  }

  showLoops(loops: readonly Loop[]): void {
    for (const child of [...this.loops.children]) {
      if (child instanceof Line2) {
        child.geometry.dispose()
        child.material.dispose()
      }
      this.loops.remove(child)
    }
    for (const loop of loops) {
      const line = lineOf(loop, this.canvas.clientWidth, this.canvas.clientHeight)
      if (line) this.loops.add(line)
    }
    const top = this.mesh?.geometry.boundingBox?.max.z ?? Infinity
    this.above = Math.max(0, ...loops.flatMap((l) => l.points.map((p) => p[2] - top)))
    this.drawAtRest()
  }

  /** Whether what is shown stands over the last. */
  get tall(): boolean {
    return this.above > TALL
  }

  showMarkers(markers: readonly Marker[]): void {
    for (const child of [...this.marks.children]) {
      if (child instanceof Mesh) child.geometry.dispose()
      this.marks.remove(child)
    }
    for (const marker of markers) this.marks.add(ballOf(marker, this.size))
    this.drawAtRest()
  }

  setFoot(foot: 'right' | 'left'): void {
    this.foot = foot
    this.body.scale.y = foot === 'left' ? -1 : 1
    this.draw()
  }

  /** `tall`: share of the length that must fit from top to bottom. */
  look(from: Look, tall = 0.5): void {
    const [x, y, z] = DIRECTIONS[from]
    const side = this.foot === 'left' ? -1 : 1
    const direction = new Vector3(x, y * side, z).normalize()
    const half = Math.tan((this.camera.fov * Math.PI) / 360)
    // Near enough that the whole length fits across, with some room.
    const across = from === 'front' || from === 'back' ? this.size * 0.6 : this.size * 1.02
    const above = this.tall ? this.above : 0
    const away =
      Math.max(across / (2 * half * this.camera.aspect), (this.size * tall + above) / (2 * half)) + this.size * 0.2
    const middle = this.centre.clone().add(new Vector3(0, 0, above / 2))
    this.camera.position.copy(middle).addScaledVector(direction, away)
    this.controls.target.copy(middle)
    this.controls.update()
    this.draw()
  }

  resize(): void {
    const { clientWidth: w, clientHeight: h } = this.canvas
    if (w === 0 || h === 0) return
    this.renderer.setSize(w, h, false)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    for (const child of this.loops.children) {
      if (child instanceof Line2) child.material.resolution.set(w, h)
    }
    this.draw()
  }

  /** A picture of what is shown now, w x h pixels, as a data address. */
  picture(w: number, h: number, from: Look): string {
    this.renderer.setSize(w, h, false)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    this.look(from, 0.68)
    this.renderer.render(this.scene, this.camera)
    return this.canvas.toDataURL('image/png')
  }

  private ray(event: PointerEvent): Raycaster {
    const box = this.canvas.getBoundingClientRect()
    const at = new Vector2(
      ((event.clientX - box.left) / box.width) * 2 - 1,
      -((event.clientY - box.top) / box.height) * 2 + 1,
    )
    const ray = new Raycaster()
    ray.setFromCamera(at, this.camera)
    return ray
  }

  private readonly grasp = (event: PointerEvent): void => {
    const box = this.canvas.getBoundingClientRect()
    let nearest = GRASP
    for (const mark of this.marks.children) {
      const p = mark.getWorldPosition(new Vector3()).project(this.camera)
      const away = Math.hypot(
        ((p.x + 1) / 2) * box.width - (event.clientX - box.left),
        ((1 - p.y) / 2) * box.height - (event.clientY - box.top),
      )
      if (away < nearest) {
        nearest = away
        this.held = mark.name
      }
    }
    if (this.held === null) return
    this.controls.enabled = false
    this.canvas.setPointerCapture(event.pointerId)
  }

  private readonly drag = (event: PointerEvent): void => {
    if (this.held !== null) this.dragTo(event, false)
  }

  private readonly letGo = (event: PointerEvent): void => {
    if (this.held === null) return
    this.dragTo(event, true)
    this.held = null
    this.controls.enabled = true
  }

  /** Carries the held marker to where the pointer meets the body; off the body it stays where it was. */
  private dragTo(event: PointerEvent, done: boolean): void {
    const mark = this.marks.children.find((m) => m.name === this.held)
    if (!mark || this.held === null) return
    const at = this.pick(event)
    if (at) mark.position.set(...at)
    this.onDrag(this.held, [mark.position.x, mark.position.y, mark.position.z], done)
    this.draw()
  }

  private pick(event: PointerEvent): Vec3 | null {
    if (!this.mesh) return null
    this.bvh ??= new MeshBVH(this.mesh.geometry)
    const { ray } = this.ray(event)
    // The body may be mirrored for the left foot; the tree knows only the right one.
    const local = ray.clone()
    if (this.foot === 'left') {
      local.origin.y *= -1
      local.direction.y *= -1
    }
    const hit = this.bvh.raycastFirst(local, DoubleSide)
    return hit ? [hit.point.x, hit.point.y, hit.point.z] : null
  }

  /**
   * What lies on the last has changed. Without a graphics card the picture waits until that comes to rest: while a line is
   * dragged elsewhere on the page, the hand is not to wait for it.
   */
  private drawAtRest(): void {
    if (!drawnBySoftware()) {
      this.draw()
      return
    }
    this.placeAll()
    clearTimeout(this.rest)
    this.rest = setTimeout(() => this.draw(), AT_REST)
  }

  /** Where things lie is asked before the picture that shows it is drawn. */
  private placeAll(): void {
    this.camera.updateMatrixWorld()
    this.scene.updateMatrixWorld()
  }

  private draw(): void {
    this.placeAll()
    if (this.waiting) return
    this.waiting = true
    const now = () =>
      requestAnimationFrame(() => {
        this.waiting = false
        if (!this.disposed) this.renderer.render(this.scene, this.camera)
      })
    if (drawnBySoftware()) setTimeout(now, PAUSE)
    else now()
  }

  dispose(): void {
    this.disposed = true
    clearTimeout(this.rest)
    this.canvas.removeEventListener('pointerdown', this.grasp)
    this.canvas.removeEventListener('pointermove', this.drag)
    this.canvas.removeEventListener('pointerup', this.letGo)
    this.canvas.removeEventListener('pointercancel', this.letGo)
    this.controls.dispose()
    this.renderer.dispose()
  }
}
