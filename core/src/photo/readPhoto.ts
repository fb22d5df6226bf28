import { boxOf, signedArea, type Box, type Path, type Point } from '../geometry/path.ts'
import type { Sentence } from '../units/sentence.ts'
import { enclosed } from './enclosed.ts'
import { fairOutline } from './fairOutline.ts'
import { groundOfPhoto, groundOfScan, type Ground, type PhotoFacts } from './ground.ts'
import { inkOf } from './ink.ts'
import { PhotoError } from './photoError.ts'
import type { Grey, Picture } from './picture.ts'
import { straighten, type FlatPicture } from './planeView.ts'
import { readEdge } from './readEdge.ts'
import { cornerFill } from './cornerFill.ts'
import { cornerInk } from './cornerInk.ts'
import type { CornerProof } from './corners.ts'
import { readLine } from './readLine.ts'
import type { Gap, ReadRim } from './readRim.ts'
import { thingsOf } from './things.ts'
import { withMats, type Vision } from './vision.ts'

/** How a picture is to be read. */
export interface PhotoChoices {
  /** A pencil line on paper, or the edge of a thing that lies there. */
  what: 'line' | 'edge'
  /** How far the upper face of the thing lies above the mat, mm. */
  height: number
  /** Smoothing may move no point by more, mm. */
  tolerance: number
  /** What the printed bar of 100 mm measures, mm. */
  bar: number
  /** A scan instead of a photograph: pixels a millimetre; no mat is looked for. */
  scan: number | null
}
export const usualPhoto: PhotoChoices = { what: 'line', height: 0, tolerance: 0.2, bar: 100, scan: null }

/** An outline read from a picture, mm; counter-clockwise as seen from above, y up the picture. */
export interface PhotoOutline {
  path: Path
  /** Holes in a thing. */
  holes: Path[]
  corners: Path
  /** Width of the pencil line whose middle the path is, mm; 0 of an edge. */
  pencil: number
  /** Stretches that were bridged. */
  gaps: readonly Gap[]
  /** The share of the outline that was seen. */
  seen: number
  smoothed: { usual: number; most: number }
  /** 95 of 100 points lie nearer to where they should than this, mm, as far as the picture itself can tell. */
  error: number
}

export interface PhotoReading {
  outlines: PhotoOutline[]
  /** What was looked at, from straight above. */
  flat: FlatPicture
  /** What there is to know about the picture; null of a scan. */
  photo: PhotoFacts | null
  notes: Sentence[]
}

export type PhotoProgress = (share: number, doing: string) => void

const LEAST_PIXELS = 700_000
const MOST_PIXELS = 60_000_000
/** Pixels of the straightened picture in which outlines are looked for, and the finest that is any use a millimetre. */
const FLAT_PIXELS = 4_500_000
const FINEST = 4
/** Most outlines that are shown. */
const MOST_OUTLINES = 40
/** What a row of half levels can be read to in the best of pictures, mm. */
const READING = 0.04

function greyOf(cv: Vision, picture: Picture): Grey {
  return withMats((keep) => {
    const colour = keep(new cv.Mat(picture.height, picture.width, cv.CV_8UC4))
    colour.data.set(picture.data)
    const grey = keep(new cv.Mat())
    cv.cvtColor(colour, grey, cv.COLOR_RGBA2GRAY)
    return { width: picture.width, height: picture.height, data: new Uint8Array(grey.data) }
  })
}

const scaled = (path: Path, by: number): Path => path.map(([x, y]): Point => [x * by, y * by])

function finished(
  rim: ReadRim,
  ground: Ground,
  choices: PhotoChoices,
  holes: Path[],
  proof: CornerProof,
): PhotoOutline {
  const size = choices.bar / 100
  const fair = fairOutline(rim.path, rim.seen, choices.tolerance / size, proof)
  const around = rim.path.filter((_, i) => i % 40 === 0)
  const camera = Math.max(...around.map((p) => ground.errorAt(p)))
  const mean = Math.sqrt(fair.moved.usual ** 2 + READING ** 2 + camera ** 2)
  return {
    path: scaled(fair.path, size),
    corners: scaled(fair.corners, size),
    holes: holes.map((h) => scaled(h, size)),
    pencil: rim.width * size,
    gaps: rim.gaps.map(({ at, length }) => ({ at: [at[0] * size, at[1] * size], length: length * size })),
    seen: rim.seen.filter(Boolean).length / rim.seen.length,
    smoothed: { usual: fair.moved.usual * size, most: fair.moved.most * size },
    error: 2 * mean * size,
  }
}

/** Of outlines that are the same line read twice, the first. */
function distinct(outlines: readonly PhotoOutline[]): PhotoOutline[] {
  const kept: PhotoOutline[] = []
  for (const o of outlines) {
    const b = boxOf(o.path)
    const twin = kept.some((k) => {
      const c = boxOf(k.path)
      return (
        Math.max(
          Math.abs(b.minX - c.minX),
          Math.abs(b.minY - c.minY),
          Math.abs(b.maxX - c.maxX),
          Math.abs(b.maxY - c.maxY),
        ) < 1.5 && Math.abs(signedArea(o.path) - signedArea(k.path)) < 0.02 * signedArea(k.path)
      )
    })
    if (!twin) kept.push(o)
  }
  return kept
}

/** An outline of which less than this was seen is none. */
const LEAST_SEEN = 0.6

/**
 * Reads outlines from a picture in millimetres: the camera from the mat's marks (or the given scale of a scan), the plane of
 * the drawing straightened, closed lines or edges found in it, and each read again in the picture itself. Largest first.
 * Throws PhotoError with a sentence that says what to do.
 */
export function readPhoto(
  cv: Vision,
  picture: Picture,
  choices: PhotoChoices = usualPhoto,
  progress: PhotoProgress = () => undefined,
): PhotoReading {
  const pixels = picture.width * picture.height
  if (pixels < LEAST_PIXELS && choices.scan === null) {
    throw new PhotoError(
      `This picture has ${picture.width} by ${picture.height} pixels, too few to read a line from. Take the camera's own file, not one that was sent as a small preview.`,
    )
  }
  if (pixels > MOST_PIXELS) {
    throw new PhotoError(
      `This picture has ${picture.width} by ${picture.height} pixels; up to ${MOST_PIXELS / 1e6} million are read. Save it smaller.`,
    )
  }
  progress(0.05, 'Looking for the marks')
  const grey = greyOf(cv, picture)
  const ground = choices.scan === null ? groundOfPhoto(cv, grey, choices) : groundOfScan(picture, choices.scan)
  const look = (box: Box): Pick<PhotoReading, 'outlines' | 'flat'> => {
    progress(0.3, 'Straightening the picture')
    const area = (box.maxX - box.minX) * (box.maxY - box.minY)
    const middle: Point = [(box.minX + box.maxX) / 2, (box.minY + box.maxY) / 2]
    const perMm = Math.min(FINEST, 1.2 * ground.view.perMm(middle), Math.sqrt(FLAT_PIXELS / area))
    const flat = straighten(cv, picture, ground.view, box, perMm)
    progress(0.5, choices.what === 'line' ? 'Looking for lines' : 'Looking for edges')
    const outlines =
      choices.what === 'line'
        ? linesIn(cv, grey, ground, flat, choices, progress)
        : edgesIn(cv, picture, ground, flat, choices, progress)
    return { outlines, flat }
  }
  let looked = look(ground.boxes[0])
  for (const box of ground.boxes.slice(1)) if (looked.outlines.length === 0) looked = look(box)
  progress(1, '')
  const notes = looked.outlines.length > 0 ? ground.notes : [...ground.notes, NOTHING[choices.what]]
  return { ...looked, photo: ground.photo, notes }
}

const NOTHING: Readonly<Record<PhotoChoices['what'], Sentence>> = {
  line: 'No closed line of some size is seen. Draw it darker, close its gaps, and keep hands, tools and deep shadows out of the picture; a thing without a line is found by its edge.',
  edge: 'No thing is seen whose edge stands out from what it lies on. Lay it on paper of another colour, all of it in the picture, away from shadows.',
}

function linesIn(
  cv: Vision,
  grey: Grey,
  ground: Ground,
  flat: FlatPicture,
  choices: PhotoChoices,
  progress: PhotoProgress,
): PhotoOutline[] {
  const ink = inkOf(cv, flat, ground.hidden)
  try {
    const rough = enclosed(cv, ink, flat).slice(0, MOST_OUTLINES)
    const read = rough.map((r, i) => {
      progress(0.6 + (0.4 * i) / rough.length, 'Reading the lines')
      const rim = readLine(grey, ground.view, r, ground.blur)
      return finished(rim, ground, choices, [], cornerInk(grey, ground.view, rim.path, rim.width))
    })
    return distinct(read.filter((o) => o.seen >= LEAST_SEEN && signedArea(o.path) > 0))
  } finally {
    ink.delete()
  }
}

function edgesIn(
  cv: Vision,
  picture: Picture,
  ground: Ground,
  flat: FlatPicture,
  choices: PhotoChoices,
  progress: PhotoProgress,
): PhotoOutline[] {
  const rough = thingsOf(cv, flat, ground.hidden).slice(0, MOST_OUTLINES)
  const proof = cornerFill(picture, ground.view)
  return rough
    .map((thing, i) => {
      progress(0.6 + (0.4 * i) / rough.length, 'Reading the edges')
      const holes = thing.holes.map((h) => {
        const rim = readEdge(picture, ground.view, h)
        return fairOutline(rim.path, rim.seen, (100 * choices.tolerance) / choices.bar, proof).path
      })
      return finished(readEdge(picture, ground.view, thing.path), ground, choices, holes, proof)
    })
    .filter((o) => o.seen >= LEAST_SEEN && signedArea(o.path) > 0)
}
