import type { LayoutSearch } from '@gentle-awl/core'
import { formatDuration, intervalToDuration } from 'date-fns'

const inWords = (seconds: number): string => formatDuration(intervalToDuration({ start: 0, end: 1000 * seconds }))

/** What is said of a search on the server; how it ended only while the layout, here in `version`, is as it left it. */
export function searchWords(search: LayoutSearch | null, version: number): string {
  switch (search?.state) {
    case 'waits':
      return 'Waits on the server until another layout is done.'
    case 'runs':
      return 'The server is looking. This page may be closed: what is found is kept. Whatever you change here ends it.'
    case 'done':
      return search.version === version
        ? `The server looked for ${inWords(search.seconds)}, and this is what it found.`
        : ''
    case 'ended':
      return search.version === version ? search.why : ''
    case 'stopped':
    case undefined:
      return ''
  }
}
