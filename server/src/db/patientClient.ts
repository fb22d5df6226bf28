import {
  LibsqlError,
  type Client,
  type InArgs,
  type InStatement,
  type ResultSet,
  type Transaction,
  type TransactionMode,
} from '@libsql/client'
import { heldElsewhere } from './errors.ts'
import { isBusy } from './busy.ts'

/** How long a request waits for another program to let go of the database, ms. */
export const PATIENCE = 4000
const FIRST_WAIT = 10
const LONGEST_WAIT = 100

/**
 * Tries again while another program holds the database, until the patience of the request is at its end. Waiting is
 * done here and not by SQLite, whose own would stop the whole process for as long.
 */
export async function patiently<T>(work: () => Promise<T>, until = Date.now() + PATIENCE): Promise<T> {
  for (let wait = FIRST_WAIT; ; wait = Math.min(2 * wait, LONGEST_WAIT)) {
    try {
      return await work()
    } catch (error) {
      if (!isBusy(error)) throw error
      if (Date.now() + wait > until) throw heldElsewhere()
      await new Promise((resolve) => setTimeout(resolve, wait))
    }
  }
}

/** A client whose every call waits its turn without holding up the process. */
export class PatientClient implements Client {
  constructor(private readonly client: Client) {}

  execute(statement: InStatement | string, args?: InArgs): Promise<ResultSet> {
    return this.asked(() =>
      typeof statement === 'string' ? this.client.execute(statement, args) : this.client.execute(statement),
    )
  }
  batch(statements: InStatement[], mode?: TransactionMode): Promise<ResultSet[]> {
    return this.asked(() => this.client.batch(statements, mode))
  }
  migrate(statements: InStatement[]): Promise<ResultSet[]> {
    return this.asked(() => this.client.migrate(statements))
  }
  /**
   * Begun once and not again: who asks says until when it is worth while (see Store.write). A beginning that failed
   * stays on its connection as a statement in progress, and nothing could be committed there until the garbage is
   * collected: the connections are opened anew.
   */
  async transaction(mode?: TransactionMode): Promise<Transaction> {
    try {
      return await this.client.transaction(mode)
    } catch (error) {
      if (isBusy(error)) await this.reconnect()
      throw error
    }
  }
  /** Waits for others; and asks again when the connections were opened anew between taking one and using it. */
  private asked<T>(work: () => Promise<T>): Promise<T> {
    return patiently(async () => {
      try {
        return await work()
      } catch (error) {
        if (this.client.closed || !(error instanceof LibsqlError) || error.code !== 'CLIENT_CLOSED') throw error
        return work()
      }
    })
  }

  executeMultiple(sql: string): Promise<void> {
    return this.client.executeMultiple(sql)
  }
  sync() {
    return this.client.sync()
  }
  /** The library's types say that nothing comes back; its own method is async, and what it throws is not to be lost. */
  async reconnect(): Promise<void> {
    await Promise.resolve(this.client.reconnect())
  }
  close(): void {
    this.client.close()
  }
  get closed(): boolean {
    return this.client.closed
  }
  get protocol(): string {
    return this.client.protocol
  }
}
