import { Worker } from 'node:worker_threads'

const THREAD = new URL('./thread.mjs', import.meta.url)

/**
 * Starts a worker thread on a module of this server, TypeScript and all.
 *
 * @param module address of the module, as `import.meta.url` makes it
 * @param task what the module finds in `workerData`
 */
export const startThread = (module: URL, task: object): Worker =>
  new Worker(THREAD, { workerData: { ...task, module: module.href }, execArgv: [] })

/** Waits for a thread to end. @throws Error when it ended with anything but success */
export const threadEnd = (thread: Worker): Promise<void> =>
  new Promise((settle, fail) => {
    thread.once('error', fail)
    thread.once('exit', (code) => {
      if (code === 0) settle()
      else fail(new Error(`the worker thread ended with ${code}`))
    })
  })
