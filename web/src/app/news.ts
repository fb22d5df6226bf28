import { onScopeDispose } from 'vue'

/** What was written somewhere: the path of the request that did it. An empty one: some news may have been missed. */
export interface NewsItem {
  path: string
}
type Hear = (item: NewsItem) => void

const heard = new Set<Hear>()
let begun = false
const tell = (item: NewsItem): void => {
  for (const hear of [...heard]) hear(item)
}

/**
 * One connection for all tabs of a browser, which has few to give: the tab that holds the lock listens to the server and
 * tells the others; when it is closed the next one takes over.
 */
function begin(): void {
  if (begun || typeof EventSource === 'undefined' || typeof BroadcastChannel === 'undefined') return
  begun = true
  const channel = new BroadcastChannel('gentle-awl-news')
  channel.addEventListener('message', (event: MessageEvent<NewsItem>) => tell(event.data))
  const pass = (item: NewsItem) => {
    tell(item)
    channel.postMessage(item)
  }
  void navigator.locks.request('gentle-awl-news', () => {
    const source = new EventSource('/api/v1/news')
    let connected = false
    source.addEventListener('open', () => {
      // After a gap it is not known what was missed.
      if (connected) pass({ path: '' })
      connected = true
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
  begin()
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
