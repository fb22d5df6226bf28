import { bodyMesh, type LastSurface, type Vec3 } from '@gentle-awl/core'
import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { Line2 } from 'three/addons/lines/Line2.js'
import { LineGeometry } from 'three/addons/lines/LineGeometry.js'
import { LineMaterial } from 'three/addons/lines/LineMaterial.js'

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

/** A tape or section line with its colour. */
export interface Loop {
  points: readonly Vec3[]
  colour: string
  width: number
}

/** The last in 3D: renders when something changed, not all the time. */
export class LastScene {
  private readonly renderer: WebGLRenderer
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(28, 1, 10, 5000)
  private readonly controls: OrbitControls
  private readonly body = new Group()
  private readonly loops = new Group()
  private readonly centre = new Vector3(145, 0, 50)
  private size = 300
  private foot: 'right' | 'left' = 'right'
  private waiting = false

  /** Throws when the browser has no WebGL. */
  constructor(private readonly canvas: HTMLCanvasElement) {
    this.renderer = new WebGLRenderer({ canvas, antialias: true })
    this.renderer.setPixelRatio(Math.min(window.devicePixelRatio, 2))
    this.scene.background = new Color('#22323A')
    this.camera.up.set(0, 0, 1)
    this.scene.add(new HemisphereLight('#ffffff', '#4d5d63', 1.5), new AmbientLight('#ffffff', 0.35))
    for (const [x, y, z, strength] of [
      [300, -400, 500, 1.5],
      [-300, 500, 260, 0.7],
    ]) {
      const light = new DirectionalLight('#fff6e6', strength)
      light.position.set(x, y, z)
      this.scene.add(light)
    }
    this.scene.add(this.body)
    this.body.add(this.loops)
    this.controls = new OrbitControls(this.camera, canvas)
    this.controls.addEventListener('change', () => this.draw())
  }

  show(surface: LastSurface): void {
    for (const child of [...this.body.children]) {
      if (child instanceof Mesh && !(child instanceof Line2)) {
        child.geometry.dispose()
        this.body.remove(child)
      }
    }
    const { positions, triangles } = bodyMesh(surface)
    const geometry = new BufferGeometry()
    geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
    geometry.setIndex(new BufferAttribute(triangles, 1))
    geometry.computeVertexNormals()
    geometry.computeBoundingBox()
    geometry.boundingBox?.getCenter(this.centre)
    this.size = surface.length
    const wood = new MeshStandardMaterial({
      color: '#d8b787',
      roughness: 0.62,
      side: DoubleSide,
      polygonOffset: true,
      polygonOffsetFactor: 1,
      polygonOffsetUnits: 1,
    })
    this.body.add(new Mesh(geometry, wood))
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
      if (loop.points.length < 3) continue
      const geometry = new LineGeometry()
      geometry.setPositions([...loop.points, loop.points[0]].flat())
      const material = new LineMaterial({ color: loop.colour, linewidth: loop.width })
      material.resolution.set(this.canvas.clientWidth, this.canvas.clientHeight)
      this.loops.add(new Line2(geometry, material))
    }
    this.draw()
  }

  setFoot(foot: 'right' | 'left'): void {
    this.foot = foot
    this.body.scale.y = foot === 'left' ? -1 : 1
    this.draw()
  }

  look(from: Look): void {
    const [x, y, z] = DIRECTIONS[from]
    const side = this.foot === 'left' ? -1 : 1
    const direction = new Vector3(x, y * side, z).normalize()
    const half = Math.tan((this.camera.fov * Math.PI) / 360)
    // Near enough that the whole length fits across, with some room.
    const across = from === 'front' || from === 'back' ? this.size * 0.6 : this.size * 1.02
    const away = Math.max(across / (2 * half * this.camera.aspect), (this.size * 0.5) / (2 * half)) + this.size * 0.2
    this.camera.position.copy(this.centre).addScaledVector(direction, away)
    this.controls.target.copy(this.centre)
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

  private draw(): void {
    if (this.waiting) return
    this.waiting = true
    requestAnimationFrame(() => {
      this.waiting = false
      this.renderer.render(this.scene, this.camera)
    })
  }

  dispose(): void {
    this.controls.dispose()
    this.renderer.dispose()
  }
}
