import { z } from 'zod'
import type { Endpoint } from '../contract/endpoint'
import { endpoints } from '../contract/endpoints'

type JsonSchema = Record<string, unknown>

function jsonSchema(schema: z.ZodType, io: 'input' | 'output'): JsonSchema {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { target: 'draft-2020-12', io, unrepresentable: 'any' })
  return rest
}

const fault: JsonSchema = {
  type: 'object',
  required: ['error'],
  properties: {
    error: {
      type: 'object',
      required: ['code', 'sentence', 'issues'],
      properties: {
        code: { type: 'string' },
        sentence: { type: 'string' },
        issues: {
          type: 'array',
          items: { type: 'object', properties: { path: { type: 'string' }, sentence: { type: 'string' } } },
        },
      },
    },
  },
}

function parameters(endpoint: Endpoint): JsonSchema[] {
  const list = (schema: z.ZodType, where: 'path' | 'query'): JsonSchema[] => {
    const { properties = {}, required = [] } = jsonSchema(schema, 'input')
    return Object.entries(properties as Record<string, JsonSchema>).map(([name, property]) => ({
      name,
      in: where,
      required: where === 'path' || (required as string[]).includes(name),
      schema: property,
    }))
  }
  return [...list(endpoint.params, 'path'), ...list(endpoint.query, 'query')]
}

function operation(id: string, endpoint: Endpoint): JsonSchema {
  const takesBody = ['post', 'put', 'patch'].includes(endpoint.method)
  return {
    operationId: id,
    summary: endpoint.summary,
    parameters: parameters(endpoint),
    ...(takesBody
      ? {
          requestBody: {
            required: true,
            content: { 'application/json': { schema: jsonSchema(endpoint.body, 'input') } },
          },
        }
      : {}),
    ...(endpoint.right === 'open' ? { security: [] } : { 'x-right': endpoint.right }),
    responses: {
      200: { description: 'Done', content: { 'application/json': { schema: jsonSchema(endpoint.answer, 'output') } } },
      default: {
        description: 'Refused, with a sentence that says why',
        content: { 'application/json': { schema: fault } },
      },
    },
  }
}

/** OpenAPI 3.1 of every endpoint in the contract. */
export function openApi(): JsonSchema {
  const paths: Record<string, Record<string, JsonSchema>> = {}
  for (const [id, endpoint] of Object.entries(endpoints)) {
    paths[endpoint.path] = { ...paths[endpoint.path], [endpoint.method]: operation(id, endpoint) }
  }
  return {
    openapi: '3.1.0',
    info: { title: 'Yorvik', version: '0.1.0', description: 'Keeps a kitchen’s shared knife fleet sharp.' },
    security: [{ session: [] }],
    components: { securitySchemes: { session: { type: 'apiKey', in: 'cookie', name: 'yorvik_session' } } },
    paths,
  }
}
