import { usualPhoto, type Path, type PhotoOutline } from '@gentle-awl/core'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { ReadPicture } from '../../workers/photo/photoWorker.ts'
import { PictureReader } from '../../workers/photo/pictureReader.ts'
import { usePicture } from './usePicture.ts'

const square = (size: number): Path => [
  [0, 0],
  [size, 0],
  [size, size],
  [0, size],
]
const outline = (size: number): PhotoOutline => ({
  path: square(size),
  holes: [],
  corners: [],
  pencil: 0.5,
  gaps: [],
  seen: 1,
  smoothed: { usual: 0, most: 0 },
  error: 0.1,
})
const found = (...sizes: number[]): ReadPicture => ({
  outlines: sizes.map(outline),
  photo: null,
  notes: [],
  picture: { file: new Blob(['x']), width: 1, height: 1, box: { minX: 0, minY: 0, maxX: 1, maxY: 1 } },
})
const file = new File(['x'], 'sole.jpg')
let scope: EffectScope
const picture = () => scope.run(() => usePicture(() => ({ what: 'edge' })))!

beforeEach(() => {
  scope = effectScope()
  vi.stubGlobal('URL', Object.assign(URL, { createObjectURL: () => 'blob:1', revokeObjectURL: () => undefined }))
})
afterEach(() => {
  scope.stop()
  vi.restoreAllMocks()
  vi.unstubAllGlobals()
})

describe('a picture that is read', () => {
  it('shows what was found, the largest meant, or all where many are wanted, read as the place asks', async () => {
    const read = vi.spyOn(PictureReader.prototype, 'read').mockResolvedValue({ value: found(90, 40), problem: null })
    const p = picture()
    await p.read(file)
    expect(read.mock.calls[0]![1]).toEqual({ ...usualPhoto, what: 'edge' })
    expect(p.meant.value).toEqual([0])
    await p.read(file, true)
    expect(p.meant.value).toEqual([0, 1])
    expect(p.busy.value).toBeNull()
  })
  it('is corrected in strokes, each taken back as one', async () => {
    vi.spyOn(PictureReader.prototype, 'read').mockResolvedValue({ value: found(90), problem: null })
    const p = picture()
    await p.read(file)
    p.correct(0, square(91), true)
    p.correct(0, square(92), false)
    p.correct(0, square(95), true)
    expect(p.outlines.value[0]).toMatchObject({ path: square(95), corrected: true })
    p.back()
    expect(p.outlines.value[0]!.path).toEqual(square(92))
    p.back()
    expect(p.outlines.value[0]).toMatchObject({ path: square(90), corrected: false })
    p.back()
    expect(p.before.value).toEqual([])
  })
  it('that cannot be used says why, and one that was stopped leaves all as it was', async () => {
    const read = vi.spyOn(PictureReader.prototype, 'read').mockResolvedValue({ value: found(90), problem: null })
    const p = picture()
    await p.read(file)
    read.mockResolvedValueOnce(null)
    await p.read(file)
    expect(p.outlines.value).toHaveLength(1)
    read.mockResolvedValueOnce({ value: null, problem: 'It is blurred.' })
    await p.read(file)
    expect(p.problem.value).toBe('It is blurred.')
    expect(p.shown.value).toBeNull()
  })
  it('whose reading breaks is awaited no longer', async () => {
    vi.spyOn(PictureReader.prototype, 'read').mockRejectedValue(new Error('out of memory'))
    const p = picture()
    await expect(p.read(file)).rejects.toThrow('out of memory')
    expect(p.busy.value).toBeNull()
  })
  it('begun while another is read is awaited until it is done itself', async () => {
    const answers: ((answer: null) => void)[] = []
    vi.spyOn(PictureReader.prototype, 'read').mockImplementation(() => new Promise((done) => answers.push(done)))
    const p = picture()
    const both = [p.read(file), p.read(new File(['y'], 'other.jpg'))]
    answers[0]!(null)
    await both[0]
    expect(p.busy.value).not.toBeNull()
    answers[1]!(null)
    await both[1]
    expect(p.busy.value).toBeNull()
  })
})
