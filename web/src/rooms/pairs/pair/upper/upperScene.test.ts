import { ClosestPoints, FormeMap, generateLast, makeForme, planPair, wallTriangles, type Upper } from '@gentle-awl/core'
import { mount } from '@vue/test-utils'
import { beforeAll, describe, expect, it } from 'vitest'
import { sampleMeasures, samplePair } from '../../../../../../core/test/samplePair.ts'
import { strainCells, strainColour } from './strainCells.ts'
import UpperFindings from './UpperFindings.vue'
import { pointMarkers, upperLoops } from './upperScene.ts'
import { keptCache } from '../../../../../../core/test/keptCache.ts'

let map: FormeMap
let upper: Upper
beforeAll(() => {
  const input = samplePair()
  const surface = generateLast(sampleMeasures.flat)
  map = new FormeMap(surface, makeForme(surface, 'true seams', 'back and vamp'))
  upper = planPair(
    {
      ...input,
      decisions: { ...input.decisions, upper: { ...input.decisions.upper, style: 'oxford' } },
    },
    keptCache(),
  ).upper
})

describe('the design on the last', () => {
  it('lies on the wall of its own side, a little proud of it', () => {
    const plan = planPair(
      {
        ...samplePair(),
        last: { ...samplePair().last, shape: { kind: 'measures', measures: sampleMeasures.flat }, buildUps: [] },
      },
      keptCache(),
    ).upper
    for (const loop of upperLoops(map, { ...plan, lines: plan.lines.filter((l) => l.kind === 'seam') }, null)) {
      const side = loop.points[Math.floor(loop.points.length / 2)]![1] < 0 ? 'lateral' : 'medial'
      const wall = new ClosestPoints({
        positions: map.forme.walls[side],
        triangles: wallTriangles(map.forme.columns, map.forme.rows),
      })
      for (const p of loop.points) expect(wall.to(p).distance).toBeLessThan(1.2)
    }
  })
  it('marks every point once on each of its sides, the chosen one in another colour', () => {
    const markers = pointMarkers(map, upper.points, 'vampPoint')
    expect(new Set(markers.map((m) => m.key)).size).toBe(markers.length)
    expect(markers).toHaveLength(upper.points.reduce((n, p) => n + p.sides.length, 0))
    const colours = markers.map((m) => [m.key, m.colour])
    expect(colours.filter(([, c]) => c === '#e6b355').map(([k]) => k)).toEqual(['vampPoint:lateral'])
    for (const m of markers.filter((x) => x.key.startsWith('seamFoot'))) {
      expect(Math.sign(m.at[1])).toBe(m.key.endsWith('lateral') ? -1 : 1)
    }
  })
})

describe('strain in colours', () => {
  it('tells crowded from stretched, and deepens with it up to a tenth', () => {
    const tone = (s: number) => Number(/([\d.]+)\)$/.exec(strainColour(s))?.[1])
    expect(strainColour(-0.05).slice(0, 17)).not.toBe(strainColour(0.05).slice(0, 17))
    expect(tone(0.02)).toBeLessThan(tone(0.06))
    expect(tone(0.3)).toBe(tone(0.1))
    expect(strainCells(map, 'medial')).toHaveLength(48 * 16)
  })
})

describe('checks', () => {
  it('show the gravest first', () => {
    const base = upper.findings[0]!
    const levels = { a: 'fine', b: 'stop', c: 'watch' } as const
    const findings = (['a', 'b', 'c'] as const).map((id) => ({ ...base, id, level: levels[id] }))
    const list = mount(UpperFindings, { props: { findings } })
    expect(list.findAll('[data-finding]').map((f) => f.attributes('data-finding'))).toEqual(['b', 'c', 'a'])
  })
})
