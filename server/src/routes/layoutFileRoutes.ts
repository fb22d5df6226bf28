import { Router } from 'express'
import { z } from 'zod'
import { LayoutDrawing } from '../exports/layoutDrawing.ts'
import { layoutDxf } from '../exports/layoutDxf.ts'
import { layoutPdf } from '../exports/layoutPdf.ts'
import { PaperOption } from '../exports/pairExport.ts'
import { asFileName, download } from '../http/download.ts'
import { read } from '../http/problem.ts'

/** A layout as it lies on the screen, as a file: for drawing programs, and at true size on paper. */
export function layoutFileRoutes(): Router {
  const router = Router()
  router.post('/dxf', (req, res) => {
    const layout = read(LayoutDrawing, req.body, 'This layout')
    download(res, 'image/vnd.dxf', `${asFileName(layout.title)}.dxf`, layoutDxf(layout))
  })
  router.post('/pdf', async (req, res) => {
    const layout = read(LayoutDrawing, req.body, 'This layout')
    const { paper } = read(z.object({ paper: PaperOption }), req.query, 'This paper')
    download(res, 'application/pdf', `${asFileName(layout.title)}.pdf`, await layoutPdf(layout, paper))
  })
  return router
}
