/** What the server said no with: a sentence, the fields it is about, and the current document when a write was stale. */
export class ApiError extends Error {
  override readonly name = 'ApiError'
  constructor(
    readonly status: number,
    message: string,
    readonly fields: { field: string; message: string }[] = [],
    readonly current: unknown = null,
  ) {
    super(message)
  }
}

export type Stored<T> = T & { version: number; updatedAt: string }

interface ProblemBody {
  detail?: string
  fields?: { field: string; message: string }[]
  current?: unknown
}

const NO_ANSWER =
  'The workshop server does not answer. What you changed is kept in this browser; start the server and try again.'

interface Send {
  method?: 'GET' | 'POST' | 'PUT' | 'DELETE'
  body?: unknown
  /** Text that is sent as it is, as devices take and send it. */
  plain?: string
  /** A picture. */
  picture?: Blob
  version?: number
  keepalive?: boolean
}

async function answer(
  path: string,
  { method = 'GET', body, plain, picture, version, keepalive }: Send,
): Promise<Response> {
  try {
    return await fetch(`/api/v1${path}`, {
      method,
      keepalive,
      headers: {
        ...(plain !== undefined ? { 'Content-Type': 'text/plain' } : {}),
        ...(picture ? { 'Content-Type': picture.type } : {}),
        ...(body === undefined ? {} : { 'Content-Type': 'application/json' }),
        ...(version === undefined ? {} : { 'If-Match': `"${version}"` }),
      },
      body: picture ?? plain ?? (body === undefined || typeof body === 'string' ? body : JSON.stringify(body)),
    })
  } catch {
    // fetch rejects only when nothing answered at all.
    throw new ApiError(0, NO_ANSWER)
  }
}

export async function send<T>(path: string, asked: Send = {}): Promise<T> {
  const response = await answer(path, asked)
  if (response.status === 204) return undefined as T
  return read<T>(response)
}

/** The document in an answer. Throws ApiError with the sentence of one that says no. */
async function read<T>(response: Response): Promise<T> {
  const text = await response.text()
  let data: unknown
  try {
    data = JSON.parse(text)
  } catch {
    throw new ApiError(response.status, response.ok ? 'The server sent something that is not JSON.' : NO_ANSWER)
  }
  if (!response.ok) {
    const problem = data as ProblemBody
    throw new ApiError(response.status, problem.detail ?? 'The server said no.', problem.fields, problem.current)
  }
  return data as T
}

/** A file to keep: its name, and how many parts on it were put on record as printed. */
export interface KeptFile {
  name: string
  blob: Blob
  printed: number
}

export async function sendForFile(path: string, asked: Send = {}): Promise<KeptFile> {
  const response = await answer(path, asked)
  if (!response.ok) return read<never>(response)
  const named = /filename="([^"]+)"/.exec(response.headers.get('content-disposition') ?? '')?.[1]
  if (named === undefined) throw new ApiError(response.status, 'The server sent no file.')
  return { name: named, blob: await response.blob(), printed: Number(response.headers.get('printed-parts') ?? 0) }
}

export const shelf = <T extends { id: string }, F = Omit<T, 'id'>>(path: string) => ({
  list: () => send<Stored<T>[]>(path),
  one: (id: string) => send<Stored<T>>(`${path}/${id}`),
  add: (body: F) => send<Stored<T>>(path, { method: 'POST', body }),
  change: (id: string, version: number, body: F) => send<Stored<T>>(`${path}/${id}`, { method: 'PUT', body, version }),
  remove: (id: string, version: number) => send<void>(`${path}/${id}`, { method: 'DELETE', version }),
})
