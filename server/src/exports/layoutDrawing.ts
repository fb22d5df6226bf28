import { z } from 'zod'

const spot = z.tuple([z.number().min(-100_000).max(100_000), z.number().min(-100_000).max(100_000)])
const ring = z.array(spot).min(3).max(20_000)

/** A layout as it is drawn for other programs and on paper: what it lies on, and each piece where it lies, mm. */
export const LayoutDrawing = z.object({
  title: z.string().max(200),
  outline: ring,
  flaws: z.array(ring).max(200),
  pieces: z.array(z.object({ name: z.string().max(300), foot: z.enum(['right', 'left']), path: ring })).max(4000),
})
export type LayoutDrawing = z.infer<typeof LayoutDrawing>
