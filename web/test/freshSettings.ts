import { beforeEach } from 'vitest'
import { lengthUnit, pixelsPerMm, theme } from '../src/app/settings.ts'

/** Files of tests share their modules: none finds the unit or the light that another has left behind. */
beforeEach(() => {
  lengthUnit.value = 'mm'
  theme.value = 'light'
  pixelsPerMm.value = null
})
