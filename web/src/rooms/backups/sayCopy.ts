import { format, parseISO } from 'date-fns'

/** Why a copy was made, by the end of its name. */
const reasons: Record<string, string> = {
  '': 'At a start, daily or by hand',
  'before-migration': 'Before a newer version changed the database',
  rescued: 'Rescued when the database file was gone',
}

export const sayReason = (label: string): string => reasons[label] ?? label

/** A time as one says it, to the second, by which copies differ: Fri 27 Nov 2026, 08:15:02. */
export const sayTime = (iso: string): string => format(parseISO(iso), 'EEE d MMM yyyy, HH:mm:ss')

/** The size of a file: 640 kB, 2.4 MB. */
export const saySize = (bytes: number): string =>
  bytes < 1_000_000 ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
