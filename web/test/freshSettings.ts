import { beforeEach } from 'vitest'
import { lengthUnit, pixelsPerMm, theme } from '../src/app/settings.ts'

/** Files of tests share their modules and their page: none finds the unit, the light or the fields that another has left behind. */
beforeEach(() => {
  document.body.innerHTML = ''
  lengthUnit.value = 'mm'
  theme.value = 'light'
  pixelsPerMm.value = null
})
