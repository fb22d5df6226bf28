import { expose, proxy } from 'comlink'
import { middleOf, poseOf } from '../../viewer/looks.ts'
import type { Body } from '../../viewer/body.ts'
import { LastPainter } from './lastPainter.ts'

/** A picture of a last for a card, pixels. */
const CARD = { width: 640, height: 340 }
let cards: LastPainter | undefined

/** One canvas serves all cards: browsers allow only a few. */
function cardPainter(): LastPainter {
  if (!cards) {
    cards = new LastPainter(new OffscreenCanvas(CARD.width, CARD.height), 1)
    cards.resize(CARD.width, CARD.height)
  }
  return cards
}

const worker = {
  /** Draws on a canvas of the page from now on. Throws when this browser cannot draw in 3D. */
  open: (canvas: OffscreenCanvas, ratio: number) => proxy(new LastPainter(canvas, ratio)),
  /** A picture of a last for its card. Throws when this browser cannot draw in 3D. */
  card(body: Body): Promise<Blob> {
    const pose = poseOf('corner', { points: body.positions, foot: 'right', aspect: CARD.width / CARD.height })
    return cardPainter().picture(body, middleOf(body.positions).size, pose)
  },
}
export type ViewerWorker = typeof worker
expose(worker)
