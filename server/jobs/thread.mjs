import { workerData } from 'node:worker_threads'
import { register } from 'tsx/esm/api'

// a worker thread does not inherit the main thread's TypeScript loader
register()
await import(workerData.module)
