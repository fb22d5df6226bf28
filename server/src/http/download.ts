import type { Response } from 'express'
import { asBuffer } from './bytes.ts'

/** A name as part of a file's: nothing in it that a file system or header would trip over. */
export const asFileName = (name: string): string =>
  name.replaceAll(/[^A-Za-z0-9-]+/g, '-').replaceAll(/^-+|-+$/g, '') || 'unnamed'

/** Answers with a file to keep. */
export function download(res: Response, type: string, name: string, body: Uint8Array | string): void {
  res
    .type(type)
    .set('Content-Disposition', `attachment; filename="${name}"`)
    .send(typeof body === 'string' ? body : asBuffer(body))
}
