import type { LastReadings } from '../last/readings.ts'
import type { Finding } from '../trade/because.ts'
import { traitsOf } from '../model/construction.ts'
import type { PairDecisions, PlanInput } from '../model/pair.ts'
import type { Upper } from '../upper/upper.ts'
import { lastFromSize, sizeFromLast, sizeSystemNames } from '../units/sizes.ts'
import { mm, say } from '../units/sentence.ts'

/** A last may differ from the length its size asks for by about a half size before it is another size, mm. */
const SIZE_SLACK = 5

/** The upper's bottom edge is cut to be turned one way; the construction must turn it that way. */
function constructionFinding({ construction }: PairDecisions, upper: Upper): Finding | null {
  const roles = new Set(upper.pieces.flatMap((p) => p.edges.map((e) => e.role)))
  const [under, out] = [roles.has('lasting margin'), roles.has('turned-out margin')]
  if (!under && !out) return null
  const { outwards } = traitsOf(construction)
  const fits = outwards ? !under : !out
  return {
    id: 'pair.construction',
    level: fits ? 'fine' : 'stop',
    where: 'upper and construction',
    sentence: fits
      ? `The upper is cut to be turned ${outwards ? 'outwards' : 'under'}, as this pair wants it.`
      : `The upper is cut to be turned ${out ? 'outwards' : 'under'}, but this pair is ${construction}: its edge goes ${outwards ? 'outwards' : 'under'}.`,
    measured: fits ? 0 : 1,
    limit: 0,
    unit: 'count',
    mend: fits
      ? ''
      : out
        ? 'Make the pair stitch-down, or choose another style in the room Upper.'
        : 'Choose the stitch-down style in the room Upper, or another construction.',
    remedy: fits
      ? undefined
      : out
        ? { kind: 'choice', name: 'stitch-down', decisions: { construction: 'stitch-down' } }
        : { kind: 'choice', name: 'the stitch-down style', decisions: { upper: { style: 'stitch-down' } } },
  }
}

/** Of an open shoe the insole is seen: something has to lie on it. */
function insoleSeen({ insole, sock }: PairDecisions, { open }: Upper): Finding | null {
  if (!open.behind) return null
  const covered = insole.covered || sock.extent === 'full'
  return {
    id: 'pair.insoleSeen',
    level: covered ? 'fine' : 'watch',
    where: 'insole',
    sentence: covered
      ? `The foot is seen to stand on ${insole.covered ? 'a covered insole' : 'a whole sock'}: nothing of the insole itself shows.`
      : 'The shoe is open: in front of or behind the sock the bare insole is seen.',
    measured: covered ? 0 : 1,
    limit: 0,
    unit: 'count',
    mend: covered ? '' : 'Cover the insole, or take a whole sock.',
    remedy: covered
      ? undefined
      : { kind: 'choice', name: 'cover the insole', decisions: { insole: { covered: true } } },
  }
}

/** Crepe does not bear the heat that wakes a heat-set glue. */
function crepeInHeat({ decisions, cupSole }: PlanInput): Finding | null {
  const { bought } = traitsOf(decisions.construction)
  if (bought === null || cupSole?.form !== bought || cupSole.stuff !== 'crepe') return null
  const hot = decisions.work.ways.cement === 'heat-set glue'
  return {
    id: 'pair.crepe',
    level: hot ? 'stop' : 'fine',
    where: 'glue of the sole',
    sentence: hot
      ? 'Crepe softens and shrinks in the heat that wakes this glue.'
      : 'Crepe is glued without heat; solvents are kept off it but for the glue itself.',
    measured: hot ? 1 : 0,
    limit: 0,
    unit: 'count',
    mend: hot ? 'Take a contact cement or neoprene, and try it on an offcut first.' : '',
    remedy: hot
      ? { kind: 'choice', name: 'contact cement', decisions: { work: { ways: { cement: 'contact cement' } } } }
      : undefined,
  }
}

/** Checks on the pair as a whole, before any part of it. */
export function pairFindings(input: PlanInput, readings: LastReadings, upper: Upper): Finding[] {
  const construction = constructionFinding(input.decisions, upper)
  const seen = insoleSeen(input.decisions, upper)
  const crepe = crepeInHeat(input)
  const { size } = input.decisions
  const length = readings.length
  const wanted = lastFromSize(size.system, size.value)
  const off = length - wanted
  const fits = Math.abs(off) <= SIZE_SLACK
  const reads = sizeFromLast(size.system, length)
  const halfSize = Math.round(2 * reads) / 2
  return [
    {
      id: 'pair.size',
      level: fits ? 'fine' : 'watch',
      where: 'size and last',
      sentence: fits
        ? say`${sizeSystemNames[size.system]} ${size.value} asks for a last of about ${mm(wanted, 0)}; this one is ${mm(length)}.`
        : say`${sizeSystemNames[size.system]} ${size.value} asks for a last of about ${mm(wanted, 0)}, but this one is ${mm(length)}, which reads ${reads.toFixed(1)}.`,
      measured: length,
      limit: wanted,
      unit: 'mm',
      mend: fits ? '' : 'Choose another last, or correct the size.',
      remedy: fits
        ? undefined
        : {
            kind: 'choice',
            name: `size ${sizeSystemNames[size.system]} ${halfSize}`,
            decisions: { size: { value: halfSize } },
          },
    },
    ...(construction ? [construction] : []),
    ...(seen ? [seen] : []),
    ...(crepe ? [crepe] : []),
    ...readings.findings,
  ]
}
