import {
  boxOf,
  cutLine,
  grainArrow,
  leftOf,
  leftPart,
  mirror,
  stitchTicks,
  widthOf,
  type DrawablePart,
  type PairFile,
  type Part,
  type Path,
  type Foot,
  type PairPart,
} from '@gentle-awl/core'
import { drawnAs, type Face } from './faces.ts'

const escape = (text: string) =>
  text
    // Stored before such characters were refused: an XML file must not hold them.
    .replaceAll(/[\p{Cc}\p{Cs}]/gu, '\ufffd')
    .replaceAll('&', '&amp;')
    .replaceAll('<', '&lt;')
    .replaceAll('>', '&gt;')
    .replaceAll('"', '&quot;')

const n = (v: number) => Number(v.toFixed(4)).toString()

/** SVG's y points down; the drawing's points up. */
const d = (path: Path, closed: boolean) => `M${path.map(([x, y]) => `${n(x)} ${n(-y)}`).join('L')}${closed ? 'Z' : ''}`

const DASH: Record<Part['lines'][number]['kind'], string> = {
  fold: '6 2',
  stitch: '2 2',
  feather: '',
  crease: '0.6 1.6',
  mark: '3 1.5',
  neighbour: '1 1',
  'cut mark': '',
  punch: '',
}

function group(right: DrawablePart, foot: Foot, dx: number, dy: number, face: Face): string {
  const part = drawnAs(foot, face) === 'left' ? leftPart(right) : right
  const lines = part.lines
    .map(
      (l) =>
        `<path class="${l.kind.replace(' ', '-')}" data-line="${escape(l.name)}"${l.kind === 'punch' && l.later ? ' data-punched="later"' : ''} d="${d(l.path, l.closed)}" stroke-width="0.2"${DASH[l.kind] ? ` stroke-dasharray="${DASH[l.kind]}"` : ''}/>`,
    )
    .join('')
  const ticks = part.lines
    .flatMap((l) => stitchTicks(l.holes ?? []).map((tick) => ({ tick, later: l.later })))
    .map(
      ({ tick, later }) =>
        `<path class="hole" d="${d(tick, false)}" stroke-width="0.3"${later ? ' data-punched="later" stroke-opacity="0.5"' : ''}/>`,
    )
    .join('')
  const skives = part.skives
    .map(
      (s) =>
        `<path class="skive" data-skive="${escape(s.name)}" data-width-mm="${n(widthOf(s))}" data-left-mm="${n(leftOf(s))}" data-face="${s.face}" d="${d(s.band, true)}" fill="#c98a1b" fill-opacity="0.18" stroke="none"/>`,
    )
    .join('')
  const arrow = grainArrow(part.grain)
    .map((line) => `<path class="grain" d="${d(line, false)}" stroke-width="0.25"/>`)
    .join('')
  const cut = d(cutLine(part.outline, part.notches), true)
  return (
    `<g id="${part.id}-${foot}" data-material="${escape(part.materialName)}" data-thickness-mm="${part.thickness}" data-lies="${face === 'flesh' ? 'flesh side up' : 'face side up'}" transform="translate(${n(dx)} ${n(dy)})">` +
    `<title>${escape(`${part.name}, ${foot}, ${part.materialName} ${part.thickness} mm`)}</title>` +
    `${skives}${lines}${ticks}${arrow}<path class="cut" d="${cut}" stroke-width="0.35"/></g>`
  )
}

function wrap(width: number, height: number, title: string, body: string): string {
  return (
    `<?xml version="1.0" encoding="UTF-8"?>\n` +
    `<svg xmlns="http://www.w3.org/2000/svg" width="${n(width)}mm" height="${n(height)}mm" viewBox="0 0 ${n(width)} ${n(height)}" fill="none" stroke="#17262b" stroke-linejoin="round">` +
    `<title>${escape(title)}</title>${body}</svg>\n`
  )
}

const EDGE = 5

/** One part of one foot, 1 user unit = 1 mm. */
export function partSvg(part: DrawablePart, foot: Foot, face: Face): string {
  const box = boxOf(drawnAs(foot, face) === 'left' ? mirror(part.outline) : part.outline)
  const [w, h] = [box.maxX - box.minX + 2 * EDGE, box.maxY - box.minY + 2 * EDGE]
  return wrap(w, h, `${part.name}, ${foot}`, group(part, foot, EDGE - box.minX, EDGE + box.maxY, face))
}

/** All given parts of both feet in two columns, 1 user unit = 1 mm. */
export function pairSvg(file: PairFile, parts: readonly PairPart[], face: Face): string {
  let y = EDGE
  let width = 0
  const body = parts
    .map(({ feet }) => {
      let x = EDGE
      let tallest = 0
      const row = feet.map(({ foot, part }) => {
        const box = boxOf(drawnAs(foot, face) === 'left' ? mirror(part.outline) : part.outline)
        const g = group(part, foot, x - box.minX, y + box.maxY, face)
        x += box.maxX - box.minX + EDGE
        tallest = Math.max(tallest, box.maxY - box.minY)
        return g
      })
      y += tallest + EDGE
      width = Math.max(width, x)
      return row.join('')
    })
    .join('')
  return wrap(width, y, `${file.label.order} ${file.label.name}, revision ${file.revision}`, body)
}
