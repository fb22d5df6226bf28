import type { Finding } from '../../trade/because.ts'
import { isSheet, type Material, type MaterialRole } from '../../model/material.ts'
import { mm, say, mmTo } from '../../units/sentence.ts'

/**
 * Is the leather of a part as thick as it should be? `serves` finishes the sentence "2 to 2.5 mm ...". A sheet of fabric
 * or plastic is stiff by what it is made of: of it only its edge is told.
 */
export function thicknessFinding(
  id: string,
  material: Material,
  [thin, thick]: readonly [number, number],
  serves: string,
  mends: { thin: string; thick: string },
  role: MaterialRole,
): Finding {
  const t = material.thickness
  if (isSheet(material)) {
    return {
      id,
      level: 'fine',
      where: 'sheet',
      sentence: say`${material.name} is ${mm(t)} and stiff by what it is made of: how thick it must be is on its maker’s sheet. Its edge leaves a line unless it is thinned or dipped.`,
      measured: t,
      limit: t,
      unit: 'mm',
      mend: '',
    }
  }
  const fine = t >= thin && t <= thick
  return {
    id,
    level: fine ? 'fine' : 'watch',
    where: 'leather',
    sentence: say`${material.name} is ${mm(t)}; ${mmTo(thin, thick)} ${serves}.`,
    measured: t,
    limit: t < thin ? thin : thick,
    unit: 'mm',
    mend: fine ? '' : t < thin ? mends.thin : mends.thick,
    remedy: fine ? undefined : { kind: 'open', control: { room: 'decisions', at: role } },
  }
}
