import type { StyleName } from '../../model/upper.ts'
import type { Style } from '../style.ts'
import { ankleBoot } from './boot.ts'
import { derby } from './derby.ts'
import { balletFlat, court } from './lowCut.ts'
import { oxford } from './oxford.ts'
import { stitchDown } from './stitchDown.ts'
import { trainer } from './trainer.ts'

/** Every style the workshop can cut. A new one adds one file and one line here. */
export const styleBook: Record<StyleName, Style> = {
  derby,
  oxford,
  'ballet flat': balletFlat,
  court,
  trainer,
  'stitch-down': stitchDown,
  'ankle boot': ankleBoot,
}
