import { onScopeDispose, shallowRef } from 'vue'
import { ApiError } from '../../../../api/ask.ts'
import { api, type TableReport } from '../../../../api/client.ts'
import { useAttempt } from '../../../../app/useAttempt.ts'

/** How often the table is asked how far it is, ms. */
const OFTEN = 300

/** Work on the cutting table: sent, followed while it cuts, stopped. */
export function useTable() {
  const report = shallowRef<TableReport | null>(null)
  const { problem, busy, attempt } = useAttempt()
  let timer: ReturnType<typeof setTimeout> | undefined
  function follow(): void {
    clearTimeout(timer)
    if (report.value?.state !== 'cutting') return
    timer = setTimeout(() => {
      const ask = async () => {
        const next = await api.table.work()
        // Somebody else may have sent it something after this was lost.
        if (next.id !== report.value?.id)
          throw new ApiError(409, 'The cutting table is at other work now; its own page shows it.')
        report.value = next
        follow()
      }
      void attempt(ask, ({ message }) => {
        problem.value = message
        // What it cut until then is known; more of it will not be heard of, and it can be sent again.
        if (report.value) report.value = { ...report.value, state: 'stopped' }
      })
    }, OFTEN)
  }
  async function send(name: string, hpgl: string): Promise<void> {
    report.value = null
    await attempt(async () => {
      report.value = await api.table.send(name, hpgl)
      follow()
    })
  }
  async function stop(): Promise<void> {
    await attempt(async () => {
      await api.table.stop()
      report.value = await api.table.work()
    })
  }
  onScopeDispose(() => clearTimeout(timer))
  return { report, problem, busy, send, stop }
}
