import type { CheckReading, GivenUp, NewReading, Setback } from '@gentle-awl/core'
import { send } from './ask.ts'

export interface Photograph {
  id: string
  check: string
  foot: 'right' | 'left' | null
  type: string
  at: string
}

/** What is on record of a pair besides its log and its cuts. */
export interface PairRecord {
  readings: CheckReading[]
  setbacks: (Setback & { id: string })[]
  photographs: Photograph[]
  givenUp: GivenUp | null
}

/** A reading as it is sent: what is not told is left to its default. */
export type SentReading = Pick<NewReading, 'check' | 'foot'> & Partial<NewReading>
export type NewSetback = Omit<Setback, 'name' | 'revision' | 'at'>

const of = (id: string, what: string) => `/pairs/${id}/${what}`

/** A pair's checks: what was measured, where it was sent back, its photographs, and whether it was given up. */
export const recordApi = {
  read: (id: string) => send<PairRecord>(of(id, 'record')),
  addReading: (id: string, body: SentReading) => send<PairRecord>(of(id, 'readings'), { method: 'POST', body }),
  sendBack: (id: string, body: NewSetback) => send<PairRecord>(of(id, 'setbacks'), { method: 'POST', body }),
  takeBack: (id: string, setback: string) => send<PairRecord>(of(id, `setbacks/${setback}`), { method: 'DELETE' }),
  addPhotograph: (id: string, picture: Blob, about: { check: string; foot: 'right' | 'left' | null }) => {
    const query = new URLSearchParams({ check: about.check, ...(about.foot ? { foot: about.foot } : {}) })
    return send<PairRecord>(of(id, `photographs?${query.toString()}`), { method: 'POST', picture })
  },
  removePhotograph: (id: string, photo: string) =>
    send<PairRecord>(of(id, `photographs/${photo}`), { method: 'DELETE' }),
  photographPath: (id: string, photo: string) => `/api/v1${of(id, `photographs/${photo}`)}`,
  giveUp: (id: string, body: Omit<GivenUp, 'at'>) => send<PairRecord>(of(id, 'given-up'), { method: 'PUT', body }),
  takeUp: (id: string) => send<PairRecord>(of(id, 'given-up'), { method: 'DELETE' }),
}
