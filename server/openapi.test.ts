import { Validator } from '@seriousme/openapi-schema-validator'
import { describe, expect, it } from 'vitest'
import { endpoints } from '../contract/endpoints'
import { openApi } from './openapi'

describe('the description of the API', () => {
  // The published JSON Schema of OpenAPI 3.1, as an independent validator ships it.
  it('is a valid OpenAPI 3.1 document', async () => {
    const validator = new Validator()
    const result = await validator.validate(structuredClone(openApi()))
    expect(result.errors).toBeUndefined()
    expect(result.valid).toBe(true)
    expect(validator.version).toBe('3.1')
  })

  it('names every endpoint of the contract', () => {
    const operations = Object.values(
      openApi()['paths'] as Record<string, Record<string, { operationId: string }>>,
    ).flatMap((path) => Object.values(path))
    expect(operations.map((operation) => operation.operationId).sort()).toEqual(Object.keys(endpoints).sort())
  })
})
