import { pathLength, writeHpgl, type PlotLine, type Point } from '@gentle-awl/core'
import { describe, expect, it } from 'vitest'
import { CuttingTable } from './cuttingTable.ts'

const square = (x: number, side: number): PlotLine => ({
  path: [
    [x, 0],
    [x + side, 0],
    [x + side, side],
    [x, side],
  ] as Point[],
  closed: true,
  tool: 1,
})
const work = [square(0, 100), square(150, 300), square(500, 60)]
const hpgl = writeHpgl(work)
function table() {
  let now = 5000
  const made = new CuttingTable(() => now)
  return { made, wait: (seconds: number) => (now += 1000 * seconds) }
}

describe('the practice cutting table', () => {
  it('cuts line by line as time goes by, and tells lengths as a wheel measures them', () => {
    const { made, wait } = table()
    expect(made.report()).toBeNull()
    expect(made.send('Calf', hpgl)).toMatchObject({ state: 'cutting', progress: 0, cut: [], name: 'Calf' })
    let last = 0
    for (let k = 0; k < 40 && made.report()!.state === 'cutting'; k++) {
      wait(0.1)
      const { progress, cut } = made.report()!
      expect(progress).toBeGreaterThan(last)
      expect(cut.length).toBeLessThanOrEqual(3)
      last = progress
    }
    const { state, cut } = made.report()!
    expect(state).toBe('done')
    cut.forEach((length, k) => {
      const planned = pathLength(work[k]!.path, true)
      expect(Math.abs(length / planned - 1)).toBeLessThan(0.0005)
      expect(length).not.toBe(planned)
    })
  })
  it('takes nothing while it is at work, or switched off, and forgets its work with the plug', () => {
    const { made } = table()
    made.send('One', hpgl)
    expect(() => made.send('Two', hpgl)).toThrow(
      'The cutting table is at work: wait until it is done, or stop it there.',
    )
    made.plug(false)
    expect(() => made.send('Two', hpgl)).toThrow('does not answer: is it switched on?')
    made.plug(true)
    expect(made.report()).toBeNull()
    expect(made.send('Two', hpgl).name).toBe('Two')
  })
  it('refuses half a message wherever it breaks off, and what is no message, and cuts nothing of it', () => {
    const { made } = table()
    for (let k = 0; k < hpgl.length - 1; k++) expect(() => made.send('', hpgl.slice(0, k))).toThrow()
    expect(made.report()).toBeNull()
    expect(() => made.send('', 'IN;SP1;PU0,0;PD12,x;SP0;')).toThrow('Command 4, "PD12,x", is damaged')
    expect(() => made.send('', 'IN;SP1;PU;SP0;')).toThrow('There is nothing to cut in this message.')
    expect(made.send('', hpgl).state).toBe('cutting')
  })
  it('is stopped, and tells what was cut until then', () => {
    const { made, wait } = table()
    made.send('', hpgl)
    wait(0.5)
    made.stop()
    wait(60)
    expect(made.report()).toMatchObject({ state: 'stopped', cut: [expect.any(Number)] })
    made.stop()
    expect(made.report()!.cut).toHaveLength(1)
    // What was stopped is done with: other work goes on.
    expect(made.send('', hpgl).state).toBe('cutting')
  })
  it('fails as it is told to: half way, or with a blade that slips', () => {
    const { made, wait } = table()
    made.fault = 'stops half way'
    made.send('', hpgl)
    wait(60)
    expect(made.report()).toMatchObject({ state: 'stopped' })
    expect(made.report()!.progress).toBeCloseTo(0.5, 6)
    made.fault = 'cuts short'
    made.send('', hpgl)
    wait(60)
    const shares = made.report()!.cut.map((c, k) => c / pathLength(work[k]!.path, true))
    expect(shares.map((s) => s > 0.99)).toEqual([true, false, true])
  })
})
