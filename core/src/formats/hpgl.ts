import { GeometryError, type Path, type Point } from '../geometry/path.ts'

/** A line for a plotter or cutting table, mm, drawn with one of its pens or tools (1 to 8). */
export interface PlotLine {
  path: Path
  closed: boolean
  tool: number
}

/** A plotter's unit, mm. */
const UNIT = 0.025
const MOST_TOOLS = 8
const KNOWN: ReadonlySet<string> = new Set(['IN', 'SP', 'PU', 'PD', 'PA', 'PR'])
/** Plotters read so far and no farther, units either way. */
const FARTHEST = 2 ** 30

/**
 * Lines as HPGL, in the order in which they are to be cut: whole units of 0.025 mm, pen up to the first point, down along the
 * rest and back to the first where the line is closed. Throws GeometryError on a line without length or a tool that is none.
 * writeHpgl([{ path: [[0, 0], [1, 0]], closed: false, tool: 1 }]) is 'IN;SP1;PU0,0;PD40,0;PU;SP0;'.
 */
export function writeHpgl(lines: readonly PlotLine[]): string {
  const out = ['IN']
  let tool = 0
  for (const line of lines) {
    if (line.path.length < 2) throw new GeometryError('A line to be cut has two points at least.')
    if (!Number.isInteger(line.tool) || line.tool < 1 || line.tool > MOST_TOOLS) {
      throw new GeometryError(`There is no tool ${line.tool}: a cutting table has tools 1 to ${MOST_TOOLS}.`)
    }
    if (line.tool !== tool) out.push(`SP${(tool = line.tool)}`)
    const [first, ...rest] = [...line.path, ...(line.closed ? [line.path[0]!] : [])].map(units)
    out.push(`PU${first}`, `PD${rest.join(',')}`)
  }
  out.push('PU', 'SP0')
  return `${out.join(';')};`
}

function units([x, y]: Point): string {
  const [u, v] = [Math.round(x / UNIT), Math.round(y / UNIT)]
  if (!(Math.abs(u) < FARTHEST && Math.abs(v) < FARTHEST)) {
    throw new GeometryError('A place to be cut is no number, or lies farther off than any table reaches.')
  }
  return `${u},${v}`
}

/**
 * Reads HPGL as a table does: IN, SP, PU, PD, PA and PR (moves from where it is); other commands are passed over. Lines are
 * closed where they come back to where they began. Throws GeometryError, with the command, on what cannot be read.
 */
export function readHpgl(text: string): PlotLine[] {
  const lines: PlotLine[] = []
  let [tool, down, relative] = [0, false, false]
  let at: Point = [0, 0]
  let line: Point[] = []
  let known = false
  const end = (): void => {
    if (line.length > 1) {
      const [a, b] = [line[0]!, line[line.length - 1]!]
      const closed = line.length > 3 && a[0] === b[0] && a[1] === b[1]
      lines.push({ path: closed ? line.slice(0, -1) : line, closed, tool })
    }
    line = []
  }
  for (const [n, raw] of text.split(';').entries()) {
    const command = raw.trim()
    if (command === '') continue
    const name = command.slice(0, 2).toUpperCase()
    const rest = command.slice(2).trim()
    const figures = rest === '' ? [] : rest.split(/[\s,]+/).map(Number)
    const wrong = () =>
      new GeometryError(`Command ${n + 1}, "${command.slice(0, 30)}", is damaged: send the file again.`)
    if (!/^[A-Z]{2}$/.test(name)) throw wrong()
    known ||= KNOWN.has(name)
    if (name === 'IN') {
      end()
      ;[tool, down, relative, at] = [0, false, false, [0, 0]]
    } else if (name === 'SP') {
      end()
      tool = figures[0] ?? 0
      if (!Number.isInteger(tool)) throw wrong()
    } else if (name === 'PU' || name === 'PD' || name === 'PA' || name === 'PR') {
      if (figures.some((v) => !Number.isFinite(v)) || figures.length % 2 !== 0) throw wrong()
      if (name === 'PU') {
        end()
        down = false
      } else if (name === 'PD') {
        down = true
      } else relative = name === 'PR'
      for (let k = 0; k < figures.length; k += 2) {
        if (down && line.length === 0) line.push(at)
        const [x, y] = [figures[k]! * UNIT, figures[k + 1]! * UNIT]
        at = relative ? [at[0] + x, at[1] + y] : [x, y]
        if (down) line.push(at)
      }
    }
  }
  end()
  if (!known) throw new GeometryError('There is nothing that a cutting table knows in this file: it is no HPGL.')
  return lines
}
