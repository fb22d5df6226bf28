import { noShift, type FeatherShift, type ScanLandmark, type ScanUnit, type Vec3 } from '@gentle-awl/core'
import { proxy } from 'comlink'
import { onBeforeUnmount, reactive, ref, shallowRef } from 'vue'
import { Channel } from '../../../../workers/channel.ts'
import type { OpenedScan, ScanWorker, ShownScan } from '../../../../workers/scan/scanWorker.ts'
import { tell } from '../../../../app/settings.ts'

/** Larger files are thinned out in the scanner's program first. */
const MOST_BYTES = 400_000_000

/** Reading the largest file takes nowhere near as long, ms. */
const LONGEST = 90_000

/** A scan on its way to becoming a last: opened, stood up and laid on the grid in a worker that can be stopped. */
export function useScan() {
  const channel = new Channel<ScanWorker>(
    () => new Worker(new URL('../../../../workers/scan/scanWorker.ts', import.meta.url), { type: 'module' }),
  )
  const name = ref('')
  const opened = shallowRef<OpenedScan | null>(null)
  const shown = shallowRef<ShownScan | null>(null)
  const unit = ref<ScanUnit>('mm')
  const heelHeight = ref<number | null>(null)
  const feather = shallowRef<FeatherShift>(noShift())
  const problem = ref('')
  const progress = reactive({ running: false, share: 0, doing: '' })
  /** Work that was asked for while other work ran: only the newest waits. */
  let waiting: Partial<Record<ScanLandmark, Vec3>> | null = null

  /** Stops whatever runs: the worker is ended, and with it the scan it held. */
  function stop(): void {
    channel.end()
    waiting = null
    progress.running = false
    opened.value = null
    shown.value = null
  }
  onBeforeUnmount(stop)

  async function open(data: ArrayBuffer, fileName: string): Promise<void> {
    stop()
    problem.value = ''
    name.value = fileName
    heelHeight.value = null
    feather.value = noShift()
    if (data.byteLength > MOST_BYTES) {
      problem.value = `${fileName} is larger than ${MOST_BYTES / 1_000_000} MB. Thin it out in the scanner's program first.`
      return
    }
    Object.assign(progress, { running: true, share: 0, doing: `Reading ${fileName}` })
    const worker = channel.ask
    const late = setTimeout(() => {
      if (!channel.is(worker)) return
      stop()
      problem.value = `${fileName} could not be read within ${LONGEST / 1000} seconds: it is damaged, or far finer than a last needs. Thin it out in the scanner's program.`
    }, LONGEST)
    const answer = await worker.open(data, fileName)
    clearTimeout(late)
    // Stopped meanwhile: another worker may be at it already.
    if (!channel.is(worker)) return
    progress.running = false
    if (answer.problem !== null) {
      problem.value = tell(answer.problem)
      return
    }
    opened.value = answer.value
    if (answer.value.unit) {
      unit.value = answer.value.unit
      await bring()
    }
  }

  async function bring(dragged: Partial<Record<ScanLandmark, Vec3>> = {}): Promise<void> {
    if (!opened.value) return
    if (progress.running) {
      waiting = { ...waiting, ...dragged }
      return
    }
    Object.assign(progress, { running: true, share: 0, doing: 'Starting' })
    const worker = channel.ask
    const answer = await worker.bring(
      unit.value,
      { dragged, heelHeight: heelHeight.value, feather: feather.value },
      proxy((share: number, doing: string) => {
        progress.share = share
        progress.doing = doing
      }),
    )
    if (!channel.is(worker)) return
    progress.running = false
    problem.value = tell(answer.problem ?? '')
    if (answer.value) shown.value = answer.value
    if (waiting) {
      const next = waiting
      waiting = null
      await bring(next)
    }
  }

  async function findAnew(): Promise<void> {
    await channel.ask.forget()
    heelHeight.value = null
    feather.value = noShift()
    await bring()
  }

  return { name, opened, shown, unit, heelHeight, feather, problem, progress, open, bring, stop, findAnew }
}
