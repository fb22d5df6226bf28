import { skivedFace } from '../../layers/pieceSkives.ts'
import type { EdgeSkive } from '../../layers/edgeSkive.ts'
import { isWoven } from '../../model/material.ts'
import { becauseOfRule } from '../../trade/becauseOfRule.ts'
import type { Finding } from '../../trade/because.ts'
import { ofPiece } from '../../trade/cutFrom.ts'
import type { Part, PartLine, Skive } from '../../trade/part.ts'
import { DEPTHS, type WallArea } from '../../trade/wallArea.ts'
import { topFinishRules } from '../../upper/topFinishRules.ts'
import { mm, say } from '../../units/sentence.ts'
import { lyingAlong } from './alongOpening.ts'
import { edging, reasons, type EdgingNeeds } from './needs.ts'
import { edgingRules } from './rules.ts'
import { along, becauseOfEnds, marksAcross, skivedEnds, skivedLong, stripPart, type Flat } from './strip.ts'
import { skivedAllOver, skivedLegEdge, strippedTo, stripSkive } from './stripSkive.ts'

/** A bead: a strip folded off-centre, whose fold shows above the edge. */
export function bead(needs: EdgingNeeds, flat: Flat, { long, short }: { long: number; short: number }): Part {
  const { work, book } = needs
  const material = ofPiece(needs.own, edging.bead, needs.upper)
  const skived = !isWoven(material)
  const face = skivedFace(material)
  const thin = strippedTo(material, book)
  const clear = book.value(topFinishRules.slitShort)
  const skivedAt = (name: string, edge: 'low' | 'high', skive: EdgeSkive | null): Skive[] =>
    skive ? [skivedLong(name, edge, flat, skive, face)] : []
  const cut = (name: string, at: number): PartLine => ({
    name,
    kind: 'cut mark',
    path: [
      [at, 0],
      [at, short - clear],
    ],
    closed: false,
  })
  const reveal = book.value(topFinishRules.reveal)
  const lying = (name: string, width: number, depth: number): WallArea[] =>
    lyingAlong(
      needs,
      { part: edging.bead, name, depth },
      width - reveal,
      thin,
      stripSkive(edging.bead, material, width, book)?.profile ?? null,
    )
  return stripPart(
    {
      id: edging.bead,
      name: 'Bead',
      role: 'upper',
      materialName: material.name,
      thickness: material.thickness,
      lines: [
        along('fold', 'fold', short, flat),
        ...work.kerfs.map((at) => cut('kerf', at)),
        ...work.nips.map((at) => cut('notch', at)),
        ...marksAcross(work.marks, flat),
      ],
      skives: skived
        ? [
            ...skivedAt('whole strip', 'low', skivedAllOver(edging.bead, material, flat.width, book)),
            ...skivedAt('long leg', 'high', skivedLegEdge(material, long, book)),
            ...skivedAt('short leg', 'low', skivedLegEdge(material, short, book)),
            ...skivedEnds(flat, thin, face, book),
          ]
        : [],
      becauses: [
        ...reasons(work, 'beadLength', 'longLeg'),
        becauseOfRule('Width of the strip', topFinishRules.strip, book),
        becauseOfRule('Shows above the edge', topFinishRules.reveal, book),
        ...(skived ? [becauseOfRule('Skived to', edgingRules.thickness, book), becauseOfEnds(book)] : []),
      ],
      findings: [legFinding(needs, long, flat.width)],
      areas: [
        ...lying('Bead, short leg', short, DEPTHS.reinforcement + 0.1),
        ...lying('Bead, long leg', long, DEPTHS.reinforcement + 0.2),
      ],
    },
    flat,
  )
}

/** The long leg of a bead must have every hole of the rows before it in front of it. */
function legFinding({ work, stitchAt, book }: EdgingNeeds, long: number, width: number): Finding {
  const reveal = book.value(topFinishRules.reveal)
  const punched = work.punchedTo !== null && work.punchedTo > stitchAt
  const row = punched ? work.punchedTo! : stitchAt
  const reach = long - reveal
  const limit = row + book.value(edgingRules.behind)
  const fine = reach >= limit
  const share = Math.ceil((100 * (limit + reveal)) / width) / 100
  const { key, max } = topFinishRules.longLeg
  const wider = Math.ceil((limit + reveal) / max)
  const what = punched ? 'punched row' : 'seam'
  return {
    id: 'bead.leg',
    level: fine ? 'fine' : 'watch',
    where: 'bead',
    sentence: fine
      ? say`Behind the edge the long leg reaches ${mm(reach, 1)}, past the ${what} that ends ${mm(row, 1)} from it.`
      : say`The long leg reaches only ${mm(reach, 1)} behind the edge; the ${what} ends ${mm(row, 1)} from it, and ${mm(limit, 1)} are wanted.`,
    measured: reach,
    limit,
    unit: 'mm',
    ...(fine
      ? { mend: '' }
      : share <= max
        ? {
            mend: say`Fold the strip at ${share} of its width.`,
            remedy: { kind: 'rule' as const, key, value: share },
          }
        : {
            mend: say`Cut the strip ${mm(wider)} wide and fold it at ${max} of its width.`,
            remedy: {
              kind: 'choice' as const,
              name: say`A bead strip of ${mm(wider)}, folded at ${max} of its width`,
              decisions: { rules: { [topFinishRules.strip.key]: wider, [key]: max } },
            },
          }),
  }
}
