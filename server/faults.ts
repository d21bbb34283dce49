import type { FaultCode } from '../contract/endpoint'

export interface FaultIssue {
  readonly path: string
  readonly key: string
  readonly values: Readonly<Record<string, number | string>>
}

/**
 * A refusal a person can act on: the sentence is the catalogue's `fault.<key>`, the code decides the
 * HTTP status, the issues say where.
 */
export class Fault extends Error {
  constructor(
    readonly code: FaultCode,
    readonly key: string,
    readonly values: Readonly<Record<string, number | string>> = {},
    readonly issues: readonly FaultIssue[] = [],
  ) {
    super(key)
    this.name = 'Fault'
  }
}

export const notFound = (what: string): Fault => new Fault('not-found', 'not-found', { what })
