import type { FormeMap } from '../forme/formeMap.ts'
import type { Point } from '../geometry/path.ts'
import type { DevelopedBottom } from '../last/developedBottom.ts'
import type { Side } from '../trade/side.ts'
import type { Finding } from '../trade/because.ts'
import type { RuleBook } from '../trade/rules.ts'
import type { TurnedStack } from './turnedStack.ts'
import type { WallArea } from '../trade/wallArea.ts'
import type { WallStack, StackLayer } from './wallStack.ts'

/** A place of the wall, so that the screen can show it: on the forme of a side. */
export interface LayerFinding extends Finding {
  at: { side: Side; point: Point } | null
}

export interface FeatherPlace {
  side: Side
  x: number
  thickness: number
  layers: StackLayer[]
}

export interface LayerNeeds {
  map: FormeMap
  areas: readonly WallArea[]
  wall: WallStack
  turned: TurnedStack
  bottom: DevelopedBottom
  /** How far the widest layer is turned under, mm. */
  margin: number
  /** How far the upper is turned outwards instead, mm; null where it is turned under. */
  turnedOut: number | null
  book: RuleBook
}
