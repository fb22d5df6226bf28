import { GeometryError, PlanError, RuleError, useOurWords, placeInWords } from '@gentle-awl/core'
import type { ErrorRequestHandler, RequestHandler } from 'express'
import { ZodError, type z } from 'zod'
import { StartProblem } from '../db/dataFolder.ts'
import { isBusy } from '../db/busy.ts'
import { heldElsewhere, StoreError, type StoreReason } from '../db/errors.ts'
import { Left } from '../jobs/left.ts'

// Here every complaint of the schemas becomes an answer, in the server and in its threads.
useOurWords()

/** One thing wrong in what was sent: the path of the field, and a sentence. */
export interface FieldError {
  field: string
  message: string
}

/** An answer of application/problem+json (RFC 9457). `detail` is a sentence for a person. */
export class Problem extends Error {
  override readonly name = 'Problem'
  constructor(
    readonly status: number,
    readonly title: string,
    readonly detail: string,
    readonly fields: FieldError[] = [],
    readonly extra: Record<string, unknown> = {},
    /** Seconds after which to try again; null where trying again changes nothing. */
    readonly retryAfter: number | null = null,
  ) {
    super(detail)
  }
}

export const notJson = () =>
  new Problem(
    400,
    'Not JSON',
    'This is not a whole JSON file: it breaks off or has a stray character. Nothing was changed.',
  )

/** What each no of the store is to one who asked over HTTP. */
const statusOf: Record<StoreReason, number> = {
  'not there': 404,
  'changed meanwhile': 409,
  'cannot be': 422,
  'in the way': 409,
  'not now': 503,
}

function ofStore({ reason, title, message, more }: StoreError): Problem {
  return new Problem(
    statusOf[reason],
    title,
    message,
    more.field === undefined ? [] : [{ field: more.field, message }],
    'current' in more ? { current: more.current } : {},
    more.retryAfter ?? null,
  )
}

/** Zod's complaint as sentences with the path of the field. */
export function fieldErrors(error: z.ZodError): FieldError[] {
  return error.issues.map((issue) => ({
    field: issue.path.join('.') || 'the whole',
    message: issue.message,
  }))
}

export function badInput(error: z.ZodError, what: string): Problem {
  const fields = fieldErrors(error)
  const first = fields[0]!
  return new Problem(
    422,
    'Not as it should be',
    `${what} cannot be used. At ${placeInWords(error.issues[0]!.path)}: ${first.message}${fields.length > 1 ? ` And ${fields.length - 1} more.` : ''} Nothing was changed.`,
    fields,
  )
}

/** Reads a value by its schema or throws the problem that says what is wrong with it. */
export function read<T extends z.ZodType>(schema: T, value: unknown, what: string): z.infer<T> {
  const result = schema.safeParse(value)
  if (!result.success) throw badInput(result.error, what)
  return result.data
}

/** The database layer wraps the driver's error; the reason may lie several causes deep. */
function isDiskFull(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  return /SQLITE_FULL|disk is full|ENOSPC/.test(error.message) || isDiskFull(error.cause)
}

/** What Express and its body parser say of a request that cannot be read: by its status, in our words. */
function ofRequest(error: unknown): Problem | null {
  if (typeof error !== 'object' || error === null || !('status' in error)) return null
  if (typeof error.status !== 'number' || error.status < 400 || error.status > 499) return null
  const type = 'type' in error ? error.type : ''
  if (type === 'entity.parse.failed') return notJson()
  if (error.status === 413) {
    return new Problem(413, 'Too large', 'This file is larger than a pair can be. Nothing was changed.')
  }
  if (error.status === 415) {
    return new Problem(
      415,
      'Not readable',
      'This was sent in a character set or packing that is not known here. Send plain UTF-8. Nothing was changed.',
    )
  }
  return new Problem(
    400,
    'Not understood',
    'This request cannot be read: its address or its content is broken. Nothing was changed.',
  )
}

function asProblem(error: unknown): Problem | null {
  if (error instanceof Problem) return error
  if (error instanceof StoreError) return ofStore(error)
  if (error instanceof ZodError) return badInput(error, 'This')
  if (error instanceof PlanError || error instanceof RuleError) {
    return new Problem(422, 'Cannot be planned', error.message, [{ field: error.field, message: error.message }])
  }
  if (error instanceof GeometryError) return new Problem(422, 'Cannot be drawn', error.message)
  if (isBusy(error)) return ofStore(heldElsewhere())
  if (error instanceof StartProblem) return new Problem(422, 'Cannot be put back', error.message)
  const request = ofRequest(error)
  if (request) return request
  if (isDiskFull(error)) {
    return new Problem(507, 'Disk full', 'The disk is full, so nothing was saved. Make room, then save again.')
  }
  return null
}

export const noSuchPath: RequestHandler = (_req, _res, next) => {
  next(new Problem(404, 'Not here', 'There is nothing at this address.'))
}

export const answerProblem: ErrorRequestHandler = (error: unknown, req, res, next) => {
  if (res.headersSent) {
    next(error)
    return
  }
  if (error instanceof Left) {
    res.end()
    return
  }
  const known = asProblem(error)
  if (!known) req.log.error({ err: error }, 'unexpected')
  const problem =
    known ??
    new Problem(500, 'Our mistake', 'Something went wrong here that should not. Nothing was saved; the log says more.')
  if (problem.retryAfter !== null) res.set('Retry-After', String(problem.retryAfter))
  res
    .status(problem.status)
    .type('application/problem+json')
    .send(
      JSON.stringify({
        type: 'about:blank',
        title: problem.title,
        status: problem.status,
        detail: problem.detail,
        ...(problem.fields.length > 0 ? { fields: problem.fields } : {}),
        ...problem.extra,
      }),
    )
}
