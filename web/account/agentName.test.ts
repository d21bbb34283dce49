import { describe, expect, it } from 'vitest'
import { agentName } from './agentName'

describe('what a browser calls itself', () => {
  it.each([
    [
      'Mozilla/5.0 (iPad; CPU OS 17_4 like Mac OS X) AppleWebKit/605.1.15 Version/17.4 Mobile/15E148 Safari/604.1',
      'Safari, iPad',
    ],
    ['Mozilla/5.0 (Linux; Android 14) AppleWebKit/537.36 Chrome/126.0.0.0 Mobile Safari/537.36', 'Chrome, Android'],
    [
      'Mozilla/5.0 (Windows NT 10.0; Win64; x64) AppleWebKit/537.36 Chrome/126.0 Safari/537.36 Edg/126.0',
      'Edge, Windows',
    ],
    ['curl/8.5.0', 'curl/8.5.0'],
    ['', '?'],
  ])('%s is %s', (agent, name) => {
    expect(agentName(agent)).toBe(name)
  })
})
