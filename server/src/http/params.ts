import type { Request } from 'express'
import { z } from 'zod'
import { Problem } from './problem.ts'

/** The id in the address. Throws 404 when it is not one: nothing can be there. */
export function params(req: Request): { id: string } {
  const result = z.object({ id: z.uuid() }).safeParse(req.params)
  if (!result.success) throw new Problem(404, 'Not here', 'There is nothing with this id.')
  return result.data
}
