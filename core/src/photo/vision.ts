/** A matrix of the vision library. Its memory is not the collector's: `delete` gives it back. */
export interface VisionMat {
  rows: number
  cols: number
  data: Uint8Array
  data32S: Int32Array
  data32F: Float32Array
  delete: () => void
}
interface VisionMats {
  size: () => number
  get: (index: number) => VisionMat
  delete: () => void
}
type Size = object
type Scalar = object

/** What is used of OpenCV's build for the web, given by whoever has loaded it: core itself loads no library of this size. */
export interface Vision {
  Mat: new (rows?: number, cols?: number, type?: number) => VisionMat
  MatVector: new () => VisionMats
  Size: new (width: number, height: number) => Size
  Scalar: new (...values: number[]) => Scalar
  cvtColor: (from: VisionMat, to: VisionMat, code: number) => void
  resize: (from: VisionMat, to: VisionMat, size: Size, fx: number, fy: number, how: number) => void
  adaptiveThreshold: (
    from: VisionMat,
    to: VisionMat,
    high: number,
    method: number,
    kind: number,
    block: number,
    below: number,
  ) => void
  findContours: (from: VisionMat, to: VisionMats, hierarchy: VisionMat, mode: number, method: number) => void
  contourArea: (contour: VisionMat) => number
  arcLength: (contour: VisionMat, closed: boolean) => number
  approxPolyDP: (from: VisionMat, to: VisionMat, within: number, closed: boolean) => void
  isContourConvex: (contour: VisionMat) => boolean
  remap: (from: VisionMat, to: VisionMat, x: VisionMat, y: VisionMat, how: number, border: number, v: Scalar) => void
  morphologyEx: (from: VisionMat, to: VisionMat, what: number, kernel: VisionMat) => void
  getStructuringElement: (shape: number, size: Size) => VisionMat
  GaussianBlur: (from: VisionMat, to: VisionMat, size: Size, sigma: number) => void
  connectedComponents: (from: VisionMat, labels: VisionMat, connectivity: number) => number
  distanceTransform: (from: VisionMat, to: VisionMat, kind: number, mask: number) => void
  CV_8UC1: number
  CV_8UC4: number
  CV_32FC1: number
  COLOR_RGBA2GRAY: number
  INTER_AREA: number
  INTER_LINEAR: number
  BORDER_CONSTANT: number
  ADAPTIVE_THRESH_MEAN_C: number
  THRESH_BINARY_INV: number
  RETR_LIST: number
  RETR_EXTERNAL: number
  CHAIN_APPROX_SIMPLE: number
  CHAIN_APPROX_NONE: number
  MORPH_CLOSE: number
  MORPH_OPEN: number
  MORPH_ELLIPSE: number
  MORPH_RECT: number
  DIST_L2: number
}

/** Does work with matrices: all that it was told to `keep` are given back at its end, also when it fails. */
export function withMats<T>(work: (keep: <M extends { delete: () => void }>(mat: M) => M) => T): T {
  const kept: { delete: () => void }[] = []
  try {
    return work((mat) => {
      kept.push(mat)
      return mat
    })
  } finally {
    for (const mat of kept.reverse()) mat.delete()
  }
}
