import { onScopeDispose } from 'vue'

/** What was written somewhere: the path of the request that did it. An empty one: some news may have been missed. */
export interface NewsItem {
  path: string
}
type Hear = (item: NewsItem) => void

const LOCK = 'gentle-awl-news'
const heard = new Set<Hear>()
let begun = false
const tell = (item: NewsItem): void => {
  for (const hear of [...heard]) hear(item)
}

/**
 * One connection for all tabs of a browser, which has few to give: the tab that holds the lock listens to the server and
 * tells the others; when it is closed the next one takes over.
 */
async function begin(): Promise<void> {
  if (begun || typeof EventSource === 'undefined' || typeof BroadcastChannel === 'undefined') return
  begun = true
  const channel = new BroadcastChannel(LOCK)
  channel.addEventListener('message', (event: MessageEvent<NewsItem>) => tell(event.data))
  const pass = (item: NewsItem) => {
    tell(item)
    channel.postMessage(item)
  }
  const { held } = await navigator.locks.query()
  // After a gap it is not known what was missed: between two connections of this tab, or another's and this one's.
  let gap = held?.some(({ name }) => name === LOCK) ?? false
  await navigator.locks.request(LOCK, () => {
    const source = new EventSource('/api/v1/news')
    source.addEventListener('open', () => {
      if (gap) pass({ path: '' })
      gap = true
    })
    source.addEventListener('message', (event: MessageEvent<string>) => pass(JSON.parse(event.data) as NewsItem))
    // Held for as long as the page lives.
    return new Promise<never>(() => undefined)
  })
}

/** Within so much of one another news are one: a page asks once, ms. */
const GATHER = 150

/**
 * Calls back soon after something was written at a path that starts with one of `paths`, here or anywhere else, for as long
 * as the component lives.
 */
export function useNews(paths: () => readonly string[], changed: () => void): void {
  void begin()
  let timer: ReturnType<typeof setTimeout> | undefined
  const hear: Hear = ({ path }) => {
    if (path !== '' && !paths().some((p) => path.startsWith(p))) return
    clearTimeout(timer)
    timer = setTimeout(changed, GATHER)
  }
  heard.add(hear)
  onScopeDispose(() => {
    clearTimeout(timer)
    heard.delete(hear)
  })
}
