import { writeFileSync } from 'node:fs'
import { parseArgs } from 'node:util'
// From core's own files and not through its front door, which would bring all of the trade along.
import { flattenSheet } from '../core/src/flatten/asRigidAsPossible.ts'
import { meshArea, triangleAreas } from '../core/src/flatten/area.ts'
import { boundaryLoop } from '../core/src/flatten/mesh.ts'
import { gridSeams, seamDrift, seamNames, seamWeights } from '../core/src/flatten/seams.ts'
import { readObjSheet } from '../core/src/formats/objSheet.ts'
import { firstSelfIntersection } from '../core/src/geometry/selfIntersection.ts'
import type { Point } from '../core/src/geometry/path.ts'
import { fail, readText } from './command.ts'

/**
 * `npx tsx bench/flatten.ts MESH.obj FLAT.obj [--fix-lengths back,rim,ridge]`: lays a mesh flat and prints one JSON
 * line of figures. Exits with 1 and a sentence when the mesh cannot be laid flat; then no file is written.
 */
const usage = 'Say which mesh to read and where the flat goes: npx tsx bench/flatten.ts MESH.obj FLAT.obj'

let asked
try {
  asked = parseArgs({ allowPositionals: true, options: { 'fix-lengths': { type: 'string' } } })
} catch {
  fail(usage)
}
const [from, to] = asked.positionals
if (!from || !to) fail(usage)
const keep = asked.values['fix-lengths']?.split(',').map((s) => s.trim()) ?? []
const unknown = keep.find((name) => !seamNames.some((s) => s === name))
if (unknown !== undefined) fail(`"${unknown}" is no seam of a wall; choose among ${seamNames.join(', ')}.`)

const text = readText(from)
try {
  const { mesh, lines } = readObjSheet(text)
  const cpu = process.cpuUsage()
  const began = performance.now()
  const seams = seamNames
    .filter((name) => keep.includes(name))
    .map((name) => ({ name, lines: lines[name] ?? [gridSeams(mesh)[name]] }))
  const kept = seams.flatMap((s) => s.lines)
  const sheet = flattenSheet(mesh, kept.length > 0 ? seamWeights(mesh, kept) : undefined)
  const seconds = (performance.now() - began) / 1000
  const used = process.cpuUsage(cpu)
  const warnings: string[] = []
  if (sheet.flipped > 0) warnings.push(`${sheet.flipped} triangles lie face down.`)
  const crossing = firstSelfIntersection(
    boundaryLoop(mesh).map((v): Point => [sheet.flat[2 * v]!, sheet.flat[2 * v + 1]!]),
  )
  if (crossing) warnings.push('The sheet lies on itself: its edge crosses itself.')
  const area = meshArea(mesh)
  const areas = triangleAreas(mesh)
  const out: string[] = []
  for (let v = 0; v < sheet.flat.length; v += 2) out.push(`v ${sheet.flat[v]} ${sheet.flat[v + 1]} 0`)
  const t = mesh.triangles
  for (let k = 0; k < t.length; k += 3) out.push(`f ${t[k]! + 1} ${t[k + 1]! + 1} ${t[k + 2]! + 1}`)
  writeFileSync(to, `${out.join('\n')}\n`)
  const drift = seams.map(({ name, lines: l }) => {
    const sums = l.map((line) => seamDrift(mesh, sheet.flat, line))
    return [name, sums.reduce((s, d) => s + d.plane - d.space, 0)]
  })
  console.log(
    JSON.stringify({
      vertices: mesh.positions.length / 3,
      triangles: t.length / 3,
      seconds: Number(seconds.toFixed(4)),
      cpu_seconds: Number(((used.user + used.system) / 1e6).toFixed(4)),
      iterations: sheet.rounds,
      energy: sheet.energy,
      mean: sheet.strain.reduce((s, x, f) => s + x * areas[f]!, 0) / area,
      max: sheet.strain.reduce((a, b) => Math.max(a, b), 1),
      flipped: sheet.flipped,
      ...(drift.length > 0 ? { drift: Object.fromEntries(drift) as Record<string, number> } : {}),
      warnings,
    }),
  )
} catch (error) {
  fail(error instanceof Error ? error.message : String(error))
}
