import opencv from '@techstark/opencv-js'
import type { Vision } from '../src/photo/vision.ts'

let ready: Promise<{ cv: Vision }> | null = null

/** The vision library, loaded once for all tests of a thread. In a box: it has a `then` of its own that a promise would wait for. */
export function vision(): Promise<{ cv: Vision }> {
  ready ??= new Promise((resolve) => {
    const cv = opencv as unknown as Vision & { onRuntimeInitialized?: () => void }
    if ('Mat' in cv) resolve({ cv })
    else (cv as { onRuntimeInitialized?: () => void }).onRuntimeInitialized = () => resolve({ cv })
  })
  return ready
}
