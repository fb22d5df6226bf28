import type { Finding } from '../../trade/because.ts'
import type { Material, MaterialRole } from '../../model/material.ts'
import { mm, say, mmTo } from '../../units/sentence.ts'

/** Is the leather of a part as thick as it should be? `serves` finishes the sentence "2 to 2.5 mm ...". */
export function thicknessFinding(
  id: string,
  material: Material,
  [thin, thick]: readonly [number, number],
  serves: string,
  mends: { thin: string; thick: string },
  role: MaterialRole,
): Finding {
  const t = material.thickness
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
