import { pathLength } from '../geometry/path.ts'
import type { Profile } from '../trade/wallArea.ts'
import type { Skive, SkiveFace, SkiveShape } from '../trade/part.ts'

/** A part or piece with what is skived on it. */
export interface SkivedPart {
  id: string
  name: string
  materialName: string
  thickness: number
  /** Pieces to cut of it for the pair, or for its foot. */
  count: number
  /** Where both shoes are planned on their own; null while one is the other's mirror. */
  foot: 'right' | 'left' | null
  skives: readonly Skive[]
}

/** One edge of a piece in a list for the bench. */
export interface SkiveLine {
  part: string
  name: string
  edge: string
  materialName: string
  /** Before it is skived, mm. */
  thickness: number
  /** Of this edge on all pieces of the pair, mm. */
  length: number
  /** So many such edges are there on the pair. */
  count: number
  /** The foot of which alone it is so; null where it is so on both. */
  foot: 'right' | 'left' | null
}

/** Edges that are skived at one setting of the guide. */
export interface SkiveGroup {
  shape: SkiveShape
  face: SkiveFace
  /** From the cut edge inwards, mm. */
  width: number
  /** What is left where it is thinnest over the width of the knife's flat: at the edge, or past its feather; mm. */
  left: number
  /** One of its profiles, to be drawn: thickness against the distance from the cut edge, mm. */
  profile: Profile
  lines: SkiveLine[]
  /** Of all its edges on the pair, mm. */
  length: number
}

/** A guide is set to half a millimetre, a gauge read to a twentieth. */
const WIDTH = 0.5
const LEFT = 0.05
const to = (value: number, step: number): number => Math.round(value / step) * step

/** How wide a skive is, from the cut edge to where the leather is whole, mm. */
export const widthOf = ({ profile }: { profile: Profile }): number => profile[profile.length - 1]![0]

/**
 * What a skive leaves, mm: over a level one what its flat has, its feathered edge left out; else what its edge has.
 */
export const leftOf = ({ profile, shape }: { profile: Profile; shape: SkiveShape }): number =>
  shape === 'level' && profile.length > 3 ? profile[1]![1] : profile[0]![1]

/**
 * The skiving list of a pair: every skived edge of both shoes, those of one shape, face, width and thickness left
 * together, so that the guide is set once. The longest work comes first.
 */
export function skivingList(parts: readonly SkivedPart[]): SkiveGroup[] {
  const groups = new Map<string, SkiveGroup>()
  for (const part of parts) {
    for (const skive of part.skives) {
      const [width, left] = [to(widthOf(skive), WIDTH), to(leftOf(skive), LEFT)]
      const key = [skive.shape, skive.face, width, left.toFixed(2)].join('|')
      const group = groups.get(key) ?? {
        shape: skive.shape,
        face: skive.face,
        width,
        left,
        profile: skive.profile,
        lines: [],
        length: 0,
      }
      groups.set(key, group)
      const length = part.count * pathLength(skive.edge)
      group.length += length
      const line = group.lines.find((l) => l.part === part.id && l.edge === skive.name)
      if (line) {
        line.length += length
        line.count += part.count
        if (line.foot !== part.foot) line.foot = null
      } else {
        group.lines.push({
          part: part.id,
          name: part.name,
          edge: skive.name,
          materialName: part.materialName,
          thickness: part.thickness,
          length,
          count: part.count,
          foot: part.foot,
        })
      }
    }
  }
  return [...groups.values()].sort((a, b) => b.length - a.length)
}
