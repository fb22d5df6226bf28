import { transfer, type Remote } from 'comlink'
import type { Body } from '../../viewer/body.ts'
import { Channel } from '../channel.ts'
import type { LastPainter } from './lastPainter.ts'
import type { ViewerWorker } from './viewerWorker.ts'

const channel = new Channel<ViewerWorker>(
  () => new Worker(new URL('./viewerWorker.ts', import.meta.url), { type: 'module' }),
)
export type Painter = Remote<LastPainter>

/** Begins the thread before it is asked for anything. */
export const wakeViewer = (): void => void channel.ask

/** More pixels than this for one of the page are not seen. */
const MOST_PIXELS = 2

/**
 * The worker that draws in 3D takes a canvas over: drawing never keeps the page from following a hand. A canvas can be
 * given once. Throws when this browser cannot draw in 3D, there or at all.
 */
export function painterOn(canvas: HTMLCanvasElement): Promise<Painter> {
  const off = canvas.transferControlToOffscreen()
  return channel.ask.open(transfer(off, [off]), Math.min(window.devicePixelRatio, MOST_PIXELS))
}

/** A picture of a last for its card. Throws when this browser cannot draw in 3D. */
export const cardOf = (body: Body): Promise<Blob> => channel.ask.card(body)
