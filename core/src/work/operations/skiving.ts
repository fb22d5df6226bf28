import { pathLength } from '../../geometry/path.ts'
import { feet } from '../../trade/foot.ts'
import { recordOfPiece } from '../../trade/recordName.ts'
import type { Sentence } from '../../units/sentence.ts'
import { skiving } from '../effort.ts'
import { kindOf, piecesOf, sumOfParts, sumOfPieces, type Facts } from '../facts.ts'
import { bring, operation, type Operation } from '../operation.ts'
import { paddingName } from './cutting.ts'
import { linings } from './seamsByUse.ts'

/** Parts that are skived in one go; what is in none of these rows has a row of its own kind. */
const rows: readonly {
  id: string
  kinds: readonly string[]
  name: (f: Facts, kinds: ReadonlySet<string>) => string
  why: Sentence
}[] = [
  {
    id: 'skive-lining',
    kinds: [...linings, 'tongueLining', 'insoleCover', 'sideLining'],
    name: () => 'Skive the laps of the linings',
    why: 'a skive follows the edge as it is cut',
  },
  {
    id: 'skive-edging',
    kinds: ['bead', 'binding'],
    name: (_f, kinds) => (kinds.has('bead') ? 'Skive the bead strips' : 'Skive the bindings'),
    why: 'a skive follows the edge as it is cut',
  },
  {
    id: 'pare-wedge',
    kinds: ['heelWedge', 'wedge', 'topPiece'],
    name: (_f, kinds) =>
      kinds.has('heelWedge') || kinds.has('wedge') ? 'Pare the heel wedges' : 'Pare the top pieces',
    why: 'only what is cut can be pared',
  },
  {
    id: 'skive-stiffener',
    kinds: ['stiffener'],
    name: () => 'Skive the stiffeners',
    why: 'it is skived dry, from the cut edge',
  },
  { id: 'skive-puff', kinds: ['puff'], name: () => 'Skive the toe puffs', why: 'it is skived dry, from the cut edge' },
  {
    id: 'skive-sock',
    kinds: ['sock'],
    name: () => 'Skive the front edge of the sock liners',
    why: 'a skive follows the edge as it is cut',
  },
  {
    id: 'skive-padding',
    kinds: ['padding'],
    name: (f) => `Skive the front edge of the ${paddingName(f)}`,
    why: 'a skive follows the edge as it is cut',
  },
]

const EDGE =
  'Try the knife on scrap; what is too thin is not thick again. Stop where it drags: strop or change the blade.'

/** Every part that has a skive, in the rows above; one that nobody thought of is skived by itself. */
export function skivingWork(f: Facts): Operation[] {
  // One foot's may be skived where the other's is not.
  const skived = feet
    .flatMap((foot) => f.shoes[foot].parts.filter((p) => p.skives.length > 0))
    .filter((p, n, all) => all.findIndex((q) => q.id === p.id) === n)
  const rest = [...new Set(skived.map((p) => kindOf(p.id)))].filter((k) => !rows.some((r) => r.kinds.includes(k)))
  const all = [
    ...rows,
    ...rest.map((kind) => ({
      id: `skive-${kind}`,
      kinds: [kind],
      name: () => `Skive: ${skived.find((p) => kindOf(p.id) === kind)!.name}`,
      why: 'a skive follows the edge as it is cut',
    })),
  ]
  return [
    ...upperSkives(f),
    ...all.flatMap(({ id, kinds, name, why }) => {
      const mine = skived.filter((p) => kinds.includes(kindOf(p.id)))
      if (mine.length === 0) return []
      const length = sumOfParts(f, feet, kinds, (p) => p.skives.reduce((sum, s) => sum + pathLength(s.edge), 0))
      const ids = mine.map((p) => p.id)
      return [
        operation({
          id,
          name: name(f, new Set(mine.map((p) => kindOf(p.id)))),
          group: 'skive',
          effort: skiving(f, length),
          makes: bring(ids, 'skived', why),
          cautions: ['knife'],
          tools: ['skiver'],
          look: [EDGE],
          parts: ids,
        }),
      ]
    }),
  ]
}

function upperSkives(f: Facts): Operation[] {
  const records = piecesOf(f)
    .filter((p) => feet.some((foot) => f.shoes[foot].pieces.some((q) => q.id === p.id && q.skived > 0)))
    .map((p) => recordOfPiece(p.id))
  if (records.length === 0) return []
  return [
    operation({
      id: 'skive-upper',
      name: 'Skive laps, folds and seams of the upper',
      group: 'skive',
      effort: skiving(
        f,
        sumOfPieces(f, feet, (p) => p.skived),
      ),
      makes: bring(records, 'skived', 'a skive follows the edge as it is cut'),
      cautions: ['knife'],
      tools: ['skiver'],
      look: [EDGE],
      parts: records,
    }),
  ]
}
