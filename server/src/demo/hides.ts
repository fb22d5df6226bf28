import { lerpPoint, type Hide, type Material, type Path, type Point } from '@gentle-awl/core'
import { demoId } from './demoId.ts'

/** A closed, even curve along corners, which it rounds off (Chaikin 1974), to half a millimetre. */
function curve(corners: Path): [number, number][] {
  let path = corners
  for (let round = 0; round < 3; round++) {
    path = path.flatMap((p, i): Point[] => {
      const q = path[(i + 1) % path.length]!
      return [lerpPoint(p, q, 0.25), lerpPoint(p, q, 0.75)]
    })
  }
  return path.map(([x, y]) => [Math.round(2 * x) / 2, Math.round(2 * y) / 2])
}
/** A patch of skin: an ellipse that leans. */
const patch = (x: number, y: number, a: number, b: number, degrees = 0): [number, number][] => {
  const [c, s] = [Math.cos((degrees * Math.PI) / 180), Math.sin((degrees * Math.PI) / 180)]
  return Array.from({ length: 20 }, (_, i) => {
    const [u, v] = [a * Math.cos((2 * Math.PI * i) / 20), b * Math.sin((2 * Math.PI * i) / 20)]
    return [Math.round(2 * (x + c * u - s * v)) / 2, Math.round(2 * (y + s * u + c * v)) / 2]
  })
}

/** A whole skin, backbone along x: tail at the left, neck at the right, four legs; the two halves are never quite alike. */
const skin = (length: number, width: number): [number, number][] => {
  const [l, w] = [length, width / 2]
  return curve([
    [0, 0.06 * w],
    [0.05 * l, -0.3 * w],
    [0.02 * l, -0.78 * w],
    [0.13 * l, -1.0 * w],
    [0.24 * l, -0.8 * w],
    [0.45 * l, -0.74 * w],
    [0.62 * l, -0.8 * w],
    [0.74 * l, -1.02 * w],
    [0.83 * l, -0.86 * w],
    [0.82 * l, -0.46 * w],
    [0.93 * l, -0.36 * w],
    [1.0 * l, -0.1 * w],
    [0.99 * l, 0.16 * w],
    [0.91 * l, 0.4 * w],
    [0.81 * l, 0.44 * w],
    [0.84 * l, 0.8 * w],
    [0.75 * l, 0.98 * w],
    [0.63 * l, 0.78 * w],
    [0.44 * l, 0.72 * w],
    [0.25 * l, 0.78 * w],
    [0.14 * l, 1.03 * w],
    [0.03 * l, 0.82 * w],
    [0.06 * l, 0.36 * w],
  ])
}
const box = (length: number, width: number): [number, number][] => [
  [0, 0],
  [length, 0],
  [length, width],
  [0, width],
]

/** What hangs and lies in the demo workshop's stores. */
export function demoHides(materials: readonly Material[]): Hide[] {
  const of = (name: string) => materials.find((m) => m.name === name)!.id
  const usual = { note: '', flaws: [], zones: [], tight: 0, directions: [], samples: [], used: false }
  return [
    {
      ...usual,
      id: demoId(6, 1),
      name: 'Calf 7',
      place: 'First rail',
      note: 'From the spring delivery.',
      materialId: of('Tar-brown calf'),
      form: 'hide',
      outline: skin(1180, 980),
      flaws: [
        { kind: 'scar', outline: patch(430, 130, 46, 5, 24) },
        { kind: 'hole', outline: patch(690, -210, 11, 8) },
        { kind: 'stain', outline: patch(240, -90, 34, 22, 40) },
        { kind: 'thin', outline: patch(900, 300, 60, 30, 70) },
      ],
      zones: [
        {
          grade: 'lesser',
          outline: curve([
            [110, -300],
            [330, -262],
            [560, -255],
            [800, -300],
            [870, -470],
            [700, -520],
            [420, -480],
            [80, -520],
          ]),
        },
        {
          grade: 'lesser',
          outline: curve([
            [110, 300],
            [330, 262],
            [560, 255],
            [800, 300],
            [880, 470],
            [700, 520],
            [420, 480],
            [80, 520],
          ]),
        },
        {
          grade: 'good',
          outline: curve([
            [930, -240],
            [1200, -220],
            [1200, 240],
            [930, 250],
          ]),
        },
      ],
      // Legs give least along themselves, the belly between them along its edge.
      directions: [
        { at: [190, 420], tight: -58 },
        { at: [190, -410], tight: 58 },
        { at: [330, 330], tight: -22 },
        { at: [330, -320], tight: 22 },
        { at: [700, 330], tight: 18 },
        { at: [700, -320], tight: -18 },
        { at: [880, 410], tight: 78 },
        { at: [880, -420], tight: -78 },
        { at: [560, 0], tight: 0 },
      ],
      samples: [
        { at: [300, 30], thickness: 1.5 },
        { at: [560, -80], thickness: 1.4 },
        { at: [560, 330], thickness: 1.2 },
        { at: [1050, 20], thickness: 1.6 },
      ],
    },
    {
      ...usual,
      id: demoId(6, 2),
      name: 'Goat 12',
      place: 'Second rail',
      materialId: of('Undyed goat'),
      form: 'hide',
      outline: skin(880, 700),
      flaws: [{ kind: 'hole', outline: patch(300, 90, 9, 7) }],
      zones: [],
      samples: [{ at: [400, 0], thickness: 0.9 }],
    },
    {
      ...usual,
      id: demoId(6, 3),
      name: 'Shoulder, half',
      place: 'Under the bench',
      materialId: of('Insole shoulder'),
      form: 'sheet',
      outline: box(760, 540),
      flaws: [{ kind: 'scar', outline: patch(520, 300, 70, 6, -15) }],
    },
    {
      ...usual,
      id: demoId(6, 4),
      name: 'Calf 5, what is left',
      place: 'Drawer',
      materialId: of('Tar-brown calf'),
      form: 'offcut',
      outline: curve([
        [0, 0],
        [150, -40],
        [330, -10],
        [390, 120],
        [300, 260],
        [150, 240],
        [30, 170],
      ]),
    },
  ]
}
