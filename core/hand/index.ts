export * from './recipe'
export * from './recipes'
export * from './session'
export * from './live'
