/** Checks of mesh files that are text: readers pass over lines that they do not understand, and say nothing. */

const NUMBER = String.raw`[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?`
const THREE = `\\s+${NUMBER}\\s+${NUMBER}\\s+${NUMBER}`
const FACET = new RegExp(
  `\\s*facet\\s+normal${THREE}\\s+outer\\s+loop(?:\\s+vertex${THREE}){3}\\s+endloop\\s+endfacet\\s+`,
  'iy',
)
const BETWEEN = /\s*(?:endsolid[^\n]*\s*)?(?:solid[^\n]*\s*)?/iy

/** What is wrong with a text STL; null where it is whole facets from its first line to its last. */
export function stlTextDamage(text: string, name: string): string | null {
  let at = 0
  let facets = 0
  while (at < text.length) {
    FACET.lastIndex = at
    if (FACET.test(text)) {
      at = FACET.lastIndex
      facets++
      continue
    }
    BETWEEN.lastIndex = at
    BETWEEN.test(text)
    if (BETWEEN.lastIndex <= at) {
      const there = text
        .slice(at, at + 40)
        .trim()
        .split('\n')[0]
      return `${name} is damaged after its facet ${facets}, at "${there}". Save or copy it again.`
    }
    at = BETWEEN.lastIndex
  }
  return null
}

const OBJ_WORDS =
  /^(?:#|v |vn |vt |vp |f |l |p |o\b|g\b|s |mtllib |usemtl |usemap |maplib |deg |bmat |step |cstype |curv |curv2 |surf |parm |trim |hole |scrv |sp |end\b|con |mg |bevel |c_interp |d_interp |lod |shadow_obj |trace_obj |ctech |stech )/
const OBJ_POINT = /^v(?:\s+[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?){3,7}\s*$/
const OBJ_FACE = /^f(?:\s+-?\d+(?:\/-?\d*){0,2}){3,}\s*$/

/** What is wrong with an OBJ; null where every line is one that such a file may have. */
export function objDamage(text: string, name: string): string | null {
  const lines = text.split(/\r\n|\r|\n/)
  for (const [i, raw] of lines.entries()) {
    const line = raw.trim()
    if (line === '' || (OBJ_WORDS.test(`${line} `) && wholeLine(line))) continue
    return `${name} is damaged at line ${i + 1}: "${line.slice(0, 40)}". Save or copy it again.`
  }
  return null
}

function wholeLine(line: string): boolean {
  if (/^v\s/.test(line)) return OBJ_POINT.test(line)
  return !/^f\s/.test(line) || OBJ_FACE.test(line)
}

/** What is wrong with the body of a text PLY; null where it has a line of numbers for every vertex and face. */
export function plyTextDamage(body: string, vertices: number, faces: number, name: string): string | null {
  const lines = body.split(/\r\n|\r|\n/).filter((l) => l.trim() !== '')
  if (lines.length < vertices + faces) {
    return `${name} breaks off: it says it has ${vertices} points and ${faces} faces, and there are ${lines.length} lines. Save or copy it again.`
  }
  const numbers = /^\s*(?:[-+]?(?:\d+\.?\d*|\.\d+)(?:[eE][-+]?\d+)?\s*)+$/
  const bad = lines.slice(0, vertices + faces).findIndex((l) => !numbers.test(l))
  return bad < 0
    ? null
    : `${name} is damaged in its line ${bad + 1} after the header: "${lines[bad]!.slice(0, 40)}". Save or copy it again.`
}
