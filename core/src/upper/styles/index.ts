import type { StyleName } from '../../model/upper.ts'
import type { Style } from '../style.ts'
import { ankleBoot } from './ankleBoot.ts'
import { derby } from './derby.ts'
import { balletFlat, court } from './lowCut.ts'
import { lacedBoot } from './lacedBoot.ts'
import { mule } from './mule.ts'
import { oxford } from './oxford.ts'
import { pullOnBoot } from './pullOnBoot.ts'
import { sandal } from './sandal.ts'
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
  'pull-on boot': pullOnBoot,
  'laced boot': lacedBoot,
  mule,
  sandal,
}
