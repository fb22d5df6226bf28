import { workerData } from 'node:worker_threads'
import { register } from 'tsx/esm/api'

// A thread knows nothing of the loader that the command was started with.
register()
await import(workerData.module)
