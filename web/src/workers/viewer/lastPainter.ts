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
  WebGLRenderer,
} from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { Line2 } from 'three/addons/lines/Line2.js'
import type { Body, Loop, Marker } from '../../viewer/body.ts'
import { EYE, type Pose } from '../../viewer/looks.ts'
import { ballOf, lineOf, meshOf } from './bodies.ts'
import { drawnBySoftware } from './drawnBySoftware.ts'

/**
 * Without a graphics card so much lies between two pictures, ms: little while somebody turns the last, more while what
 * lies on it changes with a line that is dragged elsewhere, since plans are made by the same processor.
 */
const TURNING = 90
const CHANGING = 250

/** Draws a last in 3D on a canvas that lies in this thread: when something has changed, not all the time. */
export class LastPainter {
  private readonly renderer: WebGLRenderer
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(EYE, 1, 10, 5000)
  private readonly body = new Group()
  private readonly loops = new Group()
  private readonly marks = new Group()
  private mesh: Mesh | null = null
  private bvh: MeshBVH | null = null
  private size = 300
  private foot: 'right' | 'left' = 'right'
  /** When the next picture is drawn, by this thread's clock. */
  private drawnAt = Infinity
  private timer: ReturnType<typeof setTimeout> | undefined
  private disposed = false

  /** `ratio`: pixels of the canvas for one of the page. Throws when the browser has no WebGL. */
  constructor(
    private readonly canvas: OffscreenCanvas,
    ratio: number,
  ) {
    this.renderer = new WebGLRenderer({ canvas, antialias: !drawnBySoftware(), alpha: true })
    // Asking after every shader whether it was understood makes this thread wait for the one that draws.
    this.renderer.debug.checkShaderErrors = false
    this.renderer.setPixelRatio(ratio)
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
  }

  /** `size`: its longest side, mm. */
  show(body: Body, size: number): void {
    this.put(body, size)
    this.draw()
  }

  private put(body: Body, size: number): void {
    if (this.mesh) {
      this.mesh.geometry.dispose()
      this.body.remove(this.mesh)
    }
    this.mesh = meshOf(body)
    this.size = size
    this.bvh = null
    this.body.add(this.mesh)
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
      const line = lineOf(loop)
      if (line) this.loops.add(line)
    }
    this.fitLines()
    this.draw()
  }

  showMarkers(markers: readonly Marker[]): void {
    for (const child of [...this.marks.children]) {
      if (child instanceof Mesh) child.geometry.dispose()
      this.marks.remove(child)
    }
    for (const marker of markers) this.marks.add(ballOf(marker, this.size))
    this.draw()
  }

  setFoot(foot: 'right' | 'left'): void {
    this.foot = foot
    this.body.scale.y = foot === 'left' ? -1 : 1
    this.draw()
  }

  see(pose: Pose): void {
    this.stand(pose)
    this.draw(TURNING)
  }

  private stand({ from, to }: Pose): void {
    this.camera.position.set(...from)
    this.camera.lookAt(...to)
  }

  /** A picture of a body alone, on a canvas that nobody looks at. */
  picture(body: Body, size: number, pose: Pose): Promise<Blob> {
    this.put(body, size)
    this.stand(pose)
    this.renderer.render(this.scene, this.camera)
    // What was just drawn stays only until this thread is let go.
    return this.canvas.convertToBlob({ type: 'image/png' })
  }

  /** The canvas takes so many pixels of the page. */
  resize(w: number, h: number): void {
    this.renderer.setSize(w, h, false)
    this.camera.aspect = w / h
    this.camera.updateProjectionMatrix()
    this.fitLines()
    this.draw()
  }

  /** Lines are as wide on every surface. */
  private fitLines(): void {
    const ratio = this.renderer.getPixelRatio()
    for (const child of this.loops.children) {
      if (child instanceof Line2) child.material.resolution.set(this.canvas.width / ratio, this.canvas.height / ratio)
    }
  }

  /**
   * Carries a marker to where the body is seen at a place of the surface (-1 to 1 to the right and up): where it lies then,
   * null where it is not there. Off the body it stays where it was.
   */
  carry(key: string, x: number, y: number): Vec3 | null {
    const mark = this.marks.children.find((m) => m.name === key)
    if (!mark) return null
    const at = this.pick(x, y)
    if (at) mark.position.set(...at)
    this.draw(TURNING)
    return [mark.position.x, mark.position.y, mark.position.z]
  }

  private pick(x: number, y: number): Vec3 | null {
    if (!this.mesh) return null
    this.bvh ??= new MeshBVH(this.mesh.geometry)
    this.camera.updateMatrixWorld()
    const caster = new Raycaster()
    caster.setFromCamera(new Vector2(x, y), this.camera)
    const { ray } = caster
    // The body may be mirrored for the left foot; the tree knows only the right one.
    if (this.foot === 'left') {
      ray.origin.y *= -1
      ray.direction.y *= -1
    }
    const hit = this.bvh.raycastFirst(ray, DoubleSide)
    return hit ? [hit.point.x, hit.point.y, hit.point.z] : null
  }

  private draw(pause = CHANGING): void {
    if (!drawnBySoftware()) pause = 0
    const at = performance.now() + pause
    if (at >= this.drawnAt) return
    clearTimeout(this.timer)
    this.drawnAt = at
    this.timer = setTimeout(
      () =>
        requestAnimationFrame(() => {
          this.drawnAt = Infinity
          if (!this.disposed) this.renderer.render(this.scene, this.camera)
        }),
      pause,
    )
  }

  dispose(): void {
    this.disposed = true
    clearTimeout(this.timer)
    this.renderer.dispose()
  }
}
