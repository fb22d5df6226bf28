import { cutLine, type Part, type Path } from '@gentle-awl/core'

const n = (v: number) => Math.round(v * 100) / 100

/** Path data for a drawing whose y points up: SVG's points down. */
export function pathData(path: Path, closed: boolean): string {
  return `M${path.map(([x, y]) => `${n(x)} ${n(-y)}`).join('L')}${closed ? 'Z' : ''}`
}

export const cutData = (part: Part) => pathData(cutLine(part.outline, part.notches), true)
