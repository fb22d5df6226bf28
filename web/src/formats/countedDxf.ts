import { OutlineError } from './outlineError.ts'

/** Entities that say how many points they have: group code of the number, and of each point's x. */
const COUNTED: Record<string, { said: number; each: number; what: string }> = {
  LWPOLYLINE: { said: 90, each: 10, what: 'polyline' },
}

/**
 * A DXF whose polylines have just as many points as they say. A number there is taken at its word by readers, so one
 * that lies stops them for good. Throws OutlineError when there are fewer points than were said: the file breaks off.
 * A number that is too small is put right.
 */
export function countedDxf(text: string): string {
  const lines = text.split(/\r\n|\r|\n/)
  let open: { rule: (typeof COUNTED)[string]; line: number | null; points: number } | null = null
  const close = () => {
    if (!open || open.line === null) return
    const said = Number(lines[open.line])
    if (said === open.points) return
    if (!(said < open.points)) {
      throw new OutlineError(
        `This DXF file is damaged: a ${open.rule.what} says it has ${lines[open.line]!.trim()} points, and there are ${open.points}. Save or copy it again.`,
      )
    }
    lines[open.line] = String(open.points)
  }
  for (let i = 0; i + 1 < lines.length; i += 2) {
    const code = Number(lines[i])
    if (code === 0) {
      close()
      const rule = COUNTED[lines[i + 1]!.trim().toUpperCase()]
      open = rule ? { rule, line: null, points: 0 } : null
    } else if (open && code === open.rule.said) open.line = i + 1
    else if (open && code === open.rule.each) open.points++
  }
  close()
  return lines.join('\n')
}
