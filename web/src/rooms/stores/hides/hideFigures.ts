import { areaOf, boxOf, resample, type Hide, type HideFields, type Path, type Point } from '@gentle-awl/core'

/** So many points are enough for the edge of a hide that a knife follows by eye. */
const MOST_POINTS = 300

/** Area without its holes and other flaws, mm2. */
export const soundArea = ({ outline, flaws }: Pick<Hide, 'outline' | 'flaws'>): number =>
  areaOf({ outline, holes: flaws.map((f) => f.outline) })

/** The middle thickness of what was measured on it, mm; null where nothing was. */
export function middleThickness({ samples }: Pick<Hide, 'samples'>): number | null {
  const all = samples.map((s) => s.thickness).sort((a, b) => a - b)
  return all.length === 0 ? null : all[all.length >> 1]!
}

/** An outline that was brought in, with the holes in it, as a hide: moved so that it begins at 0, to a tenth of a millimetre. */
export function broughtHide(outline: Path, holes: readonly Path[]): Pick<HideFields, 'outline' | 'flaws'> {
  const { minX, minY } = boxOf(outline)
  const kept = (path: Path): [number, number][] =>
    (path.length > MOST_POINTS ? resample(path, MOST_POINTS, true) : path).map(([x, y]) => [
      Math.round(10 * (x - minX)) / 10,
      Math.round(10 * (y - minY)) / 10,
    ])
  return { outline: kept(outline), flaws: holes.map((h) => ({ kind: 'hole', outline: kept(h) })) }
}

/** A round patch about a place, `across` mm wide. */
export const roundPatch = ([x, y]: Point, across: number): [number, number][] =>
  Array.from({ length: 16 }, (_, k) => {
    const a = (2 * Math.PI * k) / 16
    return [
      Math.round(10 * (x + (across / 2) * Math.cos(a))) / 10,
      Math.round(10 * (y + (across / 2) * Math.sin(a))) / 10,
    ]
  })

export const straight = (length: number, width: number): [number, number][] => [
  [0, 0],
  [length, 0],
  [length, width],
  [0, width],
]

/** What is marked on a hide by pressing on it. */
export type Marking = HideFields['flaws'][number]['kind'] | 'good' | 'lesser'
export const markings: readonly { value: Marking; name: string }[] = [
  { value: 'hole', name: 'Flaw: a hole' },
  { value: 'scar', name: 'Flaw: a scar or bite' },
  { value: 'thin', name: 'Flaw: thin or loose' },
  { value: 'stain', name: 'Flaw: a stain' },
  { value: 'good', name: 'A part that is good, not best' },
  { value: 'lesser', name: 'A lesser part: belly, legs' },
]

/** The hide with one more flaw or zone. */
export const marked = (hide: HideFields, as: Marking, outline: [number, number][]): HideFields =>
  as === 'good' || as === 'lesser'
    ? { ...hide, zones: [...hide.zones, { grade: as, outline }] }
    : { ...hide, flaws: [...hide.flaws, { kind: as, outline }] }
