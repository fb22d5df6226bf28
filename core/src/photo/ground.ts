import { boxOf, contains, type Box, type Path, type Point } from '../geometry/path.ts'
import { mm, say, type Sentence } from '../units/sentence.ts'
import { stanceOf } from './camera.ts'
import { findMarks } from './findMarks.ts'
import { fitCamera, type FittedCamera } from './fitCamera.ts'
import { placeOfMark, type MatSheet } from './mat.ts'
import { PhotoError } from './photoError.ts'
import type { Grey, Picture } from './picture.ts'
import { viewOf, viewOfScan, type PlaneView } from './planeView.ts'
import type { Vision } from './vision.ts'

/** Marks that settle a camera. */
const LEAST_MARKS = 4
/** A picture whose edges are wider than this, mm, shows no line to a third of a millimetre; one wider than the second is not read. */
const SOFT = 0.5
const BLURRED = 1.1
/** Fewer pixels a millimetre than this show no pencil line. */
const COARSE = 2.2
/** Marks that are missed by more than this do not lie in one plane, mm. */
const NOT_FLAT = 0.45
const LEAN = 55
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

const laidOut = ({ x, y, angle }: FittedCamera['sheets'][number], p: Point): Point => [
  Math.cos(angle) * p[0] - Math.sin(angle) * p[1] + x,
  Math.sin(angle) * p[0] + Math.cos(angle) * p[1] + y,
]

/** Corners of a sheet's ring of marks, grown by `grow` mm. */
const ringOf = (pose: FittedCamera['sheets'][number], grow: number): Path =>
  (
    [
      [-grow, -grow],
      [pose.sheet.width + grow, -grow],
      [pose.sheet.width + grow, pose.sheet.height + grow],
      [-grow, pose.sheet.height + grow],
    ] as Point[]
  ).map((p) => laidOut(pose, p))

/** What a picture is read by. */
export interface Ground {
  view: PlaneView
  /** What is looked at, one after the other until something is found. */
  boxes: Box[]
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
  if (blurred > SOFT * far)
    notes.push(say`The picture is a little blurred: sharp edges are ${mm(2.4 * blurred, 1)} wide in it.`)
  if (lean > LEAN) {
    notes.push(
      `It was taken from ${Math.round(lean)} degrees off straight above: the far side is told less well. Hold the camera higher.`,
    )
  }
  const all = sheets.flatMap((s) => ringOf(s, 0))
  const around = boxOf(all)
  const alone = sheets.length === 1 && sheets[0]!.sheet.kind !== 'floor'
  const margin = alone ? 0.75 * Math.max(around.maxX - around.minX, around.maxY - around.minY) : 30
  // No farther than the picture shows.
  const corner = (px: number, py: number) => view.toPlane(px, py)
  const shown = boxOf([
    corner(0, 0),
    corner(grey.width - 1, 0),
    corner(grey.width - 1, grey.height - 1),
    corner(0, grey.height - 1),
  ])
  const wide: Box = {
    minX: Math.max(around.minX - margin, shown.minX),
    minY: Math.max(around.minY - margin, shown.minY),
    maxX: Math.min(around.maxX + margin, shown.maxX),
    maxY: Math.min(around.maxY + margin, shown.maxY),
  }
  const side = sheets[0]!.sheet.side
  // A sheet alone lies straight in its own frame: what is inside its ring of marks.
  const inner: Box = {
    minX: side + 2,
    minY: side + 2,
    maxX: sheets[0]!.sheet.width - side - 2,
    maxY: sheets[0]!.sheet.height - side - 2,
  }
  const squares = marks.map((m) => {
    const { sheet, corners } = placeOfMark(m.mark)!
    const pose = sheets.find((s) => s.sheet === sheet)!
    const grow = Math.max(1.5, 0.05 * sheet.side)
    const [a, , c] = corners
    return (
      [
        [a[0] - grow, a[1] - grow],
        [c[0] + grow, a[1] - grow],
        [c[0] + grow, c[1] + grow],
        [a[0] - grow, c[1] + grow],
      ] as Point[]
    ).map((p) => laidOut(pose, p))
  })
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
    photo: { marks: marks.length, missed, blur: blurred, lean, perMm },
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
    blur: 0.8 / perMm,
    photo: null,
    notes: [],
  }
}
