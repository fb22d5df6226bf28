import { boxOf, contains, lerpPoint, type Box, type Path, type Point } from '../geometry/path.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'
import { depthOf, stanceOf, unproject, type Camera } from './camera.ts'
import { findMarks } from './findMarks.ts'
import { laidOut } from './cameraState.ts'
import { fitCamera, type LaidSheet } from './fitCamera.ts'
import type { MatSheet } from './mat.ts'
import { PhotoError } from './photoError.ts'
import type { Grey, Picture } from './picture.ts'
import { viewOf, viewOfScan, type PlaneView } from './planeView.ts'
import type { Vision } from './vision.ts'

/** Marks that settle a camera. */
const LEAST_MARKS = 4
/** Blur (its standard deviation, mm) from which a fainter line may be lost, and from which none is looked for. */
const SOFT = 0.4
const BLURRED = 0.58
/** Fewer pixels a millimetre than this show no pencil line. */
const COARSE = 2.2
/** Marks that are missed by more than this do not lie in one plane, mm. */
const NOT_FLAT = 0.45
const LEAN = 55
/** Blur of a flatbed scanner, px: there is no mark to read it from, and it is sharp to about its own pixels. */
const SCAN_BLUR = 0.8
/** Fewer pixels a millimetre than this lose faint lines, and tell the width of one too large. */
const FEW_PIXELS = 3
/** A sheet of which a corner is told no better than this is not seen well enough, mm. */
const UNSETTLED = 0.4

/** What there is to know about a photograph: its marks, how far they are missed, its blur (mm), its lean (degrees). */
export interface PhotoFacts {
  marks: number
  missed: { px: number; mm: number }
  blur: number
  lean: number
  perMm: number
}

/** Corners of a sheet's ring of marks, grown by `grow` mm. */
const ringOf = (pose: LaidSheet, grow: number): Path =>
  (
    [
      [-grow, -grow],
      [pose.sheet.width + grow, -grow],
      [pose.sheet.width + grow, pose.sheet.height + grow],
      [-grow, pose.sheet.height + grow],
    ] as Point[]
  ).map((p) => laidOut(pose, p))

/** A mark is hidden with so much round it, as a share of its side: where its ink has spread to. */
const AROUND = 0.12
/** A square grown about its middle. */
const grown = (square: Path): Path => {
  const [a, , c] = square
  const middle: Point = [(a![0] + c![0]) / 2, (a![1] + c![1]) / 2]
  return square.map((p) => lerpPoint(middle, p, 1 + 2 * AROUND))
}

/** The box of the plane `z` mm above the mat that a picture shows; null where it shows the horizon, beyond which there is none. */
export function shownBox(camera: Camera, { width, height }: Pick<Grey, 'width' | 'height'>, z: number): Box | null {
  const corners = [
    [0, 0],
    [width - 1, 0],
    [width - 1, height - 1],
    [0, height - 1],
  ] as const
  const shown = corners.map(([x, y]) => unproject(camera, x, y, z))
  return shown.every((p) => depthOf(camera, ...p, z) > 0) ? boxOf(shown) : null
}

/** What a picture is read by. */
export interface Ground {
  view: PlaneView
  /** What is looked at, one after the other until something is found. */
  boxes: readonly [Box, ...Box[]]
  hidden: (x: number, y: number) => boolean
  errorAt: (p: Point) => number
  blur: number
  photo: PhotoFacts | null
  notes: Sentence[]
}

const listed = (sheets: readonly MatSheet[]): string =>
  sheets
    .map((s) => `${s.kind} ${s.number}`)
    .sort()
    .join(', ')

/**
 * The plane of a photograph that lies `height` mm above the mat, from the marks that are seen in it. Throws PhotoError with a
 * sentence when they are too few, on one side only, blurred, too small or not flat.
 */
export function groundOfPhoto(
  cv: Vision,
  grey: Grey,
  { what, height }: { what: 'line' | 'edge'; height: number },
): Ground {
  const { marks, blur } = findMarks(cv, grey)
  if (marks.length === 0) {
    throw new PhotoError(
      'No mark of the mat is seen in this picture. Print the mat, lay the drawing on it, and photograph it with the marks round it in view; a blurred or very dark picture shows none either.',
    )
  }
  if (marks.length < LEAST_MARKS) {
    throw new PhotoError(
      `Only ${marks.length} of the mat's marks ${marks.length === 1 ? 'is' : 'are'} seen: its place cannot be told from so few. Step back until marks on all sides are in the picture, and leave them uncovered.`,
    )
  }
  const fitted = fitCamera(marks, grey.width, grey.height)
  if (!fitted) {
    throw new PhotoError(
      'The picture cannot be straightened from the marks that are seen in it. Have marks on all sides of the drawing in view, flat and uncovered.',
    )
  }
  const { camera, sheets, missed } = fitted
  const { lean } = stanceOf(camera)
  const middle: Point = laidOut(sheets[0]!, [sheets[0]!.sheet.width / 2, sheets[0]!.sheet.height / 2])
  const view = viewOf(camera, height)
  const perMm = view.perMm(middle)
  const needed = sheets[0]!.sheet.kind === 'floor' ? COARSE / 3 : COARSE
  if (perMm < needed) {
    throw new PhotoError(
      `The drawing is too small in this picture: it has ${perMm.toFixed(1)} pixels to a millimetre, and ${needed.toFixed(1)} are needed. Go nearer, or set the camera to its full size.`,
    )
  }
  const blurred = blur / perMm
  const far = sheets[0]!.sheet.kind === 'floor' ? 3 : 1
  if (blurred > BLURRED * far) {
    throw new PhotoError(
      say`The picture is blurred: sharp edges are ${mm(2.4 * blurred, 1)} wide in it. Wipe the lens, rest the camera on something, and take it again in more light.`,
    )
  }
  if (missed.mm > NOT_FLAT * far) {
    throw new PhotoError(
      say`The mat does not lie flat, or was not printed at true size all over: its marks lie ${mm(missed.mm, 1)} from where one flat sheet would show them. Press it flat, or print it again at 100 %.`,
    )
  }
  const worst = Math.max(...ringOf(sheets[0]!, 0).map((p) => fitted.errorAt(p)))
  if (worst > UNSETTLED * far) {
    throw new PhotoError(
      say`Marks are seen on one side only: the far side could lie ${mm(2 * worst, 1)} from where it is taken to be. Have marks on at least two sides of the drawing in view.`,
    )
  }
  const notes: Sentence[] = []
  const leftOut = marks.length - fitted.marks
  if (leftOut > 0) {
    notes.push(
      `${leftOut === 1 ? 'One mark does' : `${leftOut} marks do`} not lie flat with the rest and ${leftOut === 1 ? 'was' : 'were'} left out: press the mat down there if the drawing lies near.`,
    )
  }
  if (blurred > SOFT * far)
    notes.push(say`The picture is a little blurred: sharp edges are ${mm(2.4 * blurred, 1)} wide in it.`)
  if (perMm < FEW_PIXELS * (needed / COARSE)) {
    notes.push(
      `It has only ${perMm.toFixed(1)} pixels to a millimetre: faint lines may be missed, and a line is told wider than it is. Go nearer.`,
    )
  }
  if (lean > LEAN) {
    notes.push(
      `It was taken from ${Math.round(lean)} degrees off straight above: the far side is told less well. Hold the camera higher.`,
    )
  }
  const all = sheets.flatMap((s) => ringOf(s, 0))
  const around = boxOf(all)
  const alone = sheets.length === 1 && sheets[0]!.sheet.kind !== 'floor'
  const shown = shownBox(camera, grey, height)
  // Beyond the sheets only as far as the picture goes; not towards the horizon.
  const margin = !shown ? 0 : alone ? 0.75 * Math.max(around.maxX - around.minX, around.maxY - around.minY) : 30
  const wide: Box = {
    minX: Math.max(around.minX - margin, shown?.minX ?? -Infinity),
    minY: Math.max(around.minY - margin, shown?.minY ?? -Infinity),
    maxX: Math.min(around.maxX + margin, shown?.maxX ?? Infinity),
    maxY: Math.min(around.maxY + margin, shown?.maxY ?? Infinity),
  }
  const side = sheets[0]!.sheet.side
  // A sheet alone lies straight in its own frame: what is inside its ring of marks.
  const inner: Box = {
    minX: side + 2,
    minY: side + 2,
    maxX: sheets[0]!.sheet.width - side - 2,
    maxY: sheets[0]!.sheet.height - side - 2,
  }
  // Where marks are seen, also those that were left out; on the mat itself, whatever height is looked at.
  const onMat = viewOf(camera)
  const squares = marks.map(({ corners }) => grown(corners.map((c) => onMat.toPlane(...c))))
  const hiddenPaths = what === 'edge' && !alone ? sheets.map((s) => ringOf(s, 18)) : squares
  const hiddenBoxes = hiddenPaths.map((p) => boxOf(p))
  return {
    view,
    boxes: alone ? [inner, wide] : [wide],
    hidden: (x, y) =>
      hiddenBoxes.some(
        (b, i) => x > b.minX && x < b.maxX && y > b.minY && y < b.maxY && contains(hiddenPaths[i]!, [x, y]),
      ),
    errorAt: (p) => fitted.errorAt(p, height),
    blur: blurred,
    photo: { marks: fitted.marks, missed, blur: blurred, lean, perMm },
    notes:
      sheets.length > 1
        ? [`Sheets of the mat in the picture: ${listed(sheets.map((s) => s.sheet))}.`, ...notes]
        : notes,
  }
}

/** The plane of a scan of so many pixels a millimetre. */
export function groundOfScan(picture: Picture, perMm: number): Ground {
  const [width, height] = [picture.width / perMm, picture.height / perMm]
  // The lid's shadow lies round a scan.
  const rim = 2
  return {
    view: viewOfScan(perMm, picture.height),
    boxes: [{ minX: rim, minY: rim, maxX: width - rim, maxY: height - rim }],
    hidden: () => false,
    errorAt: () => 0,
    blur: SCAN_BLUR / perMm,
    photo: null,
    notes: [],
  }
}
