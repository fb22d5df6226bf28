import type { PairFile, Plan, PairPart } from '@gentle-awl/core'
import { z } from 'zod'
import { read } from '../http/problem.ts'
import { papers, type Paper } from './sheets.ts'

export type ExportGroup = 'print' | 'drawing'

/** A file that can be had of a pair: what it is called, what may be chosen about it, and how it is made. */
interface Spec<O extends z.ZodObject> {
  /** The end of its address, `parts.pdf`. */
  id: string
  /** What it is, for the one who chooses it. */
  title: string
  group: ExportGroup
  type: string
  options: O
  /** What the file is called behind the order number and without its ending; the revision is `r7`. */
  named: (revision: string, options: z.infer<O>) => string
  /** The parts that it shows, each with the feet it shows them of. Throws Problem or GeometryError when it cannot be made. */
  shows: (file: PairFile, plan: Plan, options: z.infer<O>) => PairPart[]
  /** The file of these parts. */
  make: (
    file: PairFile,
    plan: Plan,
    parts: readonly PairPart[],
    options: z.infer<O>,
  ) => string | Uint8Array | Promise<string | Uint8Array>
}

export interface PairExport extends Pick<Spec<z.ZodObject>, 'id' | 'title' | 'group' | 'type'> {
  /** Names of what may be chosen. */
  takes: string[]
  /** Throws Problem 422 when these are no options for it; gives the name of the file without its ending. */
  named: (revision: string, query: unknown) => string
  /** `query` as it was sent, with defaults where nothing was. */
  make: (file: PairFile, plan: Plan, query: unknown) => Promise<{ bytes: Uint8Array; parts: PairPart[] }>
}

/** The paper that is printed on. */
export const PaperOption = z.enum(Object.keys(papers) as [Paper, ...Paper[]]).default('a4')

const utf8 = new TextEncoder()

export function pairExport<O extends z.ZodObject>(spec: Spec<O>): PairExport {
  const { id, title, group, type } = spec
  const chosen = (query: unknown) => read(spec.options, query, 'This choice')
  return {
    id,
    title,
    group,
    type,
    takes: Object.keys(spec.options.shape),
    named: (revision, query) => spec.named(revision, chosen(query)),
    make: async (file, plan, query) => {
      const options = chosen(query)
      const parts = spec.shows(file, plan, options)
      const body = await spec.make(file, plan, parts, options)
      return { bytes: typeof body === 'string' ? utf8.encode(body) : body, parts }
    },
  }
}
