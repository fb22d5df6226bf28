import {
  fromFrame,
  GeometryError,
  guessUnit,
  importScan,
  longestExtent,
  MOST_TRIANGLES,
  packSurface,
  readyScan,
  toFrame,
  type FeatherShift,
  type LastSurface,
  type PackedSurface,
  type Progress,
  type ReadyScan,
  type ScanLandmark,
  type ScanLandmarks,
  type ScanResult,
  type ScanUnit,
  type Sentence,
  type Side,
  type TriangleMesh,
  type Vec3,
} from '@gentle-awl/core'
import { expose, transfer } from 'comlink'
import { answered, type Answer } from '../answer.ts'
import { readMesh } from '../../formats/readMesh.ts'

export interface OpenedScan {
  triangles: number
  /** Longest extent in the file's own unit, and the unit in which that is a last. */
  extent: number
  unit: ScanUnit | null
}

/** What the page shows of an import: everything in the last's frame, mm. */
export interface ShownScan {
  surface: LastSurface
  packed: PackedSurface
  /** The scan itself, stood up. */
  body: { positions: Float32Array; triangles: Uint32Array }
  landmarks: Record<ScanLandmark, Vec3>
  feather: Record<Side, Vec3[]>
  foot: 'right' | 'left'
  length: number
  triangles: number
  within: number
  notes: Sentence[]
}

let mesh: TriangleMesh | null = null
let ready: { unit: ScanUnit; scan: ReadyScan } | null = null
let last: ScanResult | null = null

const worker = {
  /** Reads a file. The scan stays in this worker; to cancel, the worker is ended. */
  open(data: ArrayBuffer, name: string): Answer<OpenedScan> {
    return answered(() => {
      mesh = readMesh(data, name)
      ready = null
      last = null
      const triangles = mesh.triangles.length / 3
      const extent = longestExtent(mesh.positions)
      return { triangles, extent, unit: triangles > MOST_TRIANGLES ? null : guessUnit(extent) }
    })
  },

  /** Brings the open scan onto the canonical grid; landmarks that were dragged come in the last's frame of the latest import. */
  bring(
    unit: ScanUnit,
    choices: { dragged: Partial<Record<ScanLandmark, Vec3>>; heelHeight: number | null; feather: FeatherShift },
    progress: Progress,
  ): Answer<ShownScan> {
    return answered(() => {
      if (!mesh) throw new GeometryError('Open a scan first.')
      if (ready?.unit !== unit) {
        ready = { unit, scan: readyScan(mesh, unit, progress) }
        last = null
      }
      const landmarks: Partial<ScanLandmarks> = { ...kept }
      for (const [key, at] of Object.entries(choices.dragged) as [ScanLandmark, Vec3][]) {
        if (last) landmarks[key] = fromFrame(last.stance, at)
      }
      const result = importScan(
        ready.scan,
        { landmarks, heelHeight: choices.heelHeight, feather: choices.feather },
        progress,
      )
      kept = landmarks
      last = result
      return shown(ready.scan, result)
    })
  },

  /** Lets the landmarks be found anew. */
  forget(): void {
    kept = {}
  },
}
let kept: Partial<ScanLandmarks> = {}

function shown(scan: ReadyScan, r: ScanResult): ShownScan {
  const { stance } = r
  const put = (p: Vec3) => toFrame(stance, p)
  const positions = new Float32Array(scan.positions.length)
  for (let k = 0; k < positions.length; k += 3) {
    const q = put([scan.positions[k]!, scan.positions[k + 1]!, scan.positions[k + 2]!])
    positions[k] = q[0]
    positions[k + 1] = q[1]
    positions[k + 2] = q[2]
  }
  const at = stance.landmarks
  const view: ShownScan = {
    surface: r.surface,
    packed: packSurface(r.surface),
    body: { positions, triangles: scan.triangles.slice() },
    landmarks: {
      toeTip: put(at.toeTip),
      heelBack: put(at.heelBack),
      jointMedial: put(at.jointMedial),
      jointLateral: put(at.jointLateral),
    },
    feather: { lateral: r.feather.lateral.map(put), medial: r.feather.medial.map(put) },
    foot: stance.foot,
    length: r.surface.length,
    triangles: r.health.triangles,
    within: r.within,
    notes: r.notes,
  }
  return transfer(view, [view.body.positions.buffer, view.body.triangles.buffer])
}

export type ScanWorker = typeof worker
expose(worker)
