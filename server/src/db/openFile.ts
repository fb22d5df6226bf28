import { createClient, type Client } from '@libsql/client'
import { addressOf } from './dataFolder.ts'

/**
 * A database file, opened. SQLite itself never waits for others: that would stop the whole process for as long. Who
 * may wait does so by PatientClient.
 */
export const openFile = (file: string): Client => createClient({ url: addressOf(file), timeout: 0 })
